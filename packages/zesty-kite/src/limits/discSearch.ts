/** The nearest focus from which four corners around it stay inside a circle. */
import { norm } from '../math/index.ts';
import type { Point } from '../view/index.ts';

/** The search for a focus, with a circle of ground and four corners around the focus. */
export class DiscSearch {
  discX = NaN;
  discY = NaN;
  /** World units, margin included. */
  radius = NaN;
  corners: Float64Array = new Float64Array(8);
  span = NaN;
  /** The last answer. */
  readonly best = new Candidate();
  readonly #tried = new Candidate();
  readonly #wanted = new Candidate();
  readonly #circle = new Circle();

  /**
   * Sets `best` to the point nearest to one from which all four corners stay within the circle.
   *
   * A corner stays inside when the focus stays in a disc of the same radius, moved by the corner: the
   * nearest point of four discs is the nearest of one that the others hold too, or lies where two of
   * their circles cross.
   *
   * @returns whether there is one
   */
  nearest(x: number, y: number): boolean {
    const { discX: middleX, discY: middleY, radius, corners, span, best } = this;
    const tried = this.#tried;
    const wanted = this.#wanted;
    wanted.x = x;
    wanted.y = y;
    best.away = this.#holds(wanted) ? 0 : Infinity;
    const fine = 1e-14 * (Math.abs(middleX) + Math.abs(middleY) + radius + span);
    // The crossing of two circles is known less finely than a point of one of them.
    const coarse = fine + span * 1e-9;
    for (let k = 0; k < 8 && best.away > 0; k += 2) {
      const cornerX = corners[k] ?? 0;
      const cornerY = corners[k + 1] ?? 0;
      const discX = middleX - span * cornerX;
      const discY = middleY - span * cornerY;
      const away = norm(x - discX, y - discY);
      if (away > 0) {
        tried.x = discX + ((x - discX) * radius) / away;
        tried.y = discY + ((y - discY) * radius) / away;
        this.#offer(0, cornerX, cornerY);
      }
      for (let j = 0; j < k; j += 2) {
        const stepX = middleX - span * (corners[j] ?? 0) - discX;
        const stepY = middleY - span * (corners[j + 1] ?? 0) - discY;
        const half = norm(stepX, stepY) / 2;
        // Circles that only just meet have one point in common.
        if (!(half > 0) || half > radius + fine) continue;
        const turn = Math.sqrt(Math.max(0, radius * radius - half * half)) / (2 * half);
        for (let side = -1; side <= 1; side += 2) {
          tried.x = discX + stepX / 2 - side * stepY * turn;
          tried.y = discY + stepY / 2 + side * stepX * turn;
          this.#offer(coarse);
        }
      }
    }
    // A focus at an edge stays there. A slack of the discs would reach far between two that hardly overlap.
    if (best.away <= fine * fine) {
      best.x = x;
      best.y = y;
    }
    return best.away < Infinity;
  }

  /** Keeps the point that was tried if it will do and is nearer than the best before. @param onX the corner of the disc on whose rim it is */
  #offer(slack: number, onX = NaN, onY = NaN): void {
    const { best } = this;
    const tried = this.#tried;
    const wanted = this.#wanted;
    tried.away = (tried.x - wanted.x) * (tried.x - wanted.x) + (tried.y - wanted.y) * (tried.y - wanted.y);
    if (!(tried.away < best.away) || !this.#holds(tried, slack, onX, onY)) return;
    best.x = tried.x;
    best.y = tried.y;
    best.away = tried.away;
  }

  #holds({ x, y }: Readonly<Point>, slack = 0, onX = NaN, onY = NaN): boolean {
    const { corners, span } = this;
    const radius = this.radius + slack;
    for (let k = 0; k < 8; k += 2) {
      const cornerX = corners[k] ?? 0;
      const cornerY = corners[k + 1] ?? 0;
      if (cornerX === onX && cornerY === onY) continue;
      const offX = x + span * cornerX - this.discX;
      const offY = y + span * cornerY - this.discY;
      if (offX * offX + offY * offY > radius * radius) return false;
    }
    return true;
  }

  /** Sets `best` to the focus within a radius, counted from the middle, from which the corners reach out the least. */
  leastReach(focusRadius: number): void {
    const { corners, span, best } = this;
    const { x, y } = this.encircle(corners);
    best.x = -span * x;
    best.y = -span * y;
    if (!(best.x * best.x + best.y * best.y > focusRadius * focusRadius)) return;
    // On the rim: the nearest to where a corner is in the middle, or one from which two corners are equally far.
    const tried = this.#tried;
    best.away = Infinity;
    for (let k = 0; k < 8; k += 2) {
      const kx = span * (corners[k] ?? 0);
      const ky = span * (corners[k + 1] ?? 0);
      const far = norm(kx, ky);
      tried.x = (-kx * focusRadius) / far;
      tried.y = (-ky * focusRadius) / far;
      this.#offerRim();
      for (let j = 0; j < k; j += 2) {
        // Equally far: on a line square to the step between them.
        const stepX = kx - span * (corners[j] ?? 0);
        const stepY = ky - span * (corners[j + 1] ?? 0);
        const step = norm(stepX, stepY);
        const jx = kx - stepX;
        const jy = ky - stepY;
        const at = (jx * jx + jy * jy - kx * kx - ky * ky) / (2 * step);
        const aside = focusRadius * focusRadius - at * at;
        if (!(step > 0) || aside < 0) continue;
        const along = Math.sqrt(aside);
        for (let side = -1; side <= 1; side += 2) {
          tried.x = (stepX * at - side * stepY * along) / step;
          tried.y = (stepY * at + side * stepX * along) / step;
          this.#offerRim();
        }
      }
    }
  }

  /** Keeps the point that was tried if its farthest corner is nearer to the middle than that of the best before. */
  #offerRim(): void {
    const { corners, span, best } = this;
    const tried = this.#tried;
    let away = 0;
    for (let k = 0; k < 8; k += 2)
      away = Math.max(away, norm(tried.x + span * (corners[k] ?? 0), tried.y + span * (corners[k + 1] ?? 0)));
    if (!(away < best.away)) return;
    best.x = tried.x;
    best.y = tried.y;
    best.away = away;
  }

  /** Returns the smallest circle around four points, in spans: through two or three of them. */
  encircle(corners: Float64Array): Readonly<Circle> {
    const circle = this.#circle;
    circle.radius = Infinity;
    for (let i = 0; i < 8; i += 2) {
      for (let j = 0; j < i; j += 2) {
        const ix = corners[i] ?? 0;
        const iy = corners[i + 1] ?? 0;
        const jx = corners[j] ?? 0;
        const jy = corners[j + 1] ?? 0;
        this.#tryCircle(corners, (ix + jx) / 2, (iy + jy) / 2, ix, iy);
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
          this.#tryCircle(corners, ix + (by * a - ay * b) / cross, iy + (ax * b - bx * a) / cross, ix, iy);
        }
      }
    }
    // All corners are in one point.
    if (!(circle.radius < Infinity)) circle.x = circle.y = circle.radius = 0;
    return circle;
  }

  #tryCircle(corners: Float64Array, x: number, y: number, onX: number, onY: number): void {
    const circle = this.#circle;
    const radius = norm(onX - x, onY - y);
    if (radius >= circle.radius) return;
    for (let k = 0; k < 8; k += 2)
      if (norm((corners[k] ?? 0) - x, (corners[k + 1] ?? 0) - y) > radius * (1 + 1e-12)) return;
    circle.x = x;
    circle.y = y;
    circle.radius = radius;
  }
}

/** A point that was tried. */
class Candidate {
  x = NaN;
  y = NaN;
  /** The square of its distance. */
  away = NaN;
}

class Circle {
  x = NaN;
  y = NaN;
  radius = NaN;
}
