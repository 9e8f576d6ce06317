export { learn, type Learned } from './learn.ts';
export {
  ENDED_BY_STEERING,
  type Cause,
  type Effect,
  type HandMoved,
  type MovedCamera,
  type Mover,
  type MoverSignal,
  type Part,
  type Placement,
} from '../motion/index.ts';
export {
  trueOrAbsent,
  maybe,
  maybeNumber,
  number,
  oneOf,
  coordinate,
  text,
  yesOrNo,
  type Field,
  type OptionalField,
  type Body,
  type Fields,
  type SignalShape,
  type SignalShapes,
  type SignalsOf,
} from '../signals/index.ts';
