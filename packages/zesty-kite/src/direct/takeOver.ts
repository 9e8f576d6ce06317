/** What movers that set the whole pose have in common: how they begin, and what ends them. */
import {
  askAnew,
  dropGrip,
  ENDED_BY_STEERING,
  endPan,
  interrupt,
  setPitch,
  stayAt,
  stopTurn,
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
  endPan(motion);
  dropGrip(motion);
  motion.x -= motion.excessX;
  motion.y -= motion.excessY;
  motion.excessX = motion.excessY = 0;
}

/** The camera stays as it is shown; where there are stops, it goes on to the nearest. */
export function standStill(motion: Motion, rules: Rules, look: Look): void {
  stayAt(motion, rules, motion.span);
  stopTurn(motion, rules);
  setPitch(motion, rules, motion.pitch);
  motion.question.forget();
  askAnew(motion, rules, look);
  motion.easing = motion.tilting = true;
}
