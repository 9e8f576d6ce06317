export {
  ANYWHERE,
  boundaryOf,
  excessOf,
  fitInside,
  fitsByFar,
  keepInside,
  middleOf,
  mostSpanInside,
  type Boundary,
} from './boundary.ts';
export { focusOutlinesOf, outlinesOf } from './outlines.ts';
