/** Teaching a camera an ability. */
import { rigOf, type Camera } from '../camera/index.ts';
import type { MovedCamera, Mover, MoverSignal, Part } from '../motion/index.ts';

/** An ability of one camera. */
export interface Learned<S extends Part, B extends MoverSignal> {
  /** The state of the ability as of the last signal or step. */
  readonly state: S;
  /**
   * Sends one of its signals. A session keeps it.
   *
   * @throws TypeError for a field of the wrong type
   */
  readonly send: (signal: B) => void;
}

/**
 * Teaches a camera an ability. An ability that the camera knows stays as it is. Sessions name the abilities that they need, so
 * teach before `record`.
 *
 * ```ts
 * const circling = learn(camera, circle);
 * circling.send({ kind: 'circle', rate: 6 });
 * ```
 *
 * @returns its state in this camera, and a typed way to send its signals
 * @throws TypeError for what is no camera of this context; RangeError for another ability of the same name or kind of signal
 */
export function learn<S extends Part, B extends MoverSignal>(
  camera: Camera,
  mover: Mover<MovedCamera, S, B>,
): Learned<S, B> {
  const rig = rigOf('learn', camera);
  rig.learn(mover);
  return {
    get state() {
      return rig.stage.timeline.kept.stateOf(mover);
    },
    send: (signal) => {
      rig.signal(signal);
    },
  };
}
