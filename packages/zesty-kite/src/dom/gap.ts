/** Notices that no frames were drawn for a while, so that a held key does not run meanwhile. */
import type { InputTarget } from '../cameraLike.ts';

/** Held input runs for this long at the beginning of a gap. */
const LONGEST_FRAME_MS = 250;
/** After a gap this long the page was frozen or behind a dialog, so that keys may have gone up unheard. */
const FROZEN_MS = 1000;

export interface GapWatch {
  /** When a signal woke a settled camera: from then on frames are expected. */
  readonly wokenAt: (time: number) => void;
  readonly detach: () => void;
}

/** @param thaw runs after a gap without events: keys that were down before that time may be up since */
export function watchGaps(camera: InputTarget, thaw: (before: number) => void): GapWatch {
  /** The time of the last frame; in an array, as a number by itself would be allocated for every frame. */
  const last = new Float64Array([NaN]);
  const detach = camera.poll((time) => {
    const before = last[0] ?? NaN;
    if (time - before > LONGEST_FRAME_MS && !camera.settled) {
      camera.signal({ kind: 'gap', phase: 'begin', time: before + LONGEST_FRAME_MS });
      camera.signal({ kind: 'gap', phase: 'end', time });
      if (time - before > FROZEN_MS) thaw(time - FROZEN_MS);
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
