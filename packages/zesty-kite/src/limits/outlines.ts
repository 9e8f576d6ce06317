/** Bounds as they can be drawn. */
import type { FullBounds } from '../settings/index.ts';
import { ScratchPoint, type Projection, type Point, type Pose } from '../view/index.ts';
import { ANYWHERE, keepInside, kindOf, type Boundary } from './boundary.ts';
import type { ShapeOutlines } from './shape.ts';

/** So many ways to look out of the middle, evenly: the cosine and the sine of the angle between two. */
const WAYS = 96;
const COS = 0.9978589232386035;
const SIN = 0.06540312923014306;

/** Calls `each` with unit vectors all around. */
function allAround(each: (x: number, y: number) => Point): Point[] {
  let x = 1;
  let y = 0;
  return Array.from({ length: WAYS }, () => {
    const point = each(x, y);
    [x, y] = [x * COS - y * SIN, x * SIN + y * COS];
    return point;
  });
}

/** The bounds themselves: rings of points, world units. */
export function outlinesOf(bounds: FullBounds, kinds: readonly ShapeOutlines[]): Point[][] {
  const { circle, left, top, right, bottom } = bounds;
  if (circle !== undefined)
    return [allAround((x, y) => ({ x: circle.x + x * circle.radius, y: circle.y + y * circle.radius }))];
  if (left === undefined || top === undefined || right === undefined || bottom === undefined)
    return kindOf(bounds, kinds).outlinesOf(bounds);
  return [
    [
      { x: left, y: top },
      { x: right, y: top },
      { x: right, y: bottom },
      { x: left, y: bottom },
    ],
  ];
}

/** The area that bounds leave to the focus, as the camera looks now: the nearest foci to points far away, all around. */
export function focusOutlineOf(boundary: Boundary, projection: Projection, pose: Pick<Pose, 'span'>): Point[] {
  const { x: middleX, y: middleY, high } = boundary.shape.extent;
  const far = 100 * (high + pose.span);
  const desired = new ScratchPoint();
  const inside = new ScratchPoint();
  return allAround((x, y) => {
    desired.x = middleX + x * far;
    desired.y = middleY + y * far;
    keepInside(boundary, projection, pose, desired, ANYWHERE, inside);
    return { x: inside.x, y: inside.y };
  });
}
