/**
 * Grips: a ground point held under a screen point.
 *
 * Where a screen point meets the ground, relative to the focus, does not depend on where the focus
 * is: hit = focus + span · offset. So focus = held - span · offset, exactly, at every span.
 */
import { keptBetween, type Limits } from '../limits/index.ts';
import type { Motion } from './motion.ts';

/** Takes hold of the ground that shows at (gripX, gripY), in screen heights from the middle. */
export function takeGrip(motion: Motion, gripX: number, gripY: number): void {
  motion.gripping = true;
  motion.gripX = gripX;
  motion.gripY = gripY;
  motion.heldX = motion.x + motion.span * gripX;
  motion.heldY = motion.y + motion.span * gripY;
}

/** Lets go: the focus is what is held, in the middle. */
export function letGo(motion: Motion): void {
  motion.gripping = false;
  motion.gripX = 0;
  motion.gripY = 0;
  motion.heldX = motion.x;
  motion.heldY = motion.y;
}

/** Puts the focus where the grip holds, or as near to it as the limits let it. */
export function solveFocus(motion: Motion, limits: Limits): void {
  const wishX = motion.heldX - motion.span * motion.gripX;
  const wishY = motion.heldY - motion.span * motion.gripY;
  motion.x = keptBetween(wishX, limits.left, limits.right, motion.span * limits.halfWide);
  motion.y = keptBetween(wishY, limits.top, limits.bottom, motion.span * limits.halfHigh);
  motion.limited = motion.x !== wishX || motion.y !== wishY;
  if (!motion.gripping) letGo(motion);
}
