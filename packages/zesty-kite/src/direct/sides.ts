/**
 * The least span at which things show in the middle of a padded safe frame.
 *
 * With (fr, ft) the focus along the screen's right and toward the viewer, s the span and q the widening of the lens, a
 * point (R, T, z) shows left of the screen line u when R - fr ≤ u (s + q (A + ft cos p)), with A = -T cos p - z sin p:
 * linear in (fr, ft, s), and so are the other sides. Each side needs its outermost point only.
 *
 * Things are in the middle if they reach equally far from it to both sides. So they just touch two lines at the same distance from
 * the middle line, across and down. If they fill the frame, these are its sides, and two linear equations give the span. Else the
 * distance is a root: the nearer the lines, the more the two demands on the focus differ.
 */
import { refuse } from '../messages/index.ts';
import { wholeWithin, type Insets, type Projection, type Pose } from '../view/index.ts';
import type { Outline } from './things.ts';

/** As a share of what differs at the ends. */
const EXACT = 1e-13;
/** A thing that reaches over a side by less counts as shown, in safe-frame heights. */
const SLACK = 3e-7;

export class Sides {
  readonly #projection: Projection;
  readonly #outline: Outline;
  /** The sides of the padded safe frame, in its heights from its middle: right and down. */
  #left = NaN;
  #top = NaN;
  #right = NaN;
  #bottom = NaN;
  /** The focus for the span that was measured last. */
  x = NaN;
  y = NaN;
  #focusHeight = NaN;
  /** World units that each radius grows by: for things on the move. */
  readonly #grown: number;
  constructor(projection: Projection, outline: Outline, grown: number) {
    this.#grown = grown;
    this.#projection = projection;
    this.#outline = outline;
  }

  /** @throws TypeError for a padding that leaves nothing */
  pad(padding: number | Insets): void {
    const { frameWidth, frameHeight } = this.#projection;
    const even = typeof padding === 'number' ? padding : 0;
    const { left, top, right, bottom } =
      typeof padding === 'number' ? { left: even, top: even, right: even, bottom: even } : padding;
    if (!(left + right < frameWidth && top + bottom < frameHeight))
      refuse(
        'frame.options.padding',
        padding,
        `less than the safe frame, ${String(frameWidth)} × ${String(frameHeight)} pixels`,
      );
    this.#left = (left - frameWidth / 2) / frameHeight;
    this.#right = (frameWidth / 2 - right) / frameHeight;
    this.#top = top / frameHeight - 0.5;
    this.#bottom = 0.5 - bottom / frameHeight;
  }

  /** Returns the span at which everything would show, as the camera looks now; sets the focus for it, or for `span` if that is larger. */
  measure(span: number, focusHeight: number): number {
    this.#focusHeight = focusHeight;
    const { sinHeading, cosHeading, invFocal, reachV } = this.#projection;
    const { anchor } = this.#outline;
    const middle = (this.#top + this.#bottom) / 2;
    // Above the line of four spans beyond the focus nothing is framed: the horizon is near.
    const high = Math.min(this.#bottom - middle, middle - reachV);
    let needed = Math.max(this.#spanTimesAway(middle, high) / high, this.#spanAcross(middle, high), 0);
    let tried = Math.max(span, needed);
    let forth = this.#forth(middle, high, tried);
    // Nothing stands nearer to the eye than the near plane.
    const most = wholeWithin(this.#projection);
    const toward = this.#toward();
    for (let round = 0; round < 40; round++) {
      const whole = (toward - forth * this.#projection.cosPitch) / most;
      if (whole <= needed * (1 + 1e-12)) break;
      needed = whole;
      tried = Math.max(span, needed);
      forth = this.#forth(middle, high, tried);
    }
    const aside = this.#aside(tried + invFocal * this.#projection.cosPitch * forth);
    this.x = anchor.x + aside * cosHeading - forth * sinHeading;
    this.y = anchor.y + aside * sinHeading + forth * cosHeading;
    return needed;
  }

  /** The distance of two lines from the middle line, times the span at which things touch both. */
  #spanTimesAway(middle: number, away: number): number {
    const below = this.#down(middle + away, 1) * this.#projection.steepness(middle - away);
    const above = this.#down(middle - away, -1) * this.#projection.steepness(middle + away);
    return (below + above) / (2 * this.#projection.sinPitch);
  }

  /** The span at which things touch both sides, with the focus where they are in the middle between top and bottom. */
  #spanAcross(middle: number, high: number): number {
    const { sinPitch, cosPitch, invFocal } = this.#projection;
    const depth = (this.#across(this.#right, 1) + this.#across(this.#left, -1)) / (this.#right - this.#left);
    // The span at which they touch both sides, and a line so far below the middle line.
    const spanAt = (away: number): number => {
      const line = middle + away;
      return (depth * this.#projection.steepness(line) - invFocal * cosPitch * this.#down(line, 1)) / sinPitch;
    };
    if (invFocal * cosPitch === 0) return depth;
    return spanAt(risingRoot((away) => away * spanAt(away) - this.#spanTimesAway(middle, away), 0, high));
  }

  /** How far toward the viewer the focus is, at a span, if things reach equally far up and down. */
  #forth(middle: number, high: number, span: number): number {
    const away = risingRoot(
      (tried) => this.#forthAbove(middle - tried, span) - this.#forthBelow(middle + tried, span),
      0,
      high,
    );
    return (this.#forthAbove(middle - away, span) + this.#forthBelow(middle + away, span)) / 2;
  }

  /** The focus farthest from the viewer, and nearest to it, at which things show below a line, or above one. */
  #forthAbove(line: number, span: number): number {
    return (-this.#down(line, -1) - line * span) / this.#projection.steepness(line);
  }

  #forthBelow(line: number, span: number): number {
    return (this.#down(line, 1) - line * span) / this.#projection.steepness(line);
  }

  /** How far to the right the focus is, with the depth of the anchor's plane, if things reach equally far to both sides. */
  #aside(depth: number): number {
    const middle = (this.#left + this.#right) / 2;
    const leftOf = (line: number): number => -this.#across(line, -1) - line * depth;
    const rightOf = (line: number): number => this.#across(line, 1) - line * depth;
    const away = risingRoot((tried) => leftOf(middle - tried) - rightOf(middle + tried), 0, this.#right - middle);
    return (leftOf(middle - away) + rightOf(middle + away)) / 2;
  }

  /** How far the things reach toward the eye. */
  #toward(): number {
    const { sinHeading, cosHeading, sinPitch, cosPitch } = this.#projection;
    return this.#reach(-sinHeading * cosPitch, cosHeading * cosPitch, sinPitch);
  }

  /** How far the things reach over the plane through the eye and the screen line x = u: right of it, or left for -1. */
  #across(u: number, sense: number): number {
    const { sinHeading, cosHeading, sinPitch, cosPitch, invFocal } = this.#projection;
    const deep = invFocal * u;
    const east = cosHeading - deep * cosPitch * sinHeading;
    const south = sinHeading + deep * cosPitch * cosHeading;
    return this.#reach(sense * east, sense * south, sense * deep * sinPitch);
  }

  #down(v: number, sense: number): number {
    const { sinHeading, cosHeading, sinPitch, cosPitch, invFocal } = this.#projection;
    const steep = this.#projection.steepness(v);
    const up = invFocal * v * sinPitch - cosPitch;
    return this.#reach(-sense * steep * sinHeading, sense * steep * cosHeading, sense * up);
  }

  #reach(east: number, south: number, up: number): number {
    const { x, y } = this.#outline.anchor;
    return this.#outline.reach(east, south, up, x, y, this.#focusHeight, this.#grown);
  }

  /** Returns whether everything shows from a focus. */
  show({ x, y, span, focusHeight }: Pick<Pose, 'x' | 'y' | 'span' | 'focusHeight'>): boolean {
    this.#focusHeight = focusHeight;
    const { sinHeading, cosHeading, cosPitch, invFocal } = this.#projection;
    const { anchor } = this.#outline;
    const aside = (x - anchor.x) * cosHeading + (y - anchor.y) * sinHeading;
    const forth = (y - anchor.y) * cosHeading - (x - anchor.x) * sinHeading;
    const depth = span + invFocal * cosPitch * forth;
    const down = (v: number): number => v * span + forth * this.#projection.steepness(v);
    const slack = SLACK * span;
    return (
      this.#across(this.#right, 1) <= this.#right * depth + aside + slack &&
      this.#across(this.#left, -1) <= -(this.#left * depth + aside) + slack &&
      this.#down(this.#bottom, 1) <= down(this.#bottom) + slack &&
      this.#down(this.#top, -1) <= -down(this.#top) + slack &&
      this.#toward() - forth * cosPitch <= span * wholeWithin(this.#projection) + slack
    );
  }
}

/**
 * The zero of a function that rises, between two numbers, by false position (the Illinois method). If there is none: `to` for a
 * function below 0, else `from`.
 *
 * @param tolerance |f| up to this counts as zero
 */
export function risingRoot(f: (at: number) => number, from: number, to: number, tolerance = 0): number {
  let low = from;
  let high = to;
  let atHigh = f(high);
  if (!(atHigh > 0)) return high;
  let atLow = f(low);
  if (!(atLow < 0)) return low;
  const small = Math.max(EXACT * (atHigh - atLow), tolerance);
  let side = 0;
  for (let round = 0; round < 60; round++) {
    const tried = low - (atLow * (high - low)) / (atHigh - atLow);
    const at = f(tried);
    if (Math.abs(at) <= small) return tried;
    if (at > 0) {
      high = tried;
      atHigh = at;
      if (side > 0) atLow /= 2;
      side = 1;
    } else {
      low = tried;
      atLow = at;
      if (side < 0) atHigh /= 2;
      side = -1;
    }
  }
  return (low + high) / 2;
}
