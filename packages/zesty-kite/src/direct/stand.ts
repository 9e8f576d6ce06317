/** Where a destination comes to, inside all limits. */
import { placeAt, type Motion, type Rules } from '../motion/index.ts';
import type { Look } from '../view/index.ts';
import type { Destination } from './journey.ts';

/**
 * Stands where a placing of the destination would. What it does not name is where it is heading.
 *
 * @param look scratch; left as `out` looks
 */
export function stand(out: Motion, look: Look, motion: Motion, rules: Rules, to: Destination): void {
  const { x, y, span = motion.wantedSpan, heading = motion.goalHeading, pitch } = to;
  out.copyFrom(motion);
  out.moving = out.tilted = false;
  look.frame(rules.screen, out.insetLeft, out.insetTop, out.insetRight, out.insetBottom);
  look.turn(out);
  placeAt(out, rules, look, { x, y, span, heading, pitch });
}
