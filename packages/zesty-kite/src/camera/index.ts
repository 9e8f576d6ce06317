export { Camera } from './camera.ts';
export type { Grip } from './grips.ts';
export type { Observer } from './observer.ts';
export type { CameraOptions, SavedState, SessionStart } from './options.ts';
export type { Rig } from './rig.ts';
export { rigOf } from './rigs.ts';
