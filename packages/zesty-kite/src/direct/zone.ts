/** The place of a target on the screen, and the zone in which it may be. */
import { LENGTH_TOLERANCE, type Motion } from '../motion/index.ts';
import { ScratchPoint, type Point } from '../view/index.ts';
import { zoneOf, type Following, type FollowSignal } from './following.ts';

/** v of a place that does not show. */
export const BEHIND = -1e9;
/** Nearer to the eye than this is behind it, in spans. */
const NEAREST = 1e-3;

/** Sets `out` to where a place of the target shows, in safe-frame heights from the middle; far above where it does not. */
export function project(state: Following, motion: Motion, x: number, y: number, out: Point): void {
  const { focus, zoom, projection } = motion;
  const rise = riseAt(state, motion, x, y);
  projection.project(zoom.shown, x - focus.x, y - focus.y, rise, out);
  if (projection.depthOf(zoom.shown, x - focus.x, y - focus.y, rise) > NEAREST) return;
  out.x = 0;
  out.y = BEHIND;
}

/** How much higher than the focus the target is at a place. */
export function riseAt(
  { request }: Following,
  { level, constraints: { terrain } }: Motion,
  x: number,
  y: number,
): number {
  const height = request?.height ?? terrain?.heightAt(x, y) ?? level.height;
  return height - level.height;
}

/** Sets `out` to the place in the zone nearest to another. */
export function enter(
  { middleU, middleV }: Following,
  request: FollowSignal,
  { projection }: Motion,
  place: Readonly<Point>,
  out: Point,
): void {
  const { width, height } = zoneOf(request, projection.frameWidth * projection.perPixel);
  const right = place.x - middleU;
  const down = Math.max(place.y, BEHIND) - middleV;
  if (request.zone === 'circle') {
    const far = Math.sqrt(right * right + down * down);
    const share = far > width ? width / far : 1;
    out.x = middleU + right * share;
    out.y = middleV + down * share;
    return;
  }
  out.x = middleU + Math.min(Math.max(right, -width), width);
  out.y = middleV + Math.min(Math.max(down, -height), height);
}

export function isOutside(state: Following, request: FollowSignal, motion: Motion, place: Readonly<Point>): boolean {
  enter(state, request, motion, place, inside);
  return Math.abs(place.x - inside.x) + Math.abs(place.y - inside.y) > LENGTH_TOLERANCE;
}

const inside = new ScratchPoint();
