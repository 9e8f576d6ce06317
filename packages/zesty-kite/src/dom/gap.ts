/** Notices that no frames were drawn for a while, so that a held key does not run meanwhile. */
import type { Camera } from '../camera.ts';

const LONGEST_FRAME_MS = 250;

export interface GapWatch {
  /** The camera was settled, and this came in: frames are owed from here on. */
  readonly wokenAt: (time: number) => void;
  readonly detach: () => void;
}

export function watchGaps(camera: Camera): GapWatch {
  /** The time of the last frame; in an array, as a number by itself would be allocated for every frame. */
  const last = new Float64Array([NaN]);
  const detach = camera.poll((time) => {
    const before = last[0] ?? NaN;
    if (time - before > LONGEST_FRAME_MS && !camera.settled) {
      camera.signal({ kind: 'gap', phase: 'begin', time: before });
      camera.signal({ kind: 'gap', phase: 'end', time });
    }
    if (!(time <= before)) last[0] = time;
  });
  return {
    wokenAt: (time) => {
      if (!(time <= (last[0] ?? NaN))) last[0] = time;
    },
    detach,
  };
}
