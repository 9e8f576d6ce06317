export { GRID_SECONDS, microsOf } from './clock.ts';
export { raiseEye } from './clearance.ts';
export { CAUSES, COLUMNS, ENDED_BY_STEERING, ROWS, wordsOf, type Cause, type Effect } from './ends.ts';
export { goalPose } from './goalPose.ts';
export { headingInside, type HeadingLimits } from './heading.ts';
export { Motion } from './motion.ts';
export type { MovedCamera } from './moved.ts';
export type { HandMoved, MoverSignal, Mover, Placement } from './mover.ts';
export type { Part } from './part.ts';
export { Placing } from './placing.ts';
export { ANGLE_TOLERANCE, LENGTH_TOLERANCE, PIXEL_TOLERANCE, VELOCITY_TOLERANCE, ZOOM_TOLERANCE } from './rest.ts';
export {
  createConstraints,
  maxSpan,
  minSpan,
  constraintsOf,
  startPlace,
  type Constraints,
  type ConstraintsInput,
  type Start,
} from './constraints.ts';
export { readShown, shownOf, startOffset } from './shown.ts';
export { SpanQuestion } from './spanQuestion.ts';
export { ShownPose } from './shownPose.ts';
export { Timeline } from './timeline.ts';
