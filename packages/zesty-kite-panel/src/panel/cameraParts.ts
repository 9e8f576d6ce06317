/** Cameras that live in the page, and cameras in a worker. */
import type { Camera, CameraLike, Terrain } from 'zesty-kite';

/** Whether a camera lives in the page. */
export function isHere(camera: CameraLike): camera is Camera {
  return 'terrain' in camera;
}

/**
 * Returns the camera, which has to live in the page.
 *
 * @throws Error for a camera in a worker
 */
export function cameraHere(camera: CameraLike): Camera {
  if (isHere(camera)) return camera;
  throw new Error('This camera lives in a worker: record and play there.');
}

/** Returns the heights below a camera; null for flat ground, and for a camera in a worker. */
export function terrainOf(camera: CameraLike): Terrain | null {
  return isHere(camera) ? camera.terrain : null;
}
