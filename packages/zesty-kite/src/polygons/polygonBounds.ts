/** Keeping the focus inside any polygon, holes and islands included, by sliding along its edges. */
import { norm } from '../math/index.ts';
import type { Extent, Outline, Shape } from '../limits/index.ts';
import { ScratchPoint, type Point } from '../view/index.ts';
import { Edges } from './edges.ts';

/** The most edges along which one move slides. */
const MAX_SLIDES = 64;
/** A point nearer to a tip than this stands at it, in skins. */
const NEAR_TIP = 16;
/** The index of the x of each end of an edge, and of the other end. */
const ENDS = [
  [0, 2],
  [2, 0],
] as const;

export class PolygonBounds implements Shape {
  readonly radius = Infinity;
  readonly slides = true;
  readonly innerRadius = 0;
  readonly hint = null;
  readonly #edges: Edges;
  readonly #at = new ScratchPoint();
  readonly #next = new ScratchPoint();

  /** @param ends two ends an edge; inside is what an odd number of edges lies to the left of */
  constructor(ends: Float64Array) {
    this.#edges = new Edges(ends);
  }

  /** The middle of the extent, and how far it goes down. */
  get extent(): Extent {
    return this.#edges.extent;
  }

  maxSpan(outline: Outline, margin: number, screenMargin: number, max: number): number {
    return max;
  }

  maxSpanAt(): number {
    return Infinity;
  }

  excessAt(x: number, y: number): number {
    return this.#edges.isInside(x, y) ? 0 : this.#edges.nearest(x, y, this.#next);
  }

  /**
   * Moves from one point inside toward another point, sliding along what is in the way, until it is
   * as near as it gets.
   *
   * @param from NaN if there is no start: then the nearest point inside is taken
   * @param out may be `to`
   */
  keep(_: Outline, span: number, margin: number, to: Readonly<Point>, from: Readonly<Point>, out: Point): void {
    if (!(from.x === from.x)) {
      this.#bringIn(to.x, to.y, out);
      return;
    }
    const at = this.#at;
    const edges = this.#edges;
    at.x = from.x;
    at.y = from.y;
    let isRound = false;
    for (let i = 0; i < MAX_SLIDES; i++) {
      edges.cast(at, to);
      const first = edges.met;
      if (first < 0) {
        // To the bit: whoever compares sees that nothing was in the way.
        at.x = to.x;
        at.y = to.y;
        break;
      }
      at.x += (to.x - at.x) * edges.share;
      at.y += (to.y - at.y) * edges.share;
      if (!this.#along(first, to)) {
        const second = edges.met;
        if (second < 0 || second === first || !this.#along(second, to)) {
          // Right at the tip of a corner that juts in each edge keeps it from going along the other.
          if (isRound || second < 0 || !this.#roundTip(first, second)) break;
          isRound = true;
        }
      }
      if (Math.abs(to.x - at.x) + Math.abs(to.y - at.y) < edges.clearance) break;
    }
    out.x = at.x;
    out.y = at.y;
  }

  /** Goes along an edge toward the target, as far as the way is free; false for as good as nowhere. */
  #along(edge: number, to: Readonly<Point>): boolean {
    const at = this.#at;
    const next = this.#next;
    const edges = this.#edges;
    const { clearance } = edges;
    const x1 = edges.end(edge, 0);
    const y1 = edges.end(edge, 1);
    const runX = edges.end(edge, 2) - x1;
    const runY = edges.end(edge, 3) - y1;
    const length = norm(runX, runY);
    const alongX = runX / length;
    const alongY = runY / length;
    const here = (at.x - x1) * alongX + (at.y - y1) * alongY;
    const wanted = (to.x - at.x) * alongX + (to.y - at.y) * alongY;
    // Beyond the end of the edge the way may be free again.
    const past = 2 * clearance;
    const step =
      wanted > 0 ? Math.min(wanted, Math.max(0, length + past - here)) : Math.max(wanted, Math.min(0, -past - here));
    edges.met = -1;
    if (Math.abs(step) < clearance / 4) return false;
    next.x = at.x + alongX * step;
    next.y = at.y + alongY * step;
    edges.cast(at, next);
    if (edges.share * Math.abs(step) < clearance / 4) return false;
    at.x += alongX * step * edges.share;
    at.y += alongY * step * edges.share;
    return true;
  }

  /** Steps away from the tip that two edges share, if it juts into the area. */
  #roundTip(first: number, second: number): boolean {
    const at = this.#at;
    const next = this.#next;
    const edges = this.#edges;
    for (const [tip, end] of ENDS) {
      for (const [otherTip, otherEnd] of ENDS) {
        const x = edges.end(first, tip);
        const y = edges.end(first, tip + 1);
        if (x !== edges.end(second, otherTip) || y !== edges.end(second, otherTip + 1)) continue;
        if (Math.abs(x - at.x) + Math.abs(y - at.y) > NEAR_TIP * edges.clearance) continue;
        // Away from the middle between both edges.
        const runX = edges.end(first, end) - x;
        const runY = edges.end(first, end + 1) - y;
        const otherX = edges.end(second, otherEnd) - x;
        const otherY = edges.end(second, otherEnd + 1) - y;
        const run = norm(runX, runY);
        const other = norm(otherX, otherY);
        const awayX = -runX / run - otherX / other;
        const awayY = -runY / run - otherY / other;
        const away = norm(awayX, awayY);
        next.x = x + (awayX / away) * NEAR_TIP * 0.5 * edges.clearance;
        next.y = y + (awayY / away) * NEAR_TIP * 0.5 * edges.clearance;
        if (!edges.isInside(next.x, next.y)) return false;
        at.x = next.x;
        at.y = next.y;
        return true;
      }
    }
    return false;
  }

  /** The point itself where it is inside, or next to the nearest edge, on its inner side: a point that was brought in stays where it is. */
  #bringIn(x: number, y: number, out: Point): void {
    const edges = this.#edges;
    const next = this.#next;
    out.x = x;
    out.y = y;
    if (this.#isClear(x, y)) return;
    edges.nearest(x, y, next);
    // On either side of that edge, and along it away from a corner that may be too narrow to stand in.
    const { met, clearance } = edges;
    const { x: edgeX, y: edgeY } = next;
    const runX = edges.end(met, 2) - edges.end(met, 0);
    const runY = edges.end(met, 3) - edges.end(met, 1);
    const length = norm(runX, runY);
    const alongX = runX / length;
    const alongY = runY / length;
    for (let along = 0; along < length; along = along * 2 + 2 * clearance) {
      for (const way of [along, -along]) {
        for (const side of [2 * clearance, -2 * clearance]) {
          const atX = edgeX + alongX * way - alongY * side;
          const atY = edgeY + alongY * way + alongX * side;
          if (!edges.isInside(atX, atY)) continue;
          out.x = atX;
          out.y = atY;
          if (this.#isClear(atX, atY)) return;
        }
      }
    }
  }

  /** Whether a point is inside, and no edge is near. */
  #isClear(x: number, y: number): boolean {
    const edges = this.#edges;
    const { clearance } = edges;
    return edges.isInside(x, y) && edges.nearest(x, y, this.#next, 2 * clearance) > clearance;
  }
}
