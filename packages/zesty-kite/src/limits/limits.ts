/** How far the camera may go on one screen: worked out when settings or screen change. */
import { clamp } from '../math/index.ts';
import { FARTHEST_IN_LEAST_SPANS, type FullSettings } from '../settings/index.ts';
import type { Screen } from '../view/index.ts';

/** All in world units. `least ≤ most`, `left < right`, `top < bottom`. */
export interface Limits {
  /** The nearest zoom. */
  least: number;
  /** The farthest zoom that this screen allows. */
  most: number;
  /** The farthest zoom on any screen: `most ≤ farthest`. */
  farthest: number;
  left: number;
  top: number;
  right: number;
  bottom: number;
  /**
   * How far from the focus the view has to stay inside, in spans: half a screen to either side. Both
   * are 0 without bounds, where only the focus is kept, inside what float64 holds finely.
   */
  halfWide: number;
  halfHigh: number;
}

/** The limits that `settings` ask for on `screen`. */
export function limitsFor(settings: FullSettings, screen: Screen): Limits {
  const { bounds, zoom } = settings;
  const aspect = screen.width / screen.height;
  const range = { least: zoom.leastSpan, most: zoom.mostSpan, farthest: zoom.mostSpan };
  if (bounds === null) {
    const edge = zoom.leastSpan * FARTHEST_IN_LEAST_SPANS;
    return { ...range, left: -edge, top: -edge, right: edge, bottom: edge, halfWide: 0, halfHigh: 0 };
  }
  const { left, top, right, bottom } = bounds;
  if (bounds.whenSmaller === 'limit-zoom') {
    const whole = Math.min(bottom - top, (right - left) / aspect);
    range.most = clamp(whole, zoom.leastSpan, zoom.mostSpan);
  }
  return { ...range, left, top, right, bottom, halfWide: 0.5 * aspect, halfHigh: 0.5 };
}

/**
 * Where the middle of a stretch of `2 · half` comes to lie between two edges: as near to `wanted`
 * as the edges let it, or midway when it is longer than they are apart.
 */
export function keptBetween(wanted: number, low: number, high: number, half: number): number {
  const least = low + half;
  const most = high - half;
  return least < most ? clamp(wanted, least, most) : (low + high) / 2;
}
