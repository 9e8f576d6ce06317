/**
 * The least span at which things show between the sides of a padded safe frame.
 *
 * With (fr, ft) the focus along the screen's right and toward the viewer, s the span and q the widening of the lens, a
 * point (R, T, z) shows left of the screen line u when R - fr ≤ u (s + q (A + ft cos p)), with A = -T cos p - z sin p:
 * linear in (fr, ft, s), and so are the other sides. Each side asks for its outermost point alone. This leaves a linear
 * program of four constraints; its answer is where two of them meet.
 */
import { sentence, shown } from '../messages/index.ts';
import type { Insets, Look, Pose } from '../view/index.ts';
import type { Outline } from './things.ts';

/** What reaches over a side by less shows, in safe-frame heights. */
const SLACK = 3e-7;

export class Sides {
  readonly #look: Look;
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
  /** How far the things reach over lines through their anchor, and the least depth that shows them side by side. */
  #needsLeft = NaN;
  #needsRight = NaN;
  #needsTop = NaN;
  #needsBottom = NaN;
  #needsDepth = NaN;

  constructor(look: Look, outline: Outline) {
    this.#look = look;
    this.#outline = outline;
  }

  /** @throws TypeError for a padding that leaves nothing */
  pad(padding: number | Insets): void {
    const { frameWidth, frameHeight } = this.#look;
    const even = typeof padding === 'number' ? padding : 0;
    const { left, top, right, bottom } =
      typeof padding === 'number' ? { left: even, top: even, right: even, bottom: even } : padding;
    if (!(left + right < frameWidth && top + bottom < frameHeight))
      throw new TypeError(
        sentence({
          path: 'frame.options.padding',
          found: shown(padding),
          wanted: `less than the safe frame, ${String(frameWidth)} × ${String(frameHeight)} pixels`,
        }),
      );
    this.#left = (left - frameWidth / 2) / frameHeight;
    this.#right = (frameWidth / 2 - right) / frameHeight;
    this.#top = top / frameHeight - 0.5;
    this.#bottom = 0.5 - bottom / frameHeight;
  }

  /** Returns the span at which everything would show, as the camera looks now; sets the focus for it, or for `span` if that is larger. */
  measure(span: number, focusHeight: number): number {
    this.#focusHeight = focusHeight;
    const { sinHeading, cosHeading, sinPitch, cosPitch, widening } = this.#look;
    const { anchor } = this.#outline;
    const left = this.#left;
    const right = this.#right;
    const bottom = this.#bottom;
    // Above the line of four spans beyond the focus nothing is framed: the horizon is near.
    const top = Math.max(this.#top, this.#look.reachV);
    this.#needsRight = this.#across(right, 1);
    this.#needsLeft = -this.#across(left, -1);
    this.#needsBottom = this.#down(bottom, 1);
    this.#needsTop = -this.#down(top, -1);
    this.#needsDepth = (this.#needsRight - this.#needsLeft) / (right - left);
    const steepTop = sinPitch + widening * top * cosPitch;
    const steepBottom = sinPitch + widening * bottom * cosPitch;
    const deepens = widening * cosPitch;
    const high = (this.#needsBottom * steepTop - this.#needsTop * steepBottom) / ((bottom - top) * sinPitch);
    const wide = (this.#needsDepth * steepTop - this.#needsTop * deepens) / sinPitch;
    const needed = Math.max(high, wide, 0);
    // The middle of what is left to choose from, at the span that is tried.
    const tried = Math.max(span, needed);
    const toward = Math.max(
      (this.#needsBottom - bottom * tried) / steepBottom,
      deepens > 0 ? (this.#needsDepth - tried) / deepens : -Infinity,
    );
    const away = (this.#needsTop - top * tried) / steepTop;
    const forth = (toward + away) / 2;
    const depth = tried + deepens * forth;
    const aside = (this.#needsRight - right * depth + this.#needsLeft - left * depth) / 2;
    this.x = anchor.x + aside * cosHeading - forth * sinHeading;
    this.y = anchor.y + aside * sinHeading + forth * cosHeading;
    return needed;
  }

  /** How far the things reach over the plane through the eye and the screen line x = u: right of it, or left for -1. */
  #across(u: number, sense: number): number {
    const { sinHeading, cosHeading, sinPitch, cosPitch, widening } = this.#look;
    const deep = widening * u;
    const east = cosHeading - deep * cosPitch * sinHeading;
    const south = sinHeading + deep * cosPitch * cosHeading;
    return this.#reach(sense * east, sense * south, sense * deep * sinPitch);
  }

  #down(v: number, sense: number): number {
    const { sinHeading, cosHeading, sinPitch, cosPitch, widening } = this.#look;
    const steep = sinPitch + widening * v * cosPitch;
    const up = widening * v * sinPitch - cosPitch;
    return this.#reach(-sense * steep * sinHeading, sense * steep * cosHeading, sense * up);
  }

  #reach(east: number, south: number, up: number): number {
    const { x, y } = this.#outline.anchor;
    return this.#outline.reach(east, south, up, x, y, this.#focusHeight);
  }

  /** Returns whether everything shows from a focus. */
  show({ x, y, span, focusHeight }: Pick<Pose, 'x' | 'y' | 'span' | 'focusHeight'>): boolean {
    this.#focusHeight = focusHeight;
    const { sinHeading, cosHeading, sinPitch, cosPitch, widening } = this.#look;
    const { anchor } = this.#outline;
    const aside = (x - anchor.x) * cosHeading + (y - anchor.y) * sinHeading;
    const forth = (y - anchor.y) * cosHeading - (x - anchor.x) * sinHeading;
    const depth = span + widening * cosPitch * forth;
    const down = (v: number): number => v * span + forth * (sinPitch + widening * v * cosPitch);
    const slack = SLACK * span;
    return (
      this.#across(this.#right, 1) <= this.#right * depth + aside + slack &&
      this.#across(this.#left, -1) <= -(this.#left * depth + aside) + slack &&
      this.#down(this.#bottom, 1) <= down(this.#bottom) + slack &&
      this.#down(this.#top, -1) <= -down(this.#top) + slack
    );
  }
}
