/** Parts of a camera that one in a worker does not have. */
import { Camera, type CameraLike, type Terrain } from 'zesty-kite';

/** Returns the heights below a camera; null for flat ground, and for a camera in a worker. */
export function terrainOf(camera: CameraLike): Terrain | null {
  return 'terrain' in camera ? (camera as Camera).terrain : null;
}
