export {
  ANYWHERE,
  boundaryOf,
  excessOf,
  farthestZoom,
  fitInside,
  fitsByFar,
  keepInside,
  middleOf,
  maxSpanInside,
  type Boundary,
} from './boundary.ts';
export { maxSpanAt } from './roomAt.ts';
export { focusOutlinesOf, outlinesOf } from './outlines.ts';
