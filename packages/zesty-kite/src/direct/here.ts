/** Which camera a call is for. */
import { rigOf, type Camera } from '../camera/index.ts';
import type { Timeline } from '../motion/index.ts';

/** @throws TypeError, named after the call, for an argument that is no camera of this context */
export function cameraHere(call: string, camera: unknown): Camera {
  rigOf(call, camera);
  return camera as Camera;
}

/** Returns the kept motion of a camera, and what limits it. */
export function timelineOf(call: string, camera: Camera): Timeline {
  return rigOf(call, camera).stage.timeline;
}
