export { listen } from './listen.ts';
export type { PointerOptions, Tap } from './pointers.ts';
