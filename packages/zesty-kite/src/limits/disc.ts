/** Keeping a convex shape of ground, seen around the focus, inside a circle. */
import type { Point } from '../view/index.ts';

/** A circle of ground, and four corners round a focus: x and y by turns, in spans. */
export class Disc {
  x = NaN;
  y = NaN;
  /** World units, margins included: for the corners, and for the focus. */
  radius = NaN;
  focusRadius = NaN;
  corners: Float64Array = new Float64Array(8);
  span = NaN;
  /** What rounding leaves unsure of a distance. */
  slack = NaN;
}

/**
 * The point nearest to `desired` from which all four corners stay within the circle. If there is none, the focus inside
 * the circle from which they reach out the least.
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
  const awayX = span * circle.x;
  const awayY = span * circle.y;
  if (awayX * awayX + awayY * awayY > disc.focusRadius * disc.focusRadius) leastOnRim(disc, best);
  else {
    best.x = -awayX;
    best.y = -awayY;
  }
  out.x = disc.x + best.x;
  out.y = disc.y + best.y;
}

/**
 * Of the foci on the rim, counted from the middle, the one from which the corners reach out the least: the nearest one to
 * where a corner is in the middle, or one from which two corners are equally far.
 */
function leastOnRim({ corners, span, focusRadius }: Disc, out: Candidate): void {
  out.away = Infinity;
  for (let k = 0; k < 8; k += 2) {
    const kx = span * (corners[k] ?? 0);
    const ky = span * (corners[k + 1] ?? 0);
    const far = length(kx, ky);
    tried.x = (-kx * focusRadius) / far;
    tried.y = (-ky * focusRadius) / far;
    offerRim(corners, span, out);
    for (let j = 0; j < k; j += 2) {
      // Equally far: on a line square to the step between them.
      const stepX = kx - span * (corners[j] ?? 0);
      const stepY = ky - span * (corners[j + 1] ?? 0);
      const step = length(stepX, stepY);
      const jx = kx - stepX;
      const jy = ky - stepY;
      const at = (jx * jx + jy * jy - kx * kx - ky * ky) / (2 * step);
      const aside = focusRadius * focusRadius - at * at;
      if (!(step > 0) || aside < 0) continue;
      const along = Math.sqrt(aside);
      for (let side = -1; side <= 1; side += 2) {
        tried.x = (stepX * at - side * stepY * along) / step;
        tried.y = (stepY * at + side * stepX * along) / step;
        offerRim(corners, span, out);
      }
    }
  }
}

/** Keeps what was tried if its farthest corner is nearer to the middle than that of the best before. */
function offerRim(corners: Float64Array, span: number, out: Candidate): void {
  let away = 0;
  for (let k = 0; k < 8; k += 2)
    away = Math.max(away, length(tried.x + span * (corners[k] ?? 0), tried.y + span * (corners[k + 1] ?? 0)));
  if (!(away < out.away)) return;
  out.x = tried.x;
  out.y = tried.y;
  out.away = away;
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
