/** Places of a map that never show, as the view is kept inside. */
import { ANYWHERE, boundaryOf, keepInside } from '../limits/index.ts';
import { Motion, Placing, startPlace, type Constraints } from '../motion/index.ts';
import { polygons } from '../polygons/index.ts';
import type { FullBounds } from '../settings/index.ts';
import { FRAME_PLACES, type Point } from '../view/index.ts';
import { short } from './texts.ts';
import type { Warning } from './warning.ts';
import type { Zoom } from './zooms.ts';

/** The number of places along each side of the bounds. */
const PLACES = 40;
/** A smaller share of the map that never shows is no loss. */
const LEAST_UNSEEN = 0.01;

/** Warns of a map that has many places that no allowed focus brings into the safe frame. */
export function neverSeen(constraints: Constraints, [nearest]: readonly Zoom[]): Warning[] {
  if (nearest === undefined) return [];
  const { unseen, count, motion } = seenFrom(constraints, nearest.span);
  const share = unseen.length / count;
  if (!(share >= LEAST_UNSEEN)) return [];
  return [
    {
      path: 'bounds.keep',
      message: `${short(100 * share)} % of the map can never be seen, because the view stays inside the bounds (span ${short(motion.span)}, heading ${short(motion.heading)}); set bounds.keep to "focus"`,
    },
  ];
}

/**
 * Returns the places of the bounds that never show, even at the nearest zoom, and how many places were looked at. They are
 * spread evenly over the bounds.
 *
 * @param span the nearest zoom, world units
 */
export function seenFrom(constraints: Constraints, span: number): { unseen: Point[]; count: number; motion: Motion } {
  const { settings, boundary } = constraints;
  const motion = new Motion(constraints, []);
  if (settings.bounds?.keep !== 'view') return { unseen: [], count: 0, motion };
  new Placing(motion).begin({ ...startPlace(settings, boundary), span });
  const places = placesIn(motion, settings.bounds);
  return { unseen: places.filter((place) => !canBeSeen(motion, place)), count: places.length, motion };
}

/** Places spread evenly over the bounds. */
function placesIn(motion: Motion, bounds: FullBounds): Point[] {
  const { settings, boundary } = motion.constraints;
  const { x, y, wide, high } = boundary.shape.extent;
  const area = boundaryOf({ ...settings, bounds: { ...bounds, keep: 'focus', margin: 0, screenMargin: 0 } }, [
    polygons,
  ]);
  const isInside = (place: Point): boolean => {
    const kept = { x: 0, y: 0 };
    keepInside(area, motion.projection, motion, place, ANYWHERE, kept);
    return Math.abs(kept.x - place.x) + Math.abs(kept.y - place.y) < 1e-9 * (wide + high);
  };
  const shares = Array.from({ length: PLACES }, (_, i) => (i + 0.5) / PLACES - 0.5);
  return shares
    .flatMap((right) => shares.map((down) => ({ x: x + right * wide, y: y + down * high })))
    .filter(isInside);
}

/** Whether some focus shows a place: one that has it in the middle, or in a corner of the safe frame. */
function canBeSeen(motion: Motion, { x, y }: Point): boolean {
  const { projection, constraints, span } = motion;
  const { middleX, middleY, frameWidth, frameHeight } = projection;
  const met = { x: 0, y: 0 };
  return FRAME_PLACES.some(([right, down]) => {
    projection.meet(
      projection.u(middleX + right * frameWidth),
      projection.v(middleY + down * frameHeight),
      span,
      0,
      met,
    );
    const wanted = { x: x - met.x, y: y - met.y };
    const focus = { x: 0, y: 0 };
    keepInside(constraints.boundary, projection, motion, wanted, wanted, focus);
    const at = { x: 0, y: 0 };
    projection.project(span, x - focus.x, y - focus.y, 0, at);
    return Math.abs(at.x) <= (0.5 * frameWidth) / frameHeight + 1e-6 && Math.abs(at.y) <= 0.5 + 1e-6;
  });
}
