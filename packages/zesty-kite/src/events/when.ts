/** Tells of what happens to a camera. */
import { checkFunction, checkMade } from '../messages/index.ts';
import type { Camera } from '../camera.ts';
import type { CameraEvents, EventName } from './events.ts';
import { Watch } from './observer.ts';

const watches = new WeakMap<Camera, Watch>();

/**
 * Calls `tell` when something happens: the player begins to `steer`, something under way comes to its `end`, the camera
 * comes to `rest`, a `limit` is met or left. It is told in the frame that shows it, with the exact time, on the clock of
 * `advance`: frames of every rate tell the same.
 *
 * ```ts
 * const stop = when(camera, 'steer', ({ by }) => endTheTour(by));
 * ```
 *
 * @returns a function that ends this
 * @throws TypeError for an event that there is not
 */
export function when<N extends EventName>(
  camera: Camera,
  event: N,
  tell: (event: CameraEvents[N]) => void,
): () => void {
  checkMade('when.camera', camera, 'observe', 'a camera');
  checkFunction('when.tell', tell);
  const watch = watches.get(camera) ?? new Watch();
  const wasIdle = !watch.listeners.any;
  const end = watch.listeners.add(event, tell);
  watches.set(camera, watch);
  if (wasIdle) camera.observe(watch);
  else watch.lookAhead();
  return () => {
    end();
    if (!watch.listeners.any) camera.observe(null);
  };
}
