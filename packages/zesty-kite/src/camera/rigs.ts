/** The rig behind each camera, for the rooms that need more of a camera than games do. */
import { sentence, shown } from '../messages/index.ts';
import type { Rig } from './rig.ts';

/** The camera may come from another copy of this module: bundles have their own. */
const RIG = Symbol.for('zesty-kite rig');

export function keepRig(camera: object, rig: Rig): void {
  Reflect.defineProperty(camera, RIG, { value: rig });
}

/**
 * Returns the rig of a camera.
 *
 * @throws TypeError, named after the call, for what is no camera of this context
 */
export function rigOf(call: string, camera: unknown): Rig {
  const isObject = typeof camera === 'object' && camera !== null;
  const rig = isObject ? (Reflect.get(camera, RIG) as Rig | undefined) : undefined;
  if (rig !== undefined) return rig;
  const got = isObject && 'elsewhere' in camera ? 'a camera in a worker' : shown(camera);
  throw new TypeError(sentence({ path: `${call}.camera`, got, expected: 'a Camera of this thread' }));
}
