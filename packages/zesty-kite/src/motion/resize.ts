/** A screen that changes its size. */
import type { Look } from '../view/index.ts';
import { resizeKeeps, scaleWithFrame } from './keepScale.ts';
import { dropGrip, takeBelow, takeGrip } from './grip.ts';
import { isEasing, type Motion } from './motion.ts';
import { refit } from './place.ts';
import type { Rules } from './rules.ts';

/**
 * Another screen. A zoom or a turn under way goes on about the same pixel, and what a hand holds stays under it.
 *
 * @param look of the old screen; it is left as the new one makes it
 */
export function resize(motion: Motion, rules: Rules, look: Look): void {
  const { frameWidth, frameHeight } = look;
  const { gripping, holdsBelowEye, fingers } = motion;
  look.frame(rules.screen, motion.insetLeft, motion.insetTop, motion.insetRight, motion.insetBottom);
  const rests = motion.zoomRemaining === 0 && fingers === 0;
  scaleWithFrame(motion, frameWidth, frameHeight, look, fingers === 2 ? 'scale' : resizeKeeps(rules));
  if (fingers === 0) dropGrip(motion);
  refit(motion, rules, look, false, rests);
  if (!gripping || !isEasing(motion)) return;
  if (holdsBelowEye) takeBelow(motion, look);
  else takeGrip(motion, rules, look, motion.gripX, motion.gripY);
}
