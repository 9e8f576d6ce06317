export { Hands, type PanIntent, type ZoomIntent } from './hands.ts';
export { SignalQueue } from './queue.ts';
export {
  cleanScreen,
  cleanSignal,
  type ChangeSignal,
  type GapSignal,
  type KeySignal,
  type PlaceSignal,
  type ReleaseSignal,
  type ScreenSignal,
  type Signal,
  type SignalBody,
  type StampedSignal,
  type WheelSignal,
} from './signal.ts';
