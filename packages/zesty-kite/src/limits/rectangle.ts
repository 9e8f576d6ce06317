/** A rectangle along the world's axes. */
import { clamp } from '../math/index.ts';
import type { Point } from '../view/index.ts';
import type { Extent, Outline, Shape } from './shape.ts';

export class Rectangle implements Shape {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  readonly radius = Infinity;
  readonly slides = false;
  readonly hint = null;

  constructor(left: number, top: number, right: number, bottom: number) {
    this.left = left;
    this.top = top;
    this.right = right;
    this.bottom = bottom;
  }

  get extent(): Extent {
    const { left, top, right, bottom } = this;
    return { x: (left + right) / 2, y: (top + bottom) / 2, wide: right - left, high: bottom - top };
  }

  get innerRadius(): number {
    return Math.min(this.right - this.left, this.bottom - this.top) / 2;
  }

  keep(
    outline: Outline,
    span: number,
    margin: number,
    { x, y }: Readonly<Point>,
    _: Readonly<Point>,
    out: Point,
  ): void {
    const { left, top, right, bottom } = outline.reach;
    out.x = nearest(x, this.left, this.right, margin, span * left, span * right);
    out.y = nearest(y, this.top, this.bottom, margin, span * top, span * bottom);
  }

  maxSpan(outline: Outline, margin: number, screenMargin: number, max: number): number {
    const { left, top, right, bottom } = outline.reach;
    const wide = right - left - 2 * screenMargin;
    const high = bottom - top - 2 * screenMargin;
    const across = wide > 0 ? (this.right - this.left + 2 * margin) / wide : max;
    const down = high > 0 ? (this.bottom - this.top + 2 * margin) / high : max;
    return Math.max(0, Math.min(across, down, max));
  }

  maxSpanAt(outline: Outline, x: number, y: number, margin: number, screenMargin: number): number {
    const { left, top, right, bottom } = outline.reach;
    return Math.min(
      until(this.right + margin - x, right - screenMargin),
      until(x - this.left + margin, -left - screenMargin),
      until(this.bottom + margin - y, bottom - screenMargin),
      until(y - this.top + margin, -top - screenMargin),
    );
  }
}

/** The coordinate nearest to one that keeps an interval around it inside; if the interval is larger, midway, with the coordinate inside. */
function nearest(at: number, from: number, to: number, margin: number, back: number, ahead: number): number {
  const least = from - margin - back;
  const most = to + margin - ahead;
  if (least < most) return Math.min(Math.max(at, least), most);
  const focusMargin = Math.max(0, margin);
  return clamp((least + most) / 2, from - focusMargin, to + focusMargin);
}

/** How often a reach fits into a distance. */
function until(distance: number, reach: number): number {
  return reach > 0 ? Math.max(0, distance / reach) : Infinity;
}
