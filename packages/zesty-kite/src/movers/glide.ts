/** The motion after a fling: pan, zoom and turn slow down and end as they always do. */
import { ENDED_BY_STEERING, type Motion, type Mover } from '../motion/index.ts';
import { Trails } from './trails.ts';

export const glide: Mover<Motion, Trails> = {
  name: 'glide',
  label: 'glide of a fling',
  interruptions: {
    ...ENDED_BY_STEERING,
    panKeys: 'takesOver',
    turn: 'goesOn',
    tilt: 'goesOn',
    zoom: 'goesOn',
    placeFocus: 'named',
  },
  signals: {},
  createState: (motion) => new Trails(motion),
  /** A glide is a pan: it is under way by itself. */
  isUnderWay: () => false,
  interrupt: (_, { pan }, effect) => {
    if (effect === 'takesOver') pan.isGliding = false;
    else if (pan.isGliding) pan.stop();
  },
  hand: (trails, _, hand) => {
    trails.follow(hand);
  },
};
