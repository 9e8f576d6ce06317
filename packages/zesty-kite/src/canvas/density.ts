/** Pixels drawn for each CSS pixel, by the zoom: fewer for a retro look, more from afar where details are small. */
import { checkList, checkObject } from '../messages/index.ts';
import { createCurve, curveAt, log2 } from '../math/index.ts';
import type { Span } from '../settings/index.ts';
import { ScratchSpot, type View } from '../view/index.ts';

export interface DensityRule {
  /**
   * Zooms, each farther than the one before, with how many pixels are drawn for each CSS pixel: a curve over the zoom, as the settings have
   * them. All zooms are spans in world units, or all are in the same other unit.
   */
  readonly byZoom: readonly (readonly [zoom: Span, density: number])[];
  /** A drawn pixel covers a whole number of device pixels, or the other way round, so that all are alike; `true` when left out. */
  readonly wholeSteps?: boolean;
}

const eye = new ScratchSpot();

/** How far a view is zoomed out, in each unit. */
const MEASURES: Readonly<Record<string, (view: View) => number>> = {
  span: ({ span }) => span,
  pixelsPerUnit: ({ scale }) => 1 / scale,
  eyeHeight: (view) => view.eye(eye).height - view.focusHeight,
  fieldOfView: ({ fieldOfView }) => fieldOfView,
};

/** The unit of a zoom, and how far it is zoomed out in it. */
function measured(zoom: Span): readonly [unit: string, out: number] {
  if (typeof zoom !== 'object') return ['span', zoom];
  const [[unit, amount] = ['', NaN]] = Object.entries<number>(zoom);
  return [unit, unit === 'pixelsPerUnit' ? 1 / amount : amount];
}

/**
 * Returns a function from a view to the pixels that are drawn per CSS pixel. It is for `createDrawing(context, { density })`,
 * `renderer.setPixelRatio(density(view))` or `renderer.resolution = density(view)`. Views and picks stay exact.
 *
 * ```ts
 * const density = densityByZoom({ byZoom: [[60, 1], [400, 0.25]] });
 * const drawing = createDrawing(context, { density });
 * ```
 *
 * @throws RangeError for spans that do not rise, or densities that are not above 0
 */
export function densityByZoom(rule: DensityRule): (view: View) => number {
  checkObject('densityByZoom', rule, 'an object { byZoom: [[60, 1], [400, 0.25]] }');
  const { byZoom, wholeSteps = true } = rule;
  checkList('densityByZoom.byZoom', byZoom, 'a list such as [[60, 1], [400, 0.25]]');
  byZoom.forEach((stop, i) => {
    checkList(`densityByZoom.byZoom[${String(i)}]`, stop, 'a span and a density, such as [60, 1]');
  });
  const zooms = byZoom.map(([zoom]) => measured(zoom));
  const unit = zooms[0]?.[0] ?? '';
  const measure = Object.hasOwn(MEASURES, unit) ? MEASURES[unit] : undefined;
  const good = byZoom.every(([, density], i) => {
    const [one, out] = zooms[i] ?? ['', NaN];
    return one === unit && out > (zooms[i - 1]?.[1] ?? 0) && density > 0 && density <= 16 && Number.isFinite(out);
  });
  if (measure === undefined || !good)
    throw new RangeError(
      `densityByZoom: expected rising spans with densities above 0, such as [[60, 1], [400, 0.25]], got ${JSON.stringify(byZoom)}`,
    );
  const curve = createCurve(byZoom.map(([, density], i) => [log2(zooms[i]?.[1] ?? NaN), density]));
  return (view) => {
    const { density: there } = view;
    const wanted = curveAt(curve, log2(measure(view)));
    if (!wholeSteps) return wanted;
    return wanted > there ? there * Math.round(wanted / there) : there / Math.round(there / wanted);
  };
}
