export { cleanScreen, cleanSignal, plansOf, type Plan } from './clean.ts';
export { mark, maybe, maybeNumber, number, oneOf, place, text, type Field, type OptionalField } from './fields.ts';
export {
  SIGNALS,
  type About,
  type ChangeSignal,
  type GapSignal,
  type HandSignal,
  type HoldSignal,
  type HomeSignal,
  type HoverSignal,
  type KeySignal,
  type LiftSignal,
  type MoveSignal,
  type PadSignal,
  type PanSignal,
  type PlaceSignal,
  type PressSignal,
  type ReleaseSignal,
  type ScreenSignal,
  type Signal,
  type SignalBody,
  type SignalOf,
  type SignalShape,
  type StampedSignal,
  type TerrainSignal,
  type TiltSignal,
  type TurnSignal,
  type UnholdSignal,
  type WheelSignal,
  type ZoomSignal,
} from './kinds.ts';
export { descriptions } from './descriptions.ts';
export { SignalQueue } from './queue.ts';
