/** What is shown of a motion: its pose, and what is left of its offset. */
import { exp2 } from '../math/index.ts';
import type { Look } from '../view/index.ts';
import type { Motion } from './motion.ts';
import type { Rules } from './rules.ts';
import { ShownPose } from './shownPose.ts';
import { missingClearance } from './solveFocus.ts';

/** Sets `out` to what is shown of a motion whose eye has been raised, and the look with it. */
export function showOffset(motion: Motion, look: Look, out: ShownPose): void {
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
  look.turn(out);
}

/** Sets `out` to what is shown of kept motion. */
export function showKept(kept: Motion, rules: Rules, look: Look, out: ShownPose): void {
  const raised = kept.level + missingClearance(kept, rules, look);
  showOffset(kept, look, out);
  out.focusHeight += raised - kept.focusHeight;
}

/** What showed goes on showing, and eases to where kept motion is now. */
export function keepShown(kept: Motion, rules: Rules, look: Look, before: ShownPose): void {
  kept.offset.isOn = false;
  showKept(kept, rules, look, now);
  kept.offset.between(now, before);
}

const now = new ShownPose();
