export { inputLabels, nextInput } from './inputs.ts';
export { listen, type Listening, type ListenOptions } from './listen.ts';
export type { Tap } from './pointers.ts';
export type { Region } from './surface.ts';
