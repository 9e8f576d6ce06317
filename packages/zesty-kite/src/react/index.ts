export { cameraHook, type CameraHookOptions, type CameraOf, type Hooks, type Show } from './cameraHook.ts';
