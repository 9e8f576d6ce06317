export {
  ANYWHERE,
  boundaryOf,
  excessOf,
  farthestZoom,
  fitsByFar,
  keepInside,
  maxSpanAt,
  maxSpanInside,
  type Boundary,
  type KnownShape,
} from './boundary.ts';
export { Hint } from './hint.ts';
export { focusOutlineOf, outlinesOf } from './outlines.ts';
export type { Extent, Outline, Shape, ShapeKind, ShapeOutlines } from './shape.ts';
