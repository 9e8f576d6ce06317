/** Notices that no frames were drawn for a while, so that a held key does not run meanwhile. */
import type { Camera } from '../camera.ts';

const LONGEST_FRAME_MS = 250;

export interface GapWatch {
  /** The camera was settled, and this came in: frames are owed from here on. */
  readonly wokenAt: (time: number) => void;
  readonly detach: () => void;
}

export function watchGaps(camera: Camera): GapWatch {
  let last: number | null = null;
  const detach = camera.poll((time) => {
    if (last !== null && time - last > LONGEST_FRAME_MS && !camera.settled) {
      camera.signal({ kind: 'gap', phase: 'begin', time: last });
      camera.signal({ kind: 'gap', phase: 'end', time });
    }
    if (last === null || time > last) last = time;
  });
  return {
    wokenAt: (time) => {
      if (last === null || time > last) last = time;
    },
    detach,
  };
}
