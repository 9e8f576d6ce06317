export type { Drag, Pinch, SimulatedPlayerOptions } from './gestures.ts';
export { SimulatedPlayer } from './simulatedPlayer.ts';
