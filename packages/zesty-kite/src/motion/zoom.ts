/** Zooming sets a goal for the span; time eases toward it. */
import { keptBetween, type Limits } from '../limits/index.ts';
import { clamp, exp2, log2 } from '../math/index.ts';
import type { Pose } from '../view/index.ts';
import { letGo } from './grip.ts';
import type { Motion } from './motion.ts';

/**
 * Zooms by a factor of 2^octaves (positive: farther), counted from the goal, so that quick notches
 * add up.
 */
export function zoomBy(motion: Motion, limits: Limits, octaves: number): void {
  const goal = clamp(motion.goalSpan * exp2(octaves), limits.least, limits.most);
  // At the limit of a narrow screen, zooming on into it does not forget what was wanted.
  if (goal !== motion.goalSpan) motion.wantedSpan = goal;
  easeTo(motion, goal);
}

/** Eases to the span that was wanted, as far as the limits let it. */
export function zoomToWanted(motion: Motion, limits: Limits): void {
  motion.span = clamp(motion.span, limits.least, limits.most);
  easeTo(motion, clamp(motion.wantedSpan, limits.least, limits.most));
}

function easeTo(motion: Motion, goal: number): void {
  motion.goalSpan = goal;
  motion.left = log2(motion.span / goal);
  if (motion.left !== 0) return;
  motion.span = goal;
  letGo(motion);
}

/** Where the camera is heading to: the goal span, with the grip holding there, inside the limits. */
export function goalPose(motion: Motion, limits: Limits, out: Pose): Pose {
  const span = motion.goalSpan;
  const x = motion.heldX - span * motion.gripX;
  const y = motion.heldY - span * motion.gripY;
  out.x = keptBetween(x, limits.left, limits.right, span * limits.halfWide);
  out.y = keptBetween(y, limits.top, limits.bottom, span * limits.halfHigh);
  out.span = span;
  return out;
}
