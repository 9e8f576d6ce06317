/** A screen that changes its size. */
import type { Limits } from '../limits/index.ts';
import type { FullSettings } from '../settings/index.ts';
import type { Screen } from '../view/index.ts';
import { letGo, takeGrip } from './grip.ts';
import type { Motion } from './motion.ts';
import { refit } from './place.ts';

/**
 * Keeps the span, the width of ground or the scale. A grip takes hold anew of what then shows at
 * the same pixel, so that a zoom under way goes on there.
 *
 * @param limits those of the new screen
 */
export function resize(
  motion: Motion,
  limits: Limits,
  from: Screen,
  to: Screen,
  keep: FullSettings['resize']['keep'],
): void {
  const held = motion.gripping;
  const heldX = motion.gripX * from.height + from.width / 2;
  const heldY = motion.gripY * from.height + from.height / 2;
  if (keep === 'scale') scaleSpans(motion, to.height / from.height);
  if (keep === 'width') scaleSpans(motion, (from.width * to.height) / (from.height * to.width));
  letGo(motion);
  refit(motion, limits);
  if (held && motion.left !== 0)
    takeGrip(motion, (heldX - to.width / 2) / to.height, (heldY - to.height / 2) / to.height);
}

/** The wanted span too: it comes back when the screen does. */
function scaleSpans(motion: Motion, factor: number): void {
  motion.span *= factor;
  motion.goalSpan *= factor;
  motion.wantedSpan *= factor;
}
