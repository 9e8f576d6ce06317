/** Pixels drawn for each CSS pixel, by the zoom: fewer for a retro look, more from afar where details are small. */
import { checkList, checkObject } from '../messages/index.ts';
import { createCurve, curveAt, log2 } from '../math/index.ts';
import type { View } from '../view/index.ts';

export interface DensityRule {
  /** Spans, rising, with how many pixels are drawn for each CSS pixel: a curve over the zoom, as the settings have them. */
  readonly byZoom: readonly (readonly [span: number, density: number])[];
  /** A drawn pixel covers a whole number of device pixels, or the other way round, so that all are alike; `true` when left out. */
  readonly wholeSteps?: boolean;
}

/**
 * Returns a function that says how many pixels to draw for each CSS pixel, fewer or more than there are: for `createDrawing(context, { density })`, or
 * `renderer.setPixelRatio(density(view))`, `renderer.resolution = density(view)`. Views and picks know nothing of it and stay exact.
 *
 * ```ts
 * const density = densityByZoom({ byZoom: [[60, 1], [400, 0.25]] });
 * const drawing = createDrawing(context, { density });
 * ```
 *
 * @throws RangeError for a rule without a curve, or densities that are none
 */
export function densityByZoom(rule: DensityRule): (view: View) => number {
  checkObject('densityByZoom', rule, 'an object { byZoom: [[60, 1], [400, 0.25]] }');
  const { byZoom, wholeSteps = true } = rule;
  checkList('densityByZoom.byZoom', byZoom, 'a list such as [[60, 1], [400, 0.25]]');
  byZoom.forEach((stop, i) => {
    checkList(`densityByZoom.byZoom[${String(i)}]`, stop, 'a span and a density, such as [60, 1]');
  });
  const good = byZoom.every(
    ([span, density], i) =>
      span > (byZoom[i - 1]?.[0] ?? 0) && density > 0 && density <= 16 && Number.isFinite(span + density),
  );
  if (byZoom.length === 0 || !good)
    throw new RangeError(
      `densityByZoom: found ${JSON.stringify(byZoom)}; wanted rising spans with densities above 0, such as [[60, 1], [400, 0.25]]`,
    );
  const curve = createCurve(byZoom.map(([span, density]) => [log2(span), density]));
  return ({ span, density: there }) => {
    const wanted = curveAt(curve, log2(span));
    if (!wholeSteps) return wanted;
    return wanted > there ? there * Math.round(wanted / there) : there / Math.round(there / wanted);
  };
}
