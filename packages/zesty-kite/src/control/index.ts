export { bandOf } from './edge.ts';
export { Hands } from './hands.ts';
export { SignalFilter } from './signalFilter.ts';
export type {
  HoldIntent,
  HomeIntent,
  Intent,
  ShiftIntent,
  SteerIntent,
  StepIntent,
  OrbitIntent,
  ZoomIntent,
} from './intent.ts';
export { BUTTONS, PAD_BUTTONS, PAD_STICKS, type Button } from '../settings/index.ts';
export { SignalQueue } from './queue.ts';
export {
  cleanScreen,
  cleanSignal,
  type About,
  type ChangeSignal,
  type GapSignal,
  type HoldSignal,
  type HomeSignal,
  type HoverSignal,
  type KeySignal,
  type UnholdSignal,
  type LiftSignal,
  type MoveSignal,
  type PadSignal,
  type PlaceSignal,
  type PressSignal,
  type ReleaseSignal,
  type ScreenSignal,
  type Signal,
  type SignalBody,
  type StampedSignal,
  type TerrainSignal,
  type TiltSignal,
  type TurnSignal,
  type WheelSignal,
} from './signal.ts';
