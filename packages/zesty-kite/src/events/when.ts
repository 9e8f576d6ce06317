/** Tells of what happens to a camera. */
import { checkFunction } from '../messages/index.ts';
import { rigOf, type Camera } from '../camera/index.ts';
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
  callback: (event: CameraEvents[N]) => void,
): () => void {
  const rig = rigOf('when', camera);
  checkFunction('when.tell', callback);
  const watch = watches.get(camera) ?? new Watch(rig.reports);
  const wasIdle = !watch.listeners.any;
  const end = watch.listeners.add(event, callback);
  watches.set(camera, watch);
  if (wasIdle) rig.observe(watch);
  else watch.lookAhead();
  return () => {
    end();
    if (!watch.listeners.any) rig.observe(null);
  };
}
