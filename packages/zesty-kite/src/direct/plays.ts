/** The mover of cutscenes. */
import type { Motion, Mover } from '../motion/index.ts';
import { Playing } from './playing.ts';
import { PLAY_SIGNALS, type PlayingSignal } from './playSignals.ts';
import { ENDED_BY_ALL } from './takeOver.ts';

export const plays: Mover<Motion, Playing, PlayingSignal> = {
  name: 'cutscene',
  label: 'cutscene',
  interruptions: ENDED_BY_ALL,
  signals: PLAY_SIGNALS,
  takesOver: ['play'],
  createState: (motion) => new Playing(motion),
  isUnderWay: ({ track, pace }) => track !== null && pace !== 0,
  interrupt: (playing, _, __, cause) => {
    if (playing.track !== null) playing.stop(cause === 'mover' ? 'replaced' : 'interrupted', cause);
  },
  restore: (playing) => {
    playing.restore();
  },
  receive: (playing, _, signal) => {
    if (signal.kind === 'play') playing.begin(signal);
    else if (playing.track === null || signal.id !== playing.id) return;
    else if (signal.kind === 'cue') playing.obey(playing.track, signal);
    else playing.putTarget(playing.track, signal);
  },
  aim: (playing, _, seconds) => {
    if (playing.track !== null && playing.pace !== 0) playing.aim(playing.track, seconds);
  },
  finish: (playing) => {
    if (playing.track !== null) playing.finish(playing.track);
  },
};
