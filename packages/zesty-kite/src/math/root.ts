/** The zero of a continuous function. */

/** The search for a change of sign begins with steps of one in ten thousand, and makes them longer up to 6 %. */
const FIRST_STEP = 1e-4;
const LONGEST_STEP = 0.06;

/**
 * A zero of `f` between two positive numbers, the one nearest to `from` by ratio as far as the steps
 * of the search can tell; when there is none, the end where |f| is smaller.
 *
 * @param tolerance |f| up to this counts as zero at the beginning of the search
 */
export function nearestRoot(
  f: (x: number) => number,
  from: number,
  min: number,
  max: number,
  tolerance: number,
): number {
  const start = f(from);
  if (Math.abs(start) <= tolerance) return from;
  let low = from;
  let high = from;
  for (let step = FIRST_STEP; low > min || high < max; step = Math.min(step * 2, LONGEST_STEP)) {
    const lower = Math.max(min, low / (1 + step));
    if (lower < low && f(lower) * start <= 0) return bisect(f, lower, low);
    low = lower;
    const higher = Math.min(max, high * (1 + step));
    if (higher > high && f(higher) * start <= 0) return bisect(f, high, higher);
    high = higher;
  }
  return Math.abs(f(min)) < Math.abs(f(max)) ? min : max;
}

/** A zero of `f` between two numbers at which its signs differ, to the last bit that halving finds. */
function bisect(f: (x: number) => number, low: number, high: number): number {
  const rising = f(low) <= 0;
  let from = low;
  let to = high;
  for (let i = 0; i < 60; i++) {
    const middle = (from + to) / 2;
    if (f(middle) <= 0 === rising) from = middle;
    else to = middle;
  }
  return from;
}
