/** The nearest point that half-planes have in common, and by how much they have to give way to have one. */
import type { Point } from '../view/index.ts';

/** n · p ≤ room + t · gain, with normals n one unit long. */
export class HalfPlanes {
  count = 0;
  readonly normalX: Float64Array;
  readonly normalY: Float64Array;
  readonly room: Float64Array;
  readonly gain: Float64Array;

  /** @param max how many there can be */
  constructor(max: number) {
    this.normalX = new Float64Array(max);
    this.normalY = new Float64Array(max);
    this.room = new Float64Array(max);
    this.gain = new Float64Array(max);
  }
}

/** More rounds of loosening than any polygon needs. */
const MAX_ROUNDS = 200;

/** The question: the point nearest to (x, y) in all half-planes, and the least t that leaves one. */
export class Search {
  x = NaN;
  y = NaN;
  /** World units. */
  slack = NaN;
  t = NaN;
  /** The least t at which the edges that excluded each other last no longer do. */
  needed = NaN;
  /** The edges that made t what it is; -1 for none. */
  first = -1;
  second = -1;
  third = -1;
}

/**
 * Finds the least t, from the one of `sought` on, for which the half-planes have a point in common, and
 * the one of those nearest to (x, y). Each time there is none, the three (or two opposite) edges that
 * exclude each other say how large t has to be at least for them (Farkas' lemma).
 */
export function relaxUntilFeasible(planes: HalfPlanes, sought: Search, out: Point): void {
  for (let round = 0; round < MAX_ROUNDS && !nearest(planes, sought, out); round++) {
    slackNeeded(planes, against[0] ?? 0, against[1] ?? 0, against[2] ?? 0, sought);
    // Against rounding, each round goes on by a little at least.
    if (sought.needed > sought.t) sought.t = sought.needed;
    else sought.t += sought.slack * 1e-3 * (round + 1);
    sought.first = against[0] ?? -1;
    sought.second = against[1] ?? -1;
    sought.third = against[2] ?? -1;
  }
}

/**
 * Sets `out` to the one point that three edges leave: where the two of them cross that are the farthest
 * from parallel. So (x, y) has no part in it. Two opposite edges leave a line: `out` stays.
 */
export function vertexOf(planes: HalfPlanes, sought: Search, out: Point): void {
  const { first: i, second: j, third: k } = sought;
  if (k === -1) return;
  const ij = turn(planes, i, j);
  const jk = turn(planes, j, k);
  const ki = turn(planes, k, i);
  const a = ij >= jk && ij >= ki ? i : jk >= ki ? j : k;
  meet(planes, a, a === i ? j : a === j ? k : i, sought, out);
}

/** The sine of the angle between the normals of two edges, whichever way it turns. */
function turn({ normalX, normalY }: HalfPlanes, a: number, b: number): number {
  return Math.abs((normalX[a] ?? 0) * (normalY[b] ?? 0) - (normalY[a] ?? 0) * (normalX[b] ?? 0));
}

/** Sets `out` to where two edges cross. */
function meet({ normalX, normalY, room, gain }: HalfPlanes, a: number, b: number, { t }: Search, out: Point): void {
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
function nearest(planes: HalfPlanes, sought: Search, out: Point): boolean {
  const { x, y, slack, t } = sought;
  const { count, normalX, normalY, room, gain } = planes;
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
    if (low > 0) meet(planes, i, lowBy, sought, out);
    else if (high < 0) meet(planes, i, highBy, sought, out);
    else {
      out.x = footX;
      out.y = footY;
    }
  }
  return true;
}

/** Sets `needed` to the least t at which edges that exclude each other no longer do. */
function slackNeeded(
  { normalX, normalY, room, gain }: HalfPlanes,
  i: number,
  j: number,
  k: number,
  sought: Search,
): void {
  const xi = normalX[i] ?? 0;
  const yi = normalY[i] ?? 0;
  const xj = normalX[j] ?? 0;
  const yj = normalY[j] ?? 0;
  const xk = k < 0 ? 0 : (normalX[k] ?? 0);
  const yk = k < 0 ? 0 : (normalY[k] ?? 0);
  // λi·ni + λj·nj + λk·nk = 0, all of one sign
  const li = k < 0 ? 1 : Math.abs(xj * yk - yj * xk);
  const lj = k < 0 ? 1 : Math.abs(xk * yi - yk * xi);
  const lk = k < 0 ? 0 : Math.abs(xi * yj - yi * xj);
  const rooms = li * (room[i] ?? 0) + lj * (room[j] ?? 0) + (k < 0 ? 0 : lk * (room[k] ?? 0));
  const gains = li * (gain[i] ?? 0) + lj * (gain[j] ?? 0) + (k < 0 ? 0 : lk * (gain[k] ?? 0));
  // Written in branches: an engine boxes a number that is chosen between two.
  if (gains > 0) sought.needed = -rooms / gains;
  // Edges that do not give way exclude each other by rounding alone.
  else if (gains === 0) sought.needed = sought.t;
  else sought.needed = Infinity;
}
