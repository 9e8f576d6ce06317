import type { Signal } from '../signals/index.ts';

/** Passes a signal on. Returns false if the camera has no use for it. */
export type Send = (signal: Signal) => boolean;
