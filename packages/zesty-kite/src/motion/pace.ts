/** How fast things ease over one step. */
import { remaining } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import { isDriven, type Motion } from './motion.ts';

/** What is left after *half* a step, 0 … 1; its square is what is left after the whole of it. */
export interface Pace {
  /** Length of the step, seconds. */
  seconds: number;
  zoom: number;
  start: number;
  stop: number;
}

/** A pace to be set. */
export function createPace(): Pace {
  return { seconds: NaN, zoom: NaN, start: NaN, stop: NaN };
}

/** The pace of a step of `seconds`, for any motion. */
export function setPace(out: Pace, settings: FullSettings, seconds: number): void {
  const half = seconds / 2;
  out.seconds = seconds;
  out.zoom = remaining(half, settings.zoom.halfLife);
  out.start = remaining(half, settings.pan.startHalfLife);
  out.stop = remaining(half, settings.pan.stopHalfLife);
}

/** The same, worked out for what `motion` eases now; what it does not ease keeps all of itself. */
export function setPaceFor(out: Pace, motion: Motion, settings: FullSettings, seconds: number): void {
  const half = seconds / 2;
  const steady = motion.velocityX === motion.targetX && motion.velocityY === motion.targetY;
  const driven = isDriven(motion);
  out.seconds = seconds;
  out.zoom = motion.left === 0 ? 1 : remaining(half, settings.zoom.halfLife);
  out.start = steady || !driven ? 1 : remaining(half, settings.pan.startHalfLife);
  out.stop = steady || driven ? 1 : remaining(half, settings.pan.stopHalfLife);
}
