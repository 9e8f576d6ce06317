export type { HoldIntent } from './fingers.ts';
export { Hands, type Intent, type SteerIntent, type StepIntent, type SwingIntent, type ZoomIntent } from './hands.ts';
export { SignalQueue } from './queue.ts';
export {
  cleanScreen,
  cleanSignal,
  type About,
  type Button,
  type ChangeSignal,
  type GapSignal,
  type HoldSignal,
  type HoverSignal,
  type KeySignal,
  type LetGoSignal,
  type LiftSignal,
  type MoveSignal,
  type PlaceSignal,
  type PressSignal,
  type ReleaseSignal,
  type ScreenSignal,
  type Signal,
  type SignalBody,
  type StampedSignal,
  type TiltSignal,
  type TurnSignal,
  type WheelSignal,
} from './signal.ts';
