import type { Signal } from '../signals/index.ts';

/** Hands a signal on; says whether the camera has a use for it. */
export type Send = (signal: Signal) => boolean;
