export {
  ANYWHERE,
  boundaryOf,
  excessOf,
  fitsByFar,
  keepInside,
  middleOf,
  mostSpanInside,
  type Boundary,
} from './boundary.ts';
export { focusOutlinesOf, outlinesOf } from './outlines.ts';
