/** The only zooms there are, where the settings name them. */
import { clamp } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import type { Projection, Screen } from '../view/index.ts';

/** A stop this close to an end of the zoom range, as a share of it, is inside. */
const SLACK = 2e-9;

/** `zoom.stops`, in an order in which their spans grow. */
export class ZoomStops {
  readonly #stops: Float64Array;
  readonly #unit: FullSettings['zoom']['stopUnit'];
  readonly #density: number;
  /** From the top to the bottom of the safe frame: pixels, or where stops are spans, screens. */
  #height = NaN;

  /** @param stops at least one */
  constructor(stops: readonly number[], unit: FullSettings['zoom']['stopUnit'], { density = 1 }: Screen) {
    this.#stops = Float64Array.from(stops).sort();
    if (unit !== 'span') this.#stops.reverse();
    this.#unit = unit;
    this.#density = density;
  }

  /** Stops in pixels keep their scale when the frame changes its size; spans do not. */
  get areScales(): boolean {
    return this.#unit !== 'span';
  }

  /** Returns whether every stop is from `min` to `max`. */
  areInside(projection: Projection, min: number, max: number): boolean {
    this.#measure(projection);
    return this.#firstFrom(min * (1 - SLACK)) === 0 && this.#firstFrom(max * (1 + SLACK)) === this.#stops.length;
  }

  /** The stop nearest to a span, by ratio, of those from `min` to `max`; NaN when there is none. */
  nearestTo(projection: Projection, span: number, min: number, max: number): number {
    this.#measure(projection);
    const first = this.#firstFrom(min * (1 - SLACK));
    const last = this.#firstFrom(max * (1 + SLACK)) - 1;
    if (first > last) return NaN;
    const above = clamp(this.#firstFrom(span), first, last);
    const below = Math.max(first, above - 1);
    const isBelow = span * span <= this.#spanOf(below) * this.#spanOf(above);
    return clamp(this.#spanOf(isBelow ? below : above), min, max);
  }

  /** The stop so many on from a span (below 0: nearer), no farther than the last from `min` to `max`; NaN for none. */
  beyond(projection: Projection, span: number, count: number, min: number, max: number): number {
    this.#measure(projection);
    const first = this.#firstFrom(min * (1 - SLACK));
    const last = this.#firstFrom(max * (1 + SLACK)) - 1;
    const next = count > 0 ? this.#firstFrom(span * (1 + SLACK)) : this.#firstFrom(span * (1 - SLACK)) - 1;
    if (first > last || (count > 0 ? next > last : next < first)) return NaN;
    return clamp(this.#spanOf(clamp(next + count - Math.sign(count), first, last)), min, max);
  }

  #measure({ frameHeight, height }: Projection): void {
    if (this.#unit === 'span') this.#height = frameHeight / height;
    else this.#height = frameHeight * (this.#unit === 'device-pixels-per-unit' ? this.#density : 1);
  }

  #spanOf(index: number): number {
    const stop = this.#stops[index] ?? NaN;
    return this.#unit === 'span' ? stop * this.#height : this.#height / stop;
  }

  /** The index of the first stop whose span is at least this. */
  #firstFrom(span: number): number {
    let low = 0;
    let high = this.#stops.length;
    while (low < high) {
      const middle = (low + high) >>> 1;
      if (this.#spanOf(middle) < span) low = middle + 1;
      else high = middle;
    }
    return low;
  }
}
