/** Being put somewhere: at the start, by the program, by limits that change. */
import type { Limits } from '../limits/index.ts';
import { clamp } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import type { Pose } from '../view/index.ts';
import { letGo, solveFocus } from './grip.ts';
import type { Motion } from './motion.ts';
import { zoomToWanted } from './zoom.ts';

/** The pose that the settings ask to begin with; limits have not spoken yet. */
export function startPose({ start, bounds }: FullSettings): Pose {
  return {
    x: start.x ?? (bounds === null ? 0 : (bounds.left + bounds.right) / 2),
    y: start.y ?? (bounds === null ? 0 : (bounds.top + bounds.bottom) / 2),
    span: start.span ?? (bounds === null ? 100 : bounds.bottom - bounds.top),
  };
}

/** Puts the camera at a pose at once; what the limits do not allow is brought inside. */
export function placeAt(motion: Motion, limits: Limits, pose: Readonly<Pose>): void {
  motion.x = pose.x;
  motion.y = pose.y;
  motion.wantedSpan = clamp(pose.span, limits.least, limits.farthest);
  motion.span = motion.wantedSpan;
  letGo(motion);
  refit(motion, limits);
}

/** Brings everything inside limits that have changed; a grip goes on holding. */
export function refit(motion: Motion, limits: Limits): void {
  zoomToWanted(motion, limits);
  solveFocus(motion, limits);
}
