/** Cameras whose bounds may have any shape. */
import { Camera, checkSettings, type CameraOptions, type FullSettings, type Settings } from 'zesty-kite';
import { polygons } from 'zesty-kite/polygons';

const shapes = [polygons];

export function createCamera(settings: Settings, options: CameraOptions): Camera {
  return new Camera(settings, { shapes, ...options });
}

/** @throws SettingsError */
export function completeSettings(settings: unknown): FullSettings {
  return checkSettings(settings, { shapes });
}
