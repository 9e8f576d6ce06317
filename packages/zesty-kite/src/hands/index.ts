export { bandOf, SIDES, type Side } from './edge.ts';
export { Hands } from './hands.ts';
export type {
  HoldIntent,
  HomeIntent,
  Intent,
  OrbitIntent,
  ShiftIntent,
  SteerIntent,
  StepIntent,
  ZoomIntent,
} from './intent.ts';
export { SignalFilter } from './signalFilter.ts';
export { doubleTapNotches, Taps, type Tapped } from './taps.ts';
