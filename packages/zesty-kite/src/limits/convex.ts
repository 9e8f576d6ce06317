/** Keeping a convex shape of ground, seen around the focus, inside a convex polygon. */
import { ScratchPoint, type Point } from '../view/index.ts';
import { loosen, nearest, Search, type HalfPlanes } from './halfPlanes.ts';

/** A convex polygon as half-planes: the normals point outward. */
export interface Convex extends HalfPlanes {
  /** How far each edge is from the origin along its normal. */
  readonly edge: Float64Array;
  /** Scratch: how far what has to stay inside reaches along each normal, in spans from the focus. */
  readonly reach: Float64Array;
  /** The middle of its extent, and its height. */
  readonly middle: { readonly x: number; readonly y: number; readonly high: number };
  /** A circle inside: for the quick answer. */
  readonly innerX: number;
  readonly innerY: number;
  readonly innerRadius: number;
}

/** @param corners of a convex polygon, clockwise where y points down */
export function createConvex(corners: readonly (readonly [number, number])[]): Convex {
  const count = corners.length;
  const innerX = corners.reduce((sum, [x]) => sum + x, 0) / count;
  const innerY = corners.reduce((sum, [, y]) => sum + y, 0) / count;
  const sides = {
    count,
    normalX: new Float64Array(count),
    normalY: new Float64Array(count),
    edge: new Float64Array(count),
    reach: new Float64Array(count),
    room: new Float64Array(count),
    gain: new Float64Array(count),
  };
  let innerRadius = Infinity;
  spreadOut(count).forEach((corner, i) => {
    const [x, y] = corners[corner] ?? [0, 0];
    const [nextX, nextY] = corners[(corner + 1) % count] ?? [x, y];
    const length = Math.sqrt((nextX - x) * (nextX - x) + (nextY - y) * (nextY - y));
    const normalX = (nextY - y) / length;
    const normalY = (x - nextX) / length;
    sides.normalX[i] = normalX;
    sides.normalY[i] = normalY;
    sides.edge[i] = normalX * x + normalY * y;
    innerRadius = Math.min(innerRadius, normalX * (x - innerX) + normalY * (y - innerY));
  });
  const xs = corners.map(([x]) => x);
  const ys = corners.map(([, y]) => y);
  const left = Math.min(...xs);
  const right = Math.max(...xs);
  const top = Math.min(...ys);
  const bottom = Math.max(...ys);
  const middle = { x: (left + right) / 2, y: (top + bottom) / 2, high: bottom - top };
  return { ...sides, middle, innerX, innerY, innerRadius };
}

/** 0 … count - 1 in an order in which each is far from those before it: so the edges that matter come early. */
function spreadOut(count: number): number[] {
  const step = Math.max(1, Math.round(count * 0.381966));
  const order = new Set<number>();
  for (let at = 0; order.size < count; at = (at + step) % count) {
    while (order.has(at)) at = (at + 1) % count;
    order.add(at);
  }
  return [...order];
}

/** Tolerance: rounding may leave a focus this far outside, in spans. */
const SLACK = 1e-9;

/** What has to stay inside, seen from the focus. */
export class Inlay {
  /** x and y by turns, in spans. */
  corners: Float64Array = NOTHING;
  span = NaN;
  /** World units by which it may reach over every edge, and spans by which it may, too. */
  margin = NaN;
  screenMargin = 0;
}

/** A focus by itself: four corners of nothing. */
export const NOTHING = new Float64Array(8);

/**
 * The point nearest to `desired` from which all corners stay inside; where there is none, from which
 * they reach out the least: every edge is moved out by the same distance, the shortest that will do.
 */
export function keepInConvex(convex: Convex, inlay: Readonly<Inlay>, desired: Readonly<Point>, out: Point): void {
  const { corners, span, margin } = inlay;
  const { x, y } = desired;
  const { count, normalX, normalY, edge, reach, room, gain } = convex;
  let inside = true;
  reachOut(convex, corners);
  for (let i = 0; i < count; i++) {
    const limit = (edge[i] ?? 0) + margin - span * (reach[i] ?? 0);
    room[i] = limit;
    gain[i] = 1;
    if ((normalX[i] ?? 0) * x + (normalY[i] ?? 0) * y > limit) inside = false;
  }
  if (!inside) bringNear(convex, inlay, desired);
  out.x = x;
  out.y = y;
  if (inside) return;
  search.slack = span * SLACK;
  loosen(convex, search, out);
  // From very far away the first answer is as coarse as its coordinates; from there it is fine.
  if (Math.abs(x - out.x) + Math.abs(y - out.y) < FAR * span) return;
  search.x = out.x;
  search.y = out.y;
  nearest(convex, search, out);
}

/** In spans. */
const FAR = 1e3;

/** Beyond so many spans and heights of the polygon, only the way there counts: or coordinates would be coarser than the answer. */
const FARTHEST = 1e5;

/** Sets where `search` begins: at (x, y), or on the way there from the middle. */
function bringNear({ middle }: Convex, { span }: Readonly<Inlay>, { x, y }: Readonly<Point>): void {
  const east = x - middle.x;
  const south = y - middle.y;
  const share = (FARTHEST * (span + middle.high)) / Math.max(Math.abs(east), Math.abs(south));
  search.x = share < 1 ? middle.x + east * share : x;
  search.y = share < 1 ? middle.y + south * share : y;
}

/** Makes the span the greatest, at most what it is, at which all corners fit inside somewhere; 0 when none does. */
export function fitInConvex(convex: Convex, inlay: Inlay): void {
  const { count, edge, reach, room, gain } = convex;
  const { corners, span, margin, screenMargin } = inlay;
  reachOut(convex, corners);
  for (let i = 0; i < count; i++) {
    gain[i] = (reach[i] ?? 0) - screenMargin;
    room[i] = (edge[i] ?? 0) + margin - span * (gain[i] ?? 0);
  }
  search.x = 0;
  search.y = 0;
  search.slack = span * SLACK;
  loosen(convex, search, kept);
  inlay.span = Math.max(0, span - search.t);
}

const kept = new ScratchPoint();
const search = new Search();

/** No edge is nearer to (x, y) than this; below 0 it says nothing. */
export function roomInConvex({ innerX, innerY, innerRadius }: Convex, x: number, y: number): number {
  return innerRadius - Math.sqrt((x - innerX) * (x - innerX) + (y - innerY) * (y - innerY));
}

/** How far the corners reach along each normal. */
function reachOut({ count, normalX, normalY, reach }: Convex, corners: Float64Array): void {
  for (let i = 0; i < count; i++) {
    const x = normalX[i] ?? 0;
    const y = normalY[i] ?? 0;
    let max = -Infinity;
    for (let k = 0; k < 8; k += 2) max = Math.max(max, x * (corners[k] ?? 0) + y * (corners[k + 1] ?? 0));
    reach[i] = max;
  }
}
