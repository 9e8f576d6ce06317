export { GRID_SECONDS, GRID_TICKS, gridSteps, microsOf, TICKS_PER_MICRO, TICKS_PER_SECOND } from './clock.ts';
export { letGo, takeGrip } from './grip.ts';
export { isAtRest, isPanning, isStill, Motion } from './motion.ts';
export { glance, move } from './move.ts';
export { createPace, setPace, setPaceFor, type Pace } from './pace.ts';
export { placeAt, refit, scaleSpans, startPose } from './place.ts';
export { VELOCITY_TOLERANCE, ZOOM_TOLERANCE } from './rest.ts';
export { goalPose, zoomBy } from './zoom.ts';
