/**
 * A smooth curve through given points that never turns where they do not: monotone piecewise cubic
 * interpolation, with the harmonic mean of neighbouring slopes (F. N. Fritsch, J. Butland, SIAM J.
 * Sci. Stat. Comput. 5, 1984). It is flat at both ends, and beyond them.
 */

/** Points in order of x, and the slope at each. All three are equally long, at least 1. */
export interface Curve {
  readonly xs: Float64Array;
  readonly ys: Float64Array;
  readonly slopes: Float64Array;
}

/** @param points [x, y] in strictly rising order of x, at least one */
export function createCurve(points: readonly (readonly [number, number])[]): Curve {
  const xs = Float64Array.from(points, ([x]) => x);
  const ys = Float64Array.from(points, ([, y]) => y);
  const slopes = new Float64Array(points.length);
  const rise = (i: number): number => ((ys[i + 1] ?? 0) - (ys[i] ?? 0)) / ((xs[i + 1] ?? 0) - (xs[i] ?? 0));
  for (let i = 1; i < points.length - 1; i++) {
    const before = rise(i - 1);
    const after = rise(i);
    slopes[i] = before * after > 0 ? (2 * before * after) / (before + after) : 0;
  }
  return { xs, ys, slopes };
}

/** The value at x: that of the nearest end outside, between the neighbours' values inside. */
export function curveAt({ xs, ys, slopes }: Curve, x: number): number {
  const last = xs.length - 1;
  if (!(x > at(xs, 0))) return at(ys, 0);
  if (x >= at(xs, last)) return at(ys, last);
  let i = 0;
  while (x >= at(xs, i + 1)) i++;
  const width = at(xs, i + 1) - at(xs, i);
  const t = (x - at(xs, i)) / width;
  const rise = at(ys, i + 1) - at(ys, i);
  const from = at(slopes, i) * width;
  const to = at(slopes, i + 1) * width;
  // Cubic Hermite form, from the lower end.
  return at(ys, i) + t * (from + t * (3 * rise - 2 * from - to + t * (from + to - 2 * rise)));
}

function at(values: Float64Array, i: number): number {
  return values[i] ?? NaN;
}
