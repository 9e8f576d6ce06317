/** The mover of following. */
import { ENDED_BY_STEERING, type Motion, type Mover } from '../motion/index.ts';
import { Following } from './following.ts';
import { FOLLOW_SIGNALS, type FollowingSignal } from './followSignals.ts';

export const follows: Mover<Motion, Following, FollowingSignal> = {
  name: 'follow',
  label: 'follow',
  interruptions: {
    ...ENDED_BY_STEERING,
    drag: 'offsets',
    pinch: 'offsets',
    panKeys: 'offsets',
    wheelPan: 'offsets',
    pan: 'offsets',
    orbit: 'goesOn',
    notch: 'goesOn',
    zoomKeys: 'goesOn',
    turnKeys: 'goesOn',
    tiltKeys: 'goesOn',
    turn: 'goesOn',
    tilt: 'goesOn',
    zoom: 'goesOn',
    mover: 'replaced',
  },
  signals: FOLLOW_SIGNALS,
  createState: (motion) => new Following(motion),
  isUnderWay: ({ underWay }) => underWay,
  pins: ({ request }) => request !== null,
  interrupt: (state, motion, effect, cause) => {
    if (state.request === null || (effect === 'offsets' && state.request.onPan === 'offset')) return;
    state.over(cause === 'mover' ? 'replaced' : 'interrupted', cause);
    motion.isPinned = false;
  },
  receive: (state, _, signal) => {
    if (signal.kind === 'follow') state.begin(signal);
    else if (state.request?.id !== signal.id) return;
    else if (signal.kind === 'unfollow') state.over(signal.lost ? 'lost' : 'ended', null);
    else state.takeSample(state.request, signal);
  },
  aim: (state, _, seconds) => {
    if (state.request !== null) state.aim(state.request, seconds);
  },
  panned: (state) => {
    if (state.request !== null) state.noticePan();
  },
  finish: (state) => {
    if (state.request !== null && state.underWay) state.finish(state.request);
  },
};
