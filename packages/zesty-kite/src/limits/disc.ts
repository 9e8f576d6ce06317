/** A circle. */
import type { Point } from '../view/index.ts';
import { DiscSearch } from './discSearch.ts';
import type { Extent, Outline, Shape } from './shape.ts';

export class Disc implements Shape {
  readonly x: number;
  readonly y: number;
  readonly radius: number;
  readonly slides = false;
  readonly hint = null;
  readonly #search = new DiscSearch();

  constructor(x: number, y: number, radius: number) {
    this.x = x;
    this.y = y;
    this.radius = radius;
  }

  get extent(): Extent {
    return { x: this.x, y: this.y, wide: 2 * this.radius, high: 2 * this.radius };
  }

  get innerRadius(): number {
    return this.radius;
  }

  keep(outline: Outline, span: number, margin: number, desired: Readonly<Point>, _: Readonly<Point>, out: Point): void {
    const search = this.#search;
    search.discX = this.x;
    search.discY = this.y;
    search.radius = Math.max(0, this.radius + margin);
    search.corners = outline.corners;
    search.span = span;
    if (search.nearest(desired.x, desired.y)) {
      out.x = search.best.x;
      out.y = search.best.y;
      return;
    }
    search.leastReach(this.radius + Math.max(0, margin));
    out.x = this.x + search.best.x;
    out.y = this.y + search.best.y;
  }

  maxSpan({ corners }: Outline, margin: number, screenMargin: number, max: number): number {
    const radius = this.#search.encircle(corners).radius - screenMargin;
    return radius > 0 ? Math.max(0, Math.min((this.radius + margin) / radius, max)) : max;
  }

  maxSpanAt({ corners }: Outline, x: number, y: number, margin: number, screenMargin: number): number {
    const radius = this.radius + margin;
    const awayX = x - this.x;
    const awayY = y - this.y;
    const inside = radius * radius - awayX * awayX - awayY * awayY;
    if (!(inside > 0)) return 0;
    let span = Infinity;
    for (let k = 0; k < 8; k += 2) {
      // |away + span · corner| = radius + screenMargin · span
      const cornerX = corners[k] ?? 0;
      const cornerY = corners[k + 1] ?? 0;
      const a = cornerX * cornerX + cornerY * cornerY - screenMargin * screenMargin;
      const half = awayX * cornerX + awayY * cornerY - radius * screenMargin;
      if (a > 0) span = Math.min(span, (Math.sqrt(half * half + a * inside) - half) / a);
    }
    return span;
  }
}
