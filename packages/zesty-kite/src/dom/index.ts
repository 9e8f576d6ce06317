export { inputLabels, nextInput } from './inputs.ts';
export { listen, type Listening, type ListenOptions } from './listen.ts';
export type { Tap } from './taps.ts';
export type { Region } from './surface.ts';
