export { listen, type ListenOptions } from './listen.ts';
export type { Tap } from './pointers.ts';
