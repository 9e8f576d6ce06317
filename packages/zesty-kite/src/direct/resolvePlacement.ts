/** The pose of a destination, inside all limits. */
import { Placing, type Motion } from '../motion/index.ts';
import type { Destination } from './way.ts';

/**
 * Sets the pose that a placing of the destination gives. Fields that are left out take the goal.
 *
 * @param out scratch: it goes there, and looks as it does there
 */
export function resolvePlacement(out: Motion, motion: Motion, to: Destination): void {
  const { x, y, height, span = motion.zoom.wanted, heading = motion.turn.goal, pitch } = to;
  out.copyFrom(motion);
  out.isMoved = out.tilt.isTilted = false;
  out.layLook();
  new Placing(out).place({ x, y, height, span, heading, pitch });
}
