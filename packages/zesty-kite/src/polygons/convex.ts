/**
 * Keeping a convex shape of ground, seen around the focus, inside a convex polygon.
 *
 * Few edges of a polygon matter to one answer. So the answer is found for those alone that are known to
 * matter, and the edge that it is over the farthest joins them, until there is none (J. E. Kelley's cutting
 * planes, Journal of the SIAM 8, 1960). Whole groups of neighbouring edges are ruled out at once.
 */
import { norm } from '../math/index.ts';
import type { Hint, Outline, Shape } from '../limits/index.ts';
import type { Point } from '../view/index.ts';
import { ConvexEdges } from './convexEdges.ts';
import { fitInConvex } from './fitInConvex.ts';
import { keepInConvex } from './keepInConvex.ts';

export class Convex extends ConvexEdges implements Shape {
  readonly radius = Infinity;
  readonly slides = false;

  keep(outline: Outline, span: number, margin: number, desired: Readonly<Point>, _: Readonly<Point>, out: Point): void {
    // A point with room all around is its own answer.
    const east = desired.x - this.inner.x;
    const south = desired.y - this.inner.y;
    const room = this.innerRadius - norm(east, south);
    if (outline.isWithin((room + margin) / span)) {
      out.x = desired.x;
      out.y = desired.y;
    } else keepInConvex(this, outline.corners, span, margin, desired, out);
  }

  maxSpan(
    { corners }: Outline,
    margin: number,
    screenMargin: number,
    max: number,
    hint: Readonly<Hint> | null,
  ): number {
    return fitInConvex(this, corners, margin, screenMargin, max, hint);
  }

  maxSpanAt({ corners }: Outline, x: number, y: number, margin: number, screenMargin: number): number {
    const { normalX, normalY, edge } = this;
    let span = Infinity;
    for (let i = 0; i < edge.length; i++) {
      const nx = normalX[i] ?? 0;
      const ny = normalY[i] ?? 0;
      const room = Math.max(0, (edge[i] ?? 0) + margin - nx * x - ny * y);
      for (let k = 0; k < 8; k += 2) {
        const reach = nx * (corners[k] ?? 0) + ny * (corners[k + 1] ?? 0) - screenMargin;
        if (reach > 0) span = Math.min(span, room / reach);
      }
    }
    return span;
  }
}
