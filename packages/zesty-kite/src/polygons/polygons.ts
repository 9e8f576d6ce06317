/** Bounds that are a polygon, or areas of GeoJSON. */
import type { ShapeKind } from '../limits/index.ts';
import { convexHull } from '../math/index.ts';
import { edgesOf, polygonChecks } from './check.ts';
import { PolygonBounds } from './polygonBounds.ts';
import { Convex } from './convex.ts';
import { polygonOutlines } from './outlines.ts';
import { ringsOf } from './rings.ts';

/**
 * Bounds with `polygon` or `area`, for the cameras that have them:
 *
 * ```ts
 * const camera = new Camera({ bounds: { polygon: shore } }, { shapes: [polygons] });
 * ```
 *
 * `keep: 'view'` keeps the view in the convex hull, `keep: 'focus'` keeps the focus in the polygon itself.
 */
export const polygons: ShapeKind = {
  ...polygonChecks,
  ...polygonOutlines,
  create: (bounds) =>
    bounds.keep === 'focus'
      ? new PolygonBounds(edgesOf(bounds))
      : new Convex(convexHull(ringsOf(bounds).flatMap(({ ring }) => ring))),
};
