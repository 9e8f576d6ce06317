/**
 * A smooth curve through given points that never turns where they do not: monotone piecewise cubic
 * interpolation, with the harmonic mean of neighbouring slopes (F. N. Fritsch, J. Butland, SIAM J.
 * Sci. Stat. Comput. 5, 1984). It is flat at both ends, and beyond them.
 */

/** Points in order of x, and for each but the last the cubic that begins there. */
export interface Curve {
  readonly xs: Float64Array;
  readonly ys: Float64Array;
  /** Three a piece: the factors of d, d² and d³, d being the distance from its beginning. */
  readonly cubics: Float64Array;
}

/** @param points [x, y] in strictly rising order of x, at least one */
export function createCurve(points: readonly (readonly [number, number])[]): Curve {
  const xs = Float64Array.from(points, ([x]) => x);
  const ys = Float64Array.from(points, ([, y]) => y);
  const cubics = new Float64Array((points.length - 1) * 3);
  const width = (i: number): number => at(xs, i + 1) - at(xs, i);
  const rise = (i: number): number => (at(ys, i + 1) - at(ys, i)) / width(i);
  const slope = (i: number): number => {
    if (i === 0 || i === points.length - 1) return 0;
    const before = rise(i - 1);
    const after = rise(i);
    return before * after > 0 ? (2 * before * after) / (before + after) : 0;
  };
  for (let i = 0; i < points.length - 1; i++) {
    // Cubic Hermite form.
    const from = slope(i);
    const to = slope(i + 1);
    cubics[i * 3] = from;
    cubics[i * 3 + 1] = (3 * rise(i) - 2 * from - to) / width(i);
    cubics[i * 3 + 2] = (from + to - 2 * rise(i)) / (width(i) * width(i));
  }
  return { xs, ys, cubics };
}

/** The value at x: that of the nearest end outside, between the neighbours' values inside. */
export function curveAt({ xs, ys, cubics }: Curve, at: number): number {
  const last = xs.length - 1;
  // Flat at both ends and constant beyond them.
  const x = Math.min(Math.max(at, xs[0] ?? NaN), xs[last] ?? NaN);
  let i = 0;
  while (i < last && x >= (xs[i + 1] ?? NaN)) i++;
  const d = x - (xs[i] ?? NaN);
  const start = ys[i] ?? NaN;
  const k = i * 3;
  return d === 0 ? start : start + d * ((cubics[k] ?? 0) + d * ((cubics[k + 1] ?? 0) + d * (cubics[k + 2] ?? 0)));
}

function at(values: Float64Array, i: number): number {
  return values[i] ?? NaN;
}
