export { atan2 } from './atan2.ts';
export { clamp, finite } from './clamp.ts';
export { remaining, timeToRest } from './decay.ts';
export { exp2 } from './exp2.ts';
export { log2 } from './log2.ts';
export { cos, sin } from './trig.ts';
