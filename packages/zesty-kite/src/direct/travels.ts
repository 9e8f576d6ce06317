/** The mover of journeys. */
import type { Motion, Mover } from '../motion/index.ts';
import { Journey } from './journey.ts';
import { ENDED_BY_ALL } from './takeOver.ts';
import { TRAVEL_SIGNALS, type TravellingSignal } from './travelSignals.ts';

export const travels: Mover<Motion, Journey, TravellingSignal> = {
  name: 'travel',
  label: 'travel',
  interruptions: ENDED_BY_ALL,
  signals: TRAVEL_SIGNALS,
  takesOver: ['travel'],
  createState: (motion) => new Journey(motion),
  isUnderWay: ({ plan }) => plan !== null,
  interrupt: (journey, _, __, cause) => {
    if (journey.plan !== null) journey.stop(cause === 'mover' ? 'replaced' : 'interrupted', cause);
  },
  restore: (journey) => {
    journey.restore();
  },
  receive: (journey, _, signal) => {
    if (signal.kind === 'travel') journey.begin(signal);
    else if (signal.id !== journey.plan?.id) return;
    else if (signal.kind === 'travelEnd') journey.stop('ended', null);
    else journey.moveTarget(journey.plan, signal);
  },
  aim: (journey, _, seconds) => {
    if (journey.plan !== null) journey.aim(journey.plan, seconds);
  },
  finish: (journey) => {
    if (journey.plan !== null) journey.finish(journey.plan);
  },
};
