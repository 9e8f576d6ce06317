/** Keeping a convex shape of ground, seen around the focus, inside a circle. */
import type { Point } from '../view/index.ts';

/**
 * The point nearest to (x, y) from which all four corners stay within `radius` of the centre; where
 * there is none, the one from which they reach out the least.
 *
 * A corner stays inside when the focus stays in a disc of the same radius, moved by the corner: the
 * nearest point of four discs is the nearest of one that the others hold too, or lies where two of
 * their circles cross.
 *
 * @param corners x and y by turns, in spans from the focus
 */
export function keepInDisc(
  centreX: number,
  centreY: number,
  radius: number,
  corners: Float64Array,
  span: number,
  x: number,
  y: number,
  out: Point,
): void {
  const fine = 1e-14 * (Math.abs(centreX) + Math.abs(centreY) + radius + span);
  if (holds(centreX, centreY, radius + fine, corners, span, x, y)) {
    out.x = x;
    out.y = y;
    return;
  }
  // Where circles cross is known less finely than a point of one of them.
  const coarse = fine + span * 1e-9;
  best.away = Infinity;
  for (let k = 0; k < 8; k += 2) {
    const discX = centreX - span * (corners[k] ?? 0);
    const discY = centreY - span * (corners[k + 1] ?? 0);
    const away = length(x - discX, y - discY);
    if (away > 0) {
      tried.x = discX + ((x - discX) * radius) / away;
      tried.y = discY + ((y - discY) * radius) / away;
      offer(x, y, holds(centreX, centreY, radius + fine, corners, span, tried.x, tried.y));
    }
    for (let j = 0; j < k; j += 2) {
      const stepX = centreX - span * (corners[j] ?? 0) - discX;
      const stepY = centreY - span * (corners[j + 1] ?? 0) - discY;
      const half = length(stepX, stepY) / 2;
      const high = radius * radius - half * half;
      if (!(half > 0) || high < 0) continue;
      const turn = Math.sqrt(high) / (2 * half);
      for (let side = -1; side <= 1; side += 2) {
        tried.x = discX + stepX / 2 - side * stepY * turn;
        tried.y = discY + stepY / 2 + side * stepX * turn;
        offer(x, y, holds(centreX, centreY, radius + coarse, corners, span, tried.x, tried.y));
      }
    }
  }
  if (best.away < Infinity) {
    out.x = best.x;
    out.y = best.y;
    return;
  }
  encircle(corners);
  out.x = centreX - span * circle.x;
  out.y = centreY - span * circle.y;
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

/** Keeps what was tried where it is possible, and nearer to (x, y) than what was best before. */
function offer(x: number, y: number, possible: boolean): void {
  tried.away = (tried.x - x) * (tried.x - x) + (tried.y - y) * (tried.y - y);
  if (!possible || !(tried.away < best.away)) return;
  best.x = tried.x;
  best.y = tried.y;
  best.away = tried.away;
}

/** The radius of the smallest circle round the corners, in spans. */
export function radiusOf(corners: Float64Array): number {
  encircle(corners);
  return circle.radius;
}

function holds(
  centreX: number,
  centreY: number,
  radius: number,
  corners: Float64Array,
  span: number,
  x: number,
  y: number,
): boolean {
  for (let k = 0; k < 8; k += 2) {
    const offX = x + span * (corners[k] ?? 0) - centreX;
    const offY = y + span * (corners[k + 1] ?? 0) - centreY;
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
