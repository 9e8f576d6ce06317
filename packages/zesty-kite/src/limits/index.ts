export { boundsExcess } from './excess.ts';
export { keptBetween, limitsFor, type Limits } from './limits.ts';
