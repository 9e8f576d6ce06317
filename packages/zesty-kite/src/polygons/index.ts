export { polygonOutlines } from './outlines.ts';
export { polygons } from './polygons.ts';
export { isEmptyRing, ringsOf } from './rings.ts';
