/** The shown state of a motion: its pose, and the rest of its offset. */
import { exp2 } from '../math/index.ts';
import { missingClearance } from './clearance.ts';
import type { Kept } from './kept.ts';
import { ShownPose } from './shownPose.ts';

/** Sets `out` to what is shown of a motion whose eye has been raised, and the look with it. */
export function readShown(motion: Kept, out: ShownPose): void {
  const { offset } = motion;
  out.x = motion.x;
  out.y = motion.y;
  out.focusHeight = motion.focusHeight;
  out.span = motion.span;
  out.heading = motion.heading;
  out.pitch = motion.pitch;
  out.fieldOfView = motion.fieldOfView;
  if (!offset.isOn) return;
  out.x += offset.x;
  out.y += offset.y;
  out.focusHeight += offset.focusHeight;
  out.span *= exp2(offset.zoom);
  out.heading += offset.heading;
  out.pitch += offset.pitch;
  out.fieldOfView += offset.fieldOfView;
  motion.projection.turn(out);
}

/** Returns the shown pose of kept motion. */
export function shownOf(kept: Kept): ShownPose {
  const out = new ShownPose();
  kept.layLook();
  const raised = kept.level.height + missingClearance(kept);
  readShown(kept, out);
  out.focusHeight += raised - kept.focusHeight;
  return out;
}

/** Keeps the shown picture, and eases it to kept motion. */
export function startOffset(kept: Kept, before: ShownPose): void {
  kept.offset.isOn = false;
  kept.offset.between(shownOf(kept), before);
}
