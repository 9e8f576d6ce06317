/** How fast things ease over one step. */
import { remaining } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import { isDriven, isPanning, type Motion } from './motion.ts';

/** What is left after *half* a step, 0 … 1; its square is what is left after the whole of it. */
export interface Pace {
  /** Length of the step, seconds. */
  seconds: number;
  zoom: number;
  start: number;
  stop: number;
}

export function createPace(): Pace {
  return { seconds: 0, zoom: 1, start: 1, stop: 1 };
}

/** The pace of a step of `seconds`, for any motion. */
export function setPace(out: Pace, settings: FullSettings, seconds: number): void {
  const half = seconds / 2;
  out.seconds = seconds;
  out.zoom = remaining(half, settings.zoom.halfLife);
  out.start = remaining(half, settings.pan.startHalfLife);
  out.stop = remaining(half, settings.pan.stopHalfLife);
}

/** The same, for what `motion` eases now and nothing else. */
export function setPaceFor(out: Pace, motion: Motion, settings: FullSettings, seconds: number): void {
  const half = seconds / 2;
  out.seconds = seconds;
  if (motion.left !== 0) out.zoom = remaining(half, settings.zoom.halfLife);
  if (!isPanning(motion)) return;
  if (isDriven(motion)) out.start = remaining(half, settings.pan.startHalfLife);
  else out.stop = remaining(half, settings.pan.stopHalfLife);
}
