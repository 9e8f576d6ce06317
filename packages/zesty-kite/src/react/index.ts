export {
  cameraHook,
  type CameraHookOptions,
  type CameraOf,
  type Hooks,
  type Show,
  type UseCamera,
} from './cameraHook.ts';
