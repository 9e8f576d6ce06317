/** Tells of what happens to a camera. */
import { checkFunction } from '../messages/index.ts';
import { rigOf, type Camera } from '../camera/index.ts';
import type { CameraEvents, EventName } from './events.ts';
import { Watch } from './observer.ts';

const watches = new WeakMap<Camera, Watch>();

/**
 * Calls a function at each event of a kind: `steer`, `end`, `arrive`, `rest`, `limit` or `edge`. It runs in the frame that shows the
 * event, with the exact time on the clock of `advance`. Every frame rate fires the same events.
 *
 * ```ts
 * const stop = when(camera, 'steer', ({ by }) => console.log(by));
 * stop();
 * ```
 *
 * @returns a function that ends it
 * @throws TypeError for an unknown event
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
