/** Where a target shows, and its zone on the screen. */
import { LENGTH_TOLERANCE, type Motion } from '../motion/index.ts';
import { ScratchPoint, type Point } from '../view/index.ts';
import { zoneOf, type Following, type FollowSignal } from './following.ts';

/** Sets `out` to the nearest focus with which the target is inside its zone, some seconds after its last sample. */
export function goalFor(state: Following, wish: FollowSignal, motion: Motion, seconds: number, out: Point): void {
  const { zoom, level, rules, look } = motion;
  const x = state.x + state.velocityX * seconds;
  const y = state.y + state.velocityY * seconds;
  project(motion, x, y, shows);
  enter(state, wish, motion, shows, inside);
  look.meet(inside.x, inside.y, zoom.shown, riseAt(rules.terrain, x, y, level.height), out);
  out.x = x - out.x;
  out.y = y - out.y;
}

/** The place of a target that is behind the eye, in safe-frame heights. */
export const BEHIND = -1e9;
/** Nearer to the eye than this is behind it, in spans. */
const NEAREST = 1e-3;

/** Sets `out` to where a point of the ground shows, in safe-frame heights from the middle; far above where it does not. */
export function project({ focus, zoom, level, rules, look }: Motion, x: number, y: number, out: Point): void {
  const rise = riseAt(rules.terrain, x, y, level.height);
  look.project(zoom.shown, x - focus.x, y - focus.y, rise, out);
  if (look.depthOf(zoom.shown, x - focus.x, y - focus.y, rise) > NEAREST) return;
  out.x = 0;
  out.y = BEHIND;
}

/** How much higher than the focus the ground is somewhere. */
export function riseAt(terrain: Motion['rules']['terrain'], x: number, y: number, level: number): number {
  return terrain === null ? 0 : terrain.heightAt(x, y) - level;
}

/** Sets `out` to the place in the zone nearest to another. */
function enter(
  { middleU, middleV }: Following,
  wish: FollowSignal,
  { look }: Motion,
  place: Readonly<Point>,
  out: Point,
): void {
  const { width, height } = zoneOf(wish, look.frameWidth * look.perPixel);
  const right = place.x - middleU;
  const down = Math.max(place.y, BEHIND) - middleV;
  if (wish.zone === 'circle') {
    const far = Math.sqrt(right * right + down * down);
    const share = far > width ? width / far : 1;
    out.x = middleU + right * share;
    out.y = middleV + down * share;
    return;
  }
  out.x = middleU + Math.min(Math.max(right, -width), width);
  out.y = middleV + Math.min(Math.max(down, -height), height);
}

export function isOutside(state: Following, wish: FollowSignal, motion: Motion, place: Readonly<Point>): boolean {
  enter(state, wish, motion, place, inside);
  return Math.abs(place.x - inside.x) + Math.abs(place.y - inside.y) > LENGTH_TOLERANCE;
}

const shows = new ScratchPoint();
const inside = new ScratchPoint();
