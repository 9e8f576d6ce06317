/** Tries one span after the other for the nearest from which everything shows. */
import { clamp, exp2, log2 } from '../math/index.ts';
import { raiseEye, type Motion } from '../motion/index.ts';
import type { Insets, Projection } from '../view/index.ts';
import type { Framed, FrameOptions } from './framing.ts';
import { risingRoot, Sides } from './sides.ts';
import { resolvePlacement } from './resolvePlacement.ts';
import type { Outline } from './things.ts';

/** Values that differ by less are the same, as a share. */
export const SAME = 1e-9;
/** Of the zoom range, looked through for the nearest span that will do. */
const PARTS = 192;

/** A look that is tried on one span after the other. */
export class Solver {
  readonly min: number;
  readonly max: number;
  readonly #there: Motion;
  readonly #projection: Projection;
  readonly #kept: Motion;
  readonly #options: FrameOptions;
  readonly #sides: Sides;
  readonly #outline: Outline;
  /** @param there scratch */
  constructor(outline: Outline, kept: Motion, there: Motion, options: FrameOptions, grown: number) {
    this.#kept = kept;
    this.#outline = outline;
    this.#there = there;
    this.#projection = there.projection;
    this.#options = options;
    this.#sides = new Sides(there.projection, outline, grown);
    const { heading } = options;
    resolvePlacement(there, kept, heading === undefined ? {} : { heading });
    this.min = there.zooming.min;
    this.max = there.zooming.max;
    this.#sides.pad(options.padding ?? 0);
  }

  /** The nearest zoom at which everything shows without stops and bounds; the farthest if there is none. */
  get tight(): number {
    const { min, max } = this;
    const { followsZoom, switches, terrain } = this.#kept.constraints;
    let low = min;
    let needed = this.needs(low);
    // Unless pitch, lens or ground change with it, what is needed is the same at every span.
    if (!followsZoom && terrain === null) return clamp(needed * (1 + SAME), min, max);
    const room = (span: number): number => span - (needed = this.needs(span));
    while (needed > low && low < max) {
      // Half of the way to what is needed here, unless a switch may flip there.
      const far = Math.min(Math.max(switches ? 0 : Math.sqrt(low * needed), low * this.#stepFrom(min)), max);
      const found = risingRoot(room, low, far, SAME * low);
      if (found < far) return found * (1 + SAME);
      low = far;
    }
    return low;
  }

  /** The least span from one on that will do: looked for in steps, then halved. Null for none. */
  nearest(willDo: (span: number) => boolean, from: number): number | null {
    const { max } = this;
    const step = this.#stepFrom(from);
    let low = from;
    for (let high = from; ; high = Math.min(high * step, max)) {
      if (willDo(high)) return halve(willDo, low, high);
      if (high === max) return null;
      low = high;
    }
  }

  /** A ratio above 1, however near the farthest zoom is. */
  #stepFrom(span: number): number {
    return exp2(log2(this.max / span) / PARTS) + SAME;
  }

  /** The span at which everything would show as the camera looks at another; the focus is set for that other. */
  needs(span: number): number {
    this.#lookFrom(span);
    const { x, y } = this.#outline.anchor;
    if (this.#kept.constraints.terrain !== null) this.#standOn(x, y);
    let needed = this.#sides.measure(span, this.#there.focus.height);
    // Heights count from the focus, and its height is that of the ground where it comes to be.
    for (let round = 0; round < 30 && this.#kept.constraints.terrain !== null; round++) {
      const before = this.#there.focus.height;
      this.#standOn(this.#sides.x, this.#sides.y);
      if (Math.abs(this.#there.focus.height - before) < 1e-9 * span) break;
      needed = this.#sides.measure(span, this.#there.focus.height);
    }
    return needed;
  }

  /** Sets the height of the focus: that of the ground, and more if the eye has to be lifted. */
  #standOn(x: number, y: number): void {
    const there = this.#there;
    there.focus.x = x;
    there.focus.y = y;
    there.level.height = there.groundLevel;
    raiseEye(there);
  }

  /** Turns the look to what the camera would have at a span. */
  #lookFrom(span: number): void {
    const { zoom, tilt, lens } = this.#there;
    const { pitch } = this.#options;
    zoom.eased = zoom.shown = span;
    tilt.isFar = this.#kept.tilt.isFar;
    lens.isFar = this.#kept.lens.isFar;
    this.#there.flipSwitches();
    this.#there.arriveAt(span);
    if (pitch === undefined) return;
    tilt.arriveAt(this.#there.insidePitch(pitch));
    this.#projection.turn(this.#there);
  }

  /** The nearest stop from a span on at which everything shows, or the farthest. */
  stopFrom(span: number): number {
    const { stops } = this.#kept.constraints;
    const { min, max } = this;
    let stop = span / (1 + SAME);
    for (;;) {
      const next = stops?.beyond(this.#projection, stop, 1, min, max) ?? NaN;
      if (next !== next) return stop < span ? (stops?.beyond(this.#projection, span, -1, min, max) ?? span) : stop;
      stop = next;
      if (this.needs(stop) <= stop * (1 + SAME)) return stop;
    }
  }

  /** Goes to a span as a placing would. Says whether everything shows from there. */
  goTo(span: number): boolean {
    this.needs(span);
    const { x, y } = this.#sides;
    const { heading, pitch } = this.#options;
    const to = { x, y, span, ...(heading === undefined ? {} : { heading }), ...(pitch === undefined ? {} : { pitch }) };
    resolvePlacement(this.#there, this.#kept, to);
    this.#projection.turn(this.#there);
    raiseEye(this.#there);
    const off = Math.abs(this.#there.x - x) + Math.abs(this.#there.y - y);
    this.isKeptAway = off > SAME * span || Math.abs(this.#there.span / span - 1) > SAME;
    return this.shows();
  }

  /** The bounds do not let the camera go where it went last. */
  isKeptAway = false;

  /** Returns whether everything shows from where it is. */
  shows(): boolean {
    return this.#sides.show(this.#there);
  }

  pad(padding: number | Insets): void {
    this.#sides.pad(padding);
  }

  get destination(): Framed {
    const { x, y, span } = this.#there;
    const { heading, pitch } = this.#options;
    return { x, y, span, ...(heading === undefined ? {} : { heading }), ...(pitch === undefined ? {} : { pitch }) };
  }
}

/** Halves an interval whose far end will do, until its ends are the same within rounding. */
function halve(willDo: (span: number) => boolean, low: number, high: number): number {
  while (high - low > SAME * high) {
    const middle = (low + high) / 2;
    if (willDo(middle)) high = middle;
    else low = middle;
  }
  return high;
}
