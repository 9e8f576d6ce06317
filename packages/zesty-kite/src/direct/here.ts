/** Which camera a call is for. */
import type { Camera } from '../camera.ts';
import { sentence, shown } from '../settings/index.ts';

/** @throws TypeError, named after the call, for an argument that is no camera of this context */
export function cameraHere(call: string, camera: unknown): Camera {
  if (isHere(camera)) return camera;
  const found =
    typeof camera === 'object' && camera !== null && 'elsewhere' in camera ? 'a camera in a worker' : shown(camera);
  throw new TypeError(sentence({ path: `${call}.camera`, found, wanted: 'a Camera of this context' }));
}

function isHere(camera: unknown): camera is Camera {
  return typeof camera === 'object' && camera !== null && 'timeline' in camera && 'learn' in camera;
}
