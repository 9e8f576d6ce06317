export { microsOf } from './clock.ts';
export { Course } from './course.ts';
export { letGo, takeGrip } from './grip.ts';
export { isAtRest, isPanning, Motion } from './motion.ts';
export { placeAt, refit, scaleSpans, startPose } from './place.ts';
export { VELOCITY_TOLERANCE, ZOOM_TOLERANCE } from './rest.ts';
export { goalPose, zoomBy } from './zoom.ts';
