/** Warnings about bounds: too small for the view, without a shape, with rings that do not count or corners too sharp. */
import { angleDegrees, convexHull } from '../math/index.ts';
import { isEmptyRing, ringsOf } from '../polygons/index.ts';
import { isZoomLimited, type FullSettings, type Settings } from '../settings/index.ts';
import { greatest, range, short } from './texts.ts';
import type { Warning } from './warning.ts';
import type { Zoom } from './zooms.ts';

/** Degrees. At a corner sharper than this, a small margin moves the view far away from it. */
const SHARPEST = 20;

export function largerThanBounds(settings: FullSettings, zooms: readonly Zoom[]): Warning[] {
  if (settings.bounds?.keep !== 'view' || isZoomLimited(settings)) return [];
  const larger = zooms.filter(({ span, fits }) => span > fits * (1 + 1e-9));
  const worst = greatest(larger, ({ span, fits }) => span / fits);
  if (worst === null) return [];
  return [
    {
      path: 'bounds.whenViewIsLarger',
      message: `${range(larger)} the view is up to ${short(worst.span / worst.fits)} times larger than the bounds, so it is centred; set zoom.maxSpan to ${short(larger[0]?.fits ?? worst.fits)}, bounds.whenViewIsLarger to "limit-zoom", or bounds.keep to "focus"`,
    },
  ];
}

export function emptyRings({ bounds }: FullSettings): Warning[] {
  if (bounds === null) return [];
  return ringsOf(bounds)
    .filter(isEmptyRing)
    .map(({ path, ring }) => ({
      path,
      message: `its ${String(ring.length)} corners enclose no area, so the ring is ignored; remove it`,
    }));
}

export function sharpCorners({ bounds }: FullSettings): Warning[] {
  if (bounds?.keep !== 'view') return [];
  const hull = convexHull(ringsOf(bounds).flatMap(({ ring }) => ring));
  return hull.flatMap(([x, y], i) => {
    const [ax, ay] = hull.at(i - 1) ?? [x, y];
    const [bx, by] = hull[(i + 1) % hull.length] ?? [x, y];
    const dot = (ax - x) * (bx - x) + (ay - y) * (by - y);
    const cross = Math.abs((ax - x) * (by - y) - (ay - y) * (bx - x));
    const angle = angleDegrees(cross, dot);
    if (angle >= SHARPEST) return [];
    return [
      {
        path: bounds.polygon === undefined ? 'bounds.area' : 'bounds.polygon',
        message: `the corner at (${short(x)}, ${short(y)}) is ${short(angle)} degrees sharp, so the view cannot come near it; use at least ${String(SHARPEST)}`,
      },
    ];
  });
}

/** Bounds with rules and without a shape: a preset's, without bounds of the game. */
export function noShape(settings: Settings | readonly Settings[], { bounds }: FullSettings): Warning[] {
  const layers = [settings].flat() as readonly Settings[];
  if (bounds !== null || !layers.at(-1)?.bounds) return [];
  return [
    {
      path: 'bounds',
      message: 'bounds without a shape have no effect; set left, top, right and bottom, or circle, polygon or area',
    },
  ];
}
