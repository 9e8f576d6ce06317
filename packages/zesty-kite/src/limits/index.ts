export { ANYWHERE, boundaryOf, excessOf, keepInside, middleOf, mostSpanInside, type Boundary } from './boundary.ts';
export { focusOutlinesOf, outlinesOf } from './outlines.ts';
