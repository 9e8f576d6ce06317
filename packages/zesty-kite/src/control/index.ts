export { Hands, type HoldIntent, type PanIntent, type ZoomIntent } from './hands.ts';
export { SignalQueue } from './queue.ts';
export {
  cleanScreen,
  cleanSignal,
  type About,
  type ChangeSignal,
  type GapSignal,
  type HoldSignal,
  type KeySignal,
  type LetGoSignal,
  type PlaceSignal,
  type ReleaseSignal,
  type ScreenSignal,
  type Signal,
  type SignalBody,
  type StampedSignal,
  type TiltSignal,
  type TurnSignal,
  type WheelSignal,
} from './signal.ts';
