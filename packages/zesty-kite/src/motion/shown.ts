/** The shown state of a motion: its pose, and the rest of its offset. */
import { missingClearance } from './clearance.ts';
import type { Kept } from './kept.ts';
import { ShownPose } from './shownPose.ts';

/** Sets `out` to what is shown of a motion whose eye has been raised, and the look with it. */
export function readShown(motion: Kept, out: ShownPose): void {
  const { offset } = motion;
  motion.readPose(out);
  if (!offset.isOn) return;
  offset.addTo(out);
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
