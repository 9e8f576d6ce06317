export { microsOf } from './clock.ts';
export { Course } from './course.ts';
export { takeGrip } from './grip.ts';
export { isAtRest, isPanning, Motion } from './motion.ts';
export { placeAt, refit, startPose } from './place.ts';
export { resize } from './resize.ts';
export { VELOCITY_TOLERANCE, ZOOM_TOLERANCE } from './rest.ts';
export { goalPose, zoomBy } from './zoom.ts';
