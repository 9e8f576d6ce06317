/** Keeping a convex shape of ground, seen around the focus, inside a circle. */
import type { Point } from '../view/index.ts';

/** A circle of ground, and four corners round a focus: x and y by turns, in spans. */
export class Disc {
  x = NaN;
  y = NaN;
  /** World units, margins included. */
  radius = NaN;
  corners: Float64Array = new Float64Array(8);
  span = NaN;
  /** What rounding leaves unsure of a distance. */
  slack = NaN;
}

/**
 * The point nearest to `desired` from which all four corners stay within the circle; where
 * there is none, the one from which they reach out the least.
 *
 * A corner stays inside when the focus stays in a disc of the same radius, moved by the corner: the
 * nearest point of four discs is the nearest of one that the others hold too, or lies where two of
 * their circles cross.
 *
 * @param out may be `desired`
 */
export function keepInDisc(disc: Disc, { x, y }: Readonly<Point>, out: Point): void {
  const { radius, corners, span } = disc;
  const fine = 1e-14 * (Math.abs(disc.x) + Math.abs(disc.y) + radius + span);
  // Where circles cross is known less finely than a point of one of them.
  const coarse = fine + span * 1e-9;
  best.away = Infinity;
  tried.x = x;
  tried.y = y;
  disc.slack = fine;
  if (holds(disc, tried)) {
    out.x = x;
    out.y = y;
    return;
  }
  wished.x = x;
  wished.y = y;
  for (let k = 0; k < 8; k += 2) {
    const discX = disc.x - span * (corners[k] ?? 0);
    const discY = disc.y - span * (corners[k + 1] ?? 0);
    const away = Math.sqrt((x - discX) * (x - discX) + (y - discY) * (y - discY));
    if (away > 0) {
      tried.x = discX + ((x - discX) * radius) / away;
      tried.y = discY + ((y - discY) * radius) / away;
      disc.slack = fine;
      offer(disc);
    }
    for (let j = 0; j < k; j += 2) {
      const stepX = disc.x - span * (corners[j] ?? 0) - discX;
      const stepY = disc.y - span * (corners[j + 1] ?? 0) - discY;
      const half = Math.sqrt(stepX * stepX + stepY * stepY) / 2;
      const high = radius * radius - half * half;
      if (!(half > 0) || high < 0) continue;
      const turn = Math.sqrt(high) / (2 * half);
      disc.slack = coarse;
      for (let side = -1; side <= 1; side += 2) {
        tried.x = discX + stepX / 2 - side * stepY * turn;
        tried.y = discY + stepY / 2 + side * stepX * turn;
        offer(disc);
      }
    }
  }
  if (best.away < Infinity) {
    out.x = best.x;
    out.y = best.y;
    return;
  }
  encircle(corners);
  out.x = disc.x - span * circle.x;
  out.y = disc.y - span * circle.y;
}

/** Numbers in the fields of classes are written in place: no frame allocates. */
class Candidate {
  x = NaN;
  y = NaN;
  /** The square of its distance. */
  away = NaN;
}
const tried = new Candidate();
const best = new Candidate();
const wished = new Candidate();

/** Keeps what was tried where it is possible, and nearer to what was wished than the best before. */
function offer(disc: Disc): void {
  tried.away = (tried.x - wished.x) * (tried.x - wished.x) + (tried.y - wished.y) * (tried.y - wished.y);
  if (!(tried.away < best.away) || !holds(disc, tried)) return;
  best.x = tried.x;
  best.y = tried.y;
  best.away = tried.away;
}

/** The radius of the smallest circle round the corners, in spans. */
export function radiusOf(corners: Float64Array): number {
  encircle(corners);
  return circle.radius;
}

function holds(disc: Disc, { x, y }: Readonly<Point>): boolean {
  const { corners, span } = disc;
  const radius = disc.radius + disc.slack;
  for (let k = 0; k < 8; k += 2) {
    const offX = x + span * (corners[k] ?? 0) - disc.x;
    const offY = y + span * (corners[k + 1] ?? 0) - disc.y;
    if (offX * offX + offY * offY > radius * radius) return false;
  }
  return true;
}

class Circle {
  x = NaN;
  y = NaN;
  radius = NaN;
}
const circle = new Circle();

/** The smallest circle round four points: through two or three of them. */
function encircle(corners: Float64Array): void {
  circle.radius = Infinity;
  for (let i = 0; i < 8; i += 2) {
    for (let j = 0; j < i; j += 2) {
      const ix = corners[i] ?? 0;
      const iy = corners[i + 1] ?? 0;
      const jx = corners[j] ?? 0;
      const jy = corners[j + 1] ?? 0;
      tryCircle(corners, (ix + jx) / 2, (iy + jy) / 2, ix, iy);
      for (let k = 0; k < j; k += 2) {
        // The circle through three points: its centre is equally far from all of them.
        const ax = jx - ix;
        const ay = jy - iy;
        const bx = (corners[k] ?? 0) - ix;
        const by = (corners[k + 1] ?? 0) - iy;
        const cross = 2 * (ax * by - ay * bx);
        if (cross === 0) continue;
        const a = ax * ax + ay * ay;
        const b = bx * bx + by * by;
        tryCircle(corners, ix + (by * a - ay * b) / cross, iy + (ax * b - bx * a) / cross, ix, iy);
      }
    }
  }
  if (circle.radius < Infinity) return;
  circle.x = circle.y = circle.radius = 0; // all corners in one point
}

function tryCircle(corners: Float64Array, x: number, y: number, onX: number, onY: number): void {
  const radius = length(onX - x, onY - y);
  if (radius >= circle.radius) return;
  for (let k = 0; k < 8; k += 2)
    if (length((corners[k] ?? 0) - x, (corners[k + 1] ?? 0) - y) > radius * (1 + 1e-12)) return;
  circle.x = x;
  circle.y = y;
  circle.radius = radius;
}

function length(x: number, y: number): number {
  return Math.sqrt(x * x + y * y);
}
