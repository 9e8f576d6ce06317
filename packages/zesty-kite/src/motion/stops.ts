/** The only zooms there are, and the only headings, where the settings name them. */
import { clamp } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import type { Look, Screen } from '../view/index.ts';
import type { Rules } from './rules.ts';

/** A stop this close to an end of the zoom range, as a share of it, is inside. */
const SLACK = 2e-9;

/** `zoom.stops`, in an order in which their spans grow. */
export class ZoomStops {
  readonly #stops: Float64Array;
  readonly #unit: FullSettings['zoom']['stopsIn'];
  readonly #density: number;
  /** Pixels from the top to the bottom of the safe frame; 0 where stops are spans. */
  #pixels = 0;

  /** @param stops at least one */
  constructor(stops: readonly number[], unit: FullSettings['zoom']['stopsIn'], { density = 1 }: Screen) {
    this.#stops = Float64Array.from(stops).sort();
    if (unit !== 'span') this.#stops.reverse();
    this.#unit = unit;
    this.#density = density;
  }

  /** Stops in pixels keep their scale when the frame changes its size; spans do not. */
  get areScales(): boolean {
    return this.#unit !== 'span';
  }

  /** The stop nearest to a span, by ratio, of those from `least` to `most`; NaN when there is none. */
  nearest(look: Look, span: number, least: number, most: number): number {
    this.#measure(look);
    const first = this.#firstFrom(least * (1 - SLACK));
    const last = this.#firstFrom(most * (1 + SLACK)) - 1;
    if (first > last) return NaN;
    const above = clamp(this.#firstFrom(span), first, last);
    const below = Math.max(first, above - 1);
    const isBelow = span * span <= this.#spanOf(below) * this.#spanOf(above);
    return clamp(this.#spanOf(isBelow ? below : above), least, most);
  }

  /** The stop so many on from a span (below 0: nearer), no farther than the last from `least` to `most`; NaN for none. */
  beyond(look: Look, span: number, count: number, least: number, most: number): number {
    this.#measure(look);
    const first = this.#firstFrom(least * (1 - SLACK));
    const last = this.#firstFrom(most * (1 + SLACK)) - 1;
    const next = count > 0 ? this.#firstFrom(span * (1 + SLACK)) : this.#firstFrom(span * (1 - SLACK)) - 1;
    if (first > last || (count > 0 ? next > last : next < first)) return NaN;
    return clamp(this.#spanOf(clamp(next + count - Math.sign(count), first, last)), least, most);
  }

  #measure({ frameHeight }: Look): void {
    if (this.#unit !== 'span') this.#pixels = frameHeight * (this.#unit === 'device-pixels' ? this.#density : 1);
  }

  #spanOf(index: number): number {
    const stop = this.#stops[index] ?? NaN;
    return this.#unit === 'span' ? stop : this.#pixels / stop;
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

/** The heading nearest to one that the settings let the camera rest at. */
export function restingHeading({ settings: { turn } }: Rules, heading: number): number {
  const least = turn.least ?? -Infinity;
  const most = turn.most ?? Infinity;
  if (turn.stops === null) return clamp(heading, least, most);
  const { step, offset } = turn.stops;
  const first = Math.ceil((least - offset) / step - SLACK);
  const last = Math.floor((most - offset) / step + SLACK);
  if (first > last) return clamp(heading, least, most);
  return clamp(offset + step * clamp(Math.round((heading - offset) / step), first, last), least, most);
}
