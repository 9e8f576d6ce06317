export { SimulatedPlayer, type Drag, type Pinch, type SimulatedPlayerOptions } from './simulatedPlayer.ts';
