/** Polygons and areas, for drawing. */
import type { ShapeOutlines } from '../limits/index.ts';
import { ringsOf } from './rings.ts';

/** @internal */
export const polygonOutlines: ShapeOutlines = {
  names: ['polygon', 'area'],
  outlinesOf: (bounds) => ringsOf(bounds).map(({ ring }) => ring.map(([x, y]) => ({ x, y }))),
};
