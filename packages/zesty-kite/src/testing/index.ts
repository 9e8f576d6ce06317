export { TestPlayer, type Drag, type Pinch, type TestPlayerOptions } from './testPlayer.ts';
