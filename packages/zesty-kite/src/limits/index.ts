export {
  ANYWHERE,
  boundaryOf,
  excessOf,
  farthestZoom,
  fitsByFar,
  keepInside,
  middleOf,
  maxSpanInside,
  type Boundary,
} from './boundary.ts';
export { maxSpanAt } from './roomAt.ts';
export { focusOutlinesOf, outlinesOf } from './outlines.ts';
