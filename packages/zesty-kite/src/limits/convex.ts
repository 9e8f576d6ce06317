/** Keeping a convex shape of ground, seen around the focus, inside a convex polygon. */
import { WorkingPoint, type Point } from '../view/index.ts';

/** Half-planes: outward normals one unit long, and how far each edge is from the origin along its own. */
export interface Convex {
  readonly count: number;
  readonly normalX: Float64Array;
  readonly normalY: Float64Array;
  readonly edge: Float64Array;
  /** For reckoning: how far what has to stay inside reaches along each normal, in spans from the focus. */
  readonly reach: Float64Array;
  /** How far the focus may go along each normal. */
  readonly room: Float64Array;
  /** How much `room` grows with what is being loosened. */
  readonly gain: Float64Array;
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

/** Rounding may leave a focus this far outside, in spans. */
const SLACK = 1e-9;
/** More rounds of loosening than any polygon needs. */
const MOST_ROUNDS = 200;

/** What has to stay inside, seen from the focus. */
export class Inlay {
  /** x and y by turns, in spans. */
  corners: Float64Array = NOTHING;
  span = NaN;
  /** World units by which it may reach over every edge. */
  margin = NaN;
}

/** A focus by itself: four corners of nothing. */
export const NOTHING = new Float64Array(8);

/**
 * The point nearest to `wish` from which all corners stay inside; where there is none, from which
 * they reach out the least: every edge is moved out by the same distance, the shortest that will do.
 */
export function keepInConvex(
  convex: Convex,
  { corners, span, margin }: Readonly<Inlay>,
  { x, y }: Readonly<Point>,
  out: Point,
): void {
  const { count, normalX, normalY, edge, reach, room, gain } = convex;
  let inside = true;
  reachOut(convex, corners);
  for (let i = 0; i < count; i++) {
    const limit = (edge[i] ?? 0) + margin - span * (reach[i] ?? 0);
    room[i] = limit;
    gain[i] = 1;
    if ((normalX[i] ?? 0) * x + (normalY[i] ?? 0) * y > limit) inside = false;
  }
  out.x = x;
  out.y = y;
  if (inside) return;
  search.x = x;
  search.y = y;
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

/** The greatest span, at most `most`, at which all corners fit inside somewhere; 0 when none does. */
export function mostSpanInConvex(
  convex: Convex,
  corners: Float64Array,
  most: number,
  margin: number,
  screenMargin: number,
): number {
  const { count, edge, reach, room, gain } = convex;
  reachOut(convex, corners);
  for (let i = 0; i < count; i++) {
    gain[i] = (reach[i] ?? 0) - screenMargin;
    room[i] = (edge[i] ?? 0) + margin - most * (gain[i] ?? 0);
  }
  search.x = 0;
  search.y = 0;
  search.slack = most * SLACK;
  loosen(convex, search, kept);
  return Math.max(0, most - search.t);
}

const kept = new WorkingPoint();

/** No edge is nearer to (x, y) than this; below 0 it says nothing. */
export function roomInConvex({ innerX, innerY, innerRadius }: Convex, x: number, y: number): number {
  return innerRadius - Math.sqrt((x - innerX) * (x - innerX) + (y - innerY) * (y - innerY));
}

/** How far the corners reach along each normal. */
function reachOut({ count, normalX, normalY, reach }: Convex, corners: Float64Array): void {
  for (let i = 0; i < count; i++) {
    const x = normalX[i] ?? 0;
    const y = normalY[i] ?? 0;
    let most = -Infinity;
    for (let k = 0; k < 8; k += 2) most = Math.max(most, x * (corners[k] ?? 0) + y * (corners[k + 1] ?? 0));
    reach[i] = most;
  }
}

/** What is looked for: the point nearest to (x, y) in all half-planes n · p ≤ room + t · gain. */
class Search {
  x = NaN;
  y = NaN;
  /** World units. */
  slack = NaN;
  t = NaN;
}

const search = new Search();

/**
 * Finds the least t ≥ 0 for which the half-planes have a point in common, and the one of those
 * nearest to (x, y). Each time there is none, the three (or two opposite) edges that exclude each
 * other say how large t has to be at least for them (Farkas' lemma).
 */
function loosen(convex: Convex, sought: Search, out: Point): void {
  sought.t = 0;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    if (nearest(convex, sought, out)) {
      // Three edges that leave room for one point only say which, and (x, y) has no part in it.
      if (round > 0 && against[2] !== -1)
        cross(convex, against[0] ?? 0, against[1] ?? 0, against[2] ?? 0, sought.t, out);
      return;
    }
    const needed = neededBy(convex, against[0] ?? 0, against[1] ?? 0, against[2] ?? 0);
    // Against rounding, each round goes on by a little at least.
    sought.t = needed > sought.t ? needed : sought.t + sought.slack * 1e-3 * (round + 1);
  }
}

/** Sets `out` to where the two of three edges cross that are the farthest from parallel. */
function cross(convex: Convex, i: number, j: number, k: number, t: number, out: Point): void {
  const ij = turn(convex, i, j);
  const jk = turn(convex, j, k);
  const ki = turn(convex, k, i);
  const a = ij >= jk && ij >= ki ? i : jk >= ki ? j : k;
  meet(convex, a, a === i ? j : a === j ? k : i, t, out);
}

/** The sine of the angle between the normals of two edges, whichever way it turns. */
function turn({ normalX, normalY }: Convex, a: number, b: number): number {
  return Math.abs((normalX[a] ?? 0) * (normalY[b] ?? 0) - (normalY[a] ?? 0) * (normalX[b] ?? 0));
}

/** Sets `out` to where two edges cross. */
function meet({ normalX, normalY, room, gain }: Convex, a: number, b: number, t: number, out: Point): void {
  const roomA = (room[a] ?? 0) + t * (gain[a] ?? 0);
  const roomB = (room[b] ?? 0) + t * (gain[b] ?? 0);
  const size = (normalX[a] ?? 0) * (normalY[b] ?? 0) - (normalY[a] ?? 0) * (normalX[b] ?? 0);
  out.x = (roomA * (normalY[b] ?? 0) - roomB * (normalY[a] ?? 0)) / size;
  out.y = (roomB * (normalX[a] ?? 0) - roomA * (normalX[b] ?? 0)) / size;
}

/** The edges that excluded each other in the last `nearest` that found nothing; -1 for no third one. */
const against = new Int32Array(3);

/**
 * The point nearest to (x, y) in all half-planes: they are taken one by one, and one that excludes
 * the nearest point so far has the next on its edge (as in R. Seidel's linear programming, Discrete &
 * Computational Geometry 6, 1991).
 */
function nearest(convex: Convex, { x, y, slack, t }: Search, out: Point): boolean {
  const { count, normalX, normalY, room, gain } = convex;
  out.x = x;
  out.y = y;
  for (let i = 0; i < count; i++) {
    const nx = normalX[i] ?? 0;
    const ny = normalY[i] ?? 0;
    const limit = (room[i] ?? 0) + t * (gain[i] ?? 0);
    if (nx * out.x + ny * out.y <= limit + slack * 1e-3) continue;
    const off = limit - (nx * x + ny * y);
    const footX = x + nx * off;
    const footY = y + ny * off;
    let low = -Infinity;
    let high = Infinity;
    let lowBy = -1;
    let highBy = -1;
    for (let j = 0; j < i; j++) {
      const mx = normalX[j] ?? 0;
      const my = normalY[j] ?? 0;
      const along = my * nx - mx * ny; // the edge runs along (-ny, nx)
      const left = (room[j] ?? 0) + t * (gain[j] ?? 0) - (mx * footX + my * footY);
      if (Math.abs(along) < 1e-12) {
        if (left >= -slack) continue;
        against[0] = i;
        against[1] = j;
        against[2] = -1;
        return false;
      }
      const at = left / along;
      if (along > 0 && at < high) {
        high = at;
        highBy = j;
      }
      if (along < 0 && at > low) {
        low = at;
        lowBy = j;
      }
    }
    if (low > high + slack) {
      against[0] = i;
      against[1] = lowBy;
      against[2] = highBy;
      return false;
    }
    // A corner is where two edges cross, to the last bit, wherever (x, y) is.
    if (low > 0) meet(convex, i, lowBy, t, out);
    else if (high < 0) meet(convex, i, highBy, t, out);
    else {
      out.x = footX;
      out.y = footY;
    }
  }
  return true;
}

/** The least t at which edges that exclude each other no longer do. */
function neededBy(convex: Convex, i: number, j: number, k: number): number {
  const { room, gain } = convex;
  // λi·ni + λj·nj + λk·nk = 0, all of one sign
  const li = k < 0 ? 1 : turn(convex, j, k);
  const lj = k < 0 ? 1 : turn(convex, k, i);
  const lk = k < 0 ? 0 : turn(convex, i, j);
  const rooms = li * (room[i] ?? 0) + lj * (room[j] ?? 0) + (k < 0 ? 0 : lk * (room[k] ?? 0));
  const gains = li * (gain[i] ?? 0) + lj * (gain[j] ?? 0) + (k < 0 ? 0 : lk * (gain[k] ?? 0));
  return gains > 0 ? -rooms / gains : Infinity;
}
