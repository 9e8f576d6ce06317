export { GRID_SECONDS, microsIn, microsOf } from './clock.ts';
export { Timeline } from './timeline.ts';
export {
  arriveAt,
  askAnew,
  byZoomNow,
  fieldOfViewAt,
  flipSwitches,
  foreshortening,
  groundLevel,
  lookAt,
  pitchAsked,
  pitchAt,
} from './followers.ts';
export { goalPose } from './goal.ts';
export { keepShown, showKept, showOffset } from './shown.ts';
export { ShownPose } from './shownPose.ts';
export { CAUSES, COLUMNS, ENDED_BY_STEERING, ROWS, wordsOf, type Cause, type Effect } from './ends.ts';
export { endMovers, endPan, findMoving, interrupt } from './interrupt.ts';
export type { Heard, Mover, Place } from './mover.ts';
export type { Part } from './part.ts';
export { dropGrip, setFingers, takeBelow, takeGrip, takeGripOf } from './grip.ts';
export { holdAnew } from './pair.ts';
export { isAtRest, isDriven, isSteered, isStill, Motion } from './motion.ts';
export { beginAt, overOtherGround, placeAt, putFocus, refit, startPlace, type Start } from './place.ts';
export { resize } from './resize.ts';
export { ANGLE_TOLERANCE, LENGTH_TOLERANCE, PIXEL_TOLERANCE, VELOCITY_TOLERANCE, ZOOM_TOLERANCE } from './rest.ts';
export { createRules, headingInside, minSpan, maxSpan, type Rules, type Ruling } from './rules.ts';
export type { Pace } from './pace.ts';
export { keepLed } from './step.ts';
export { raiseEye, solveFocus } from './solveFocus.ts';
export { restHeading, addOrbit, addStep, addTilt, addTurn, setPitch, stopTurn } from './turn.ts';
export {
  addNotches,
  farthestSpan,
  findGoal,
  finishZoom,
  holdSpan,
  keepInRange,
  setGoalSpan,
  showSpan,
  stayAt,
  stopZoom,
} from './zoom.ts';
export { goalSpanOf } from './goalSpan.ts';
export { SpanQuestion } from './spanQuestion.ts';
