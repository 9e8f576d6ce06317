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
 * Adds an ability to a camera, unless the camera has it. Sessions name their abilities, so call it before `record`.
 *
 * ```ts
 * const { send } = learn(camera, circling);
 * send({ kind: 'circle', rate: 6, pause: 3 });
 * ```
 *
 * @returns its state in this camera, and a typed function that sends its signals
 * @throws TypeError for a camera of another thread; RangeError for an ability with a taken name or kind of signal
 */
export function learn<S extends Part, B extends MoverSignal>(
  camera: Camera,
  mover: Mover<MovedCamera, S, B>,
): Learned<S, B> {
  const rig = rigOf('learn', camera);
  rig.learn(mover);
  return {
    get state() {
      return rig.stage.timeline.kept.moving.find((one) => one.mover === mover)?.state as S;
    },
    send: (signal) => {
      rig.signal(signal);
    },
  };
}
