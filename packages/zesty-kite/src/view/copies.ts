/** A world that repeats itself: which of the copies of a place is meant. */
import { clamp } from '../math/index.ts';

/** The copy of a distance that is nearest to 0 in a world that repeats itself. */
export function nearestCopy(distance: number, period: number): number {
  return period > 0 ? distance - period * Math.round(distance / period) : distance;
}

/** The copy of a coordinate that is nearest to another. */
export function nearestTo(from: number, to: number, period = 0): number {
  return period > 0 ? from + nearestCopy(to - from, period) : to;
}

/** The copy of a coordinate in 0 … period. */
export function canonical(value: number, period: number | undefined): number {
  if (period === undefined || !(period > 0)) return value;
  return clamp(value - period * Math.floor(value / period), 0, period);
}
