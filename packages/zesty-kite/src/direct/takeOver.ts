/** What movers that set the whole pose have in common: how they begin, and what ends them. */
import {
  dropGrip,
  ENDED_BY_STEERING,
  endPan,
  interrupt,
  isDriven,
  type Cause,
  type Effect,
  type Motion,
  type Rules,
} from '../motion/index.ts';
import type { Look } from '../view/index.ts';

/** All that steers or places ends them. */
export const ENDED_BY_ALL: Readonly<Record<Cause, Effect>> = {
  ...ENDED_BY_STEERING,
  mover: 'newWish',
  placeSpan: 'ends',
  placeHeading: 'ends',
  placePitch: 'ends',
};

/** Everything else that is under way ends, and nothing is held or pulled over an edge any more. */
export function takeOver(motion: Motion, rules: Rules, look: Look): void {
  interrupt(motion, rules, look, 'mover');
  if (!isDriven(motion)) endPan(motion);
  dropGrip(motion);
  motion.x -= motion.excessX;
  motion.y -= motion.excessY;
  motion.excessX = motion.excessY = 0;
}
