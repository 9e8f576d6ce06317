/** The motion of a session as poses at even times, for tables, pictures and other programs. */
import type { Camera } from 'zesty-kite';
import { playSession, type Played, type PlayOptions } from './sessionFile.ts';

/** The shown pose at a time. Lengths are world units, angles degrees. */
export interface PoseAt {
  /** Since the session began. */
  readonly seconds: number;
  readonly x: number;
  readonly y: number;
  readonly focusHeight: number;
  readonly span: number;
  readonly heading: number;
  readonly pitch: number;
  /** 0 for an orthographic lens. */
  readonly fieldOfView: number;
  readonly eyeX: number;
  readonly eyeY: number;
  readonly eyeHeight: number;
}

export const COLUMNS = [
  'seconds',
  'x',
  'y',
  'focusHeight',
  'span',
  'heading',
  'pitch',
  'fieldOfView',
  'eyeX',
  'eyeY',
  'eyeHeight',
] as const satisfies readonly (keyof PoseAt)[];

export function poseAt({ view }: Camera, seconds: number): PoseAt {
  const { x, y, focusHeight, span, heading, pitch, fieldOfView } = view;
  const eye = view.eye();
  return {
    seconds,
    x,
    y,
    focusHeight,
    span,
    heading,
    pitch,
    fieldOfView,
    eyeX: eye.x,
    eyeY: eye.y,
    eyeHeight: eye.height,
  };
}

/**
 * Plays a session, and calls `each` for every frame, also for those in which nothing moves.
 *
 * @param each runs for each frame; with the camera only if it is drawn again
 */
export async function playFrames(
  session: string,
  options: PlayOptions,
  each: (pose: PoseAt, frame: number, camera: Camera | null) => void,
): Promise<Played> {
  const { rate, from = 0 } = options;
  let next = Math.ceil(from * rate);
  let last: PoseAt | null = null;
  return playSession(session, {
    ...options,
    frame: (camera, micros) => {
      const drawn = Math.round((micros * rate) / 1e6);
      // While it rests no frame is drawn: the picture stays what it was.
      for (; last !== null && next < drawn; next += 1) each({ ...last, seconds: next / rate }, next, null);
      next = drawn + 1;
      last = poseAt(camera, drawn / rate);
      each(last, drawn, camera);
    },
  });
}
