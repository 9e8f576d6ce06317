/** Converts the times of events to the clock of frames, if a game's frames count from another time, such as 0. */
import type { InputTarget } from '../cameraLike.ts';

/** Frames are stamped a little before they are drawn: clocks that differ by less than this are the same. */
const SAME_CLOCK_MS = 60;
/** On a busy page one frame may be stamped long before it is drawn, but hardly this many in a row. */
const FRAMES = 4;
/** An event may be later than the next frame by this much, milliseconds. */
const AHEAD_MS = 50;

export class EventClock {
  readonly #window: Window & typeof globalThis;
  /** Milliseconds from the clock of events to the clock of frames; NaN before the first frame. */
  #ahead = NaN;
  /** How far each of the latest frames was ahead when it began. */
  readonly #latest = new Float64Array(FRAMES).fill(-Infinity);
  #frames = 0;
  /** Events of a frame's document count from when that one began. */
  readonly #later: number;

  constructor(window: Window & typeof globalThis) {
    this.#window = window;
    /* eslint-disable-next-line no-restricted-globals -- no clock is read: only where its times count from */
    this.#later = window.performance.timeOrigin - performance.timeOrigin;
  }

  /** Learns from every frame; returns a function that ends this. */
  listenTo(camera: InputTarget): () => void {
    return camera.poll((time) => {
      if (!Number.isFinite(time)) return;
      this.#latest[this.#frames] = time - this.#now();
      this.#frames = (this.#frames + 1) % FRAMES;
      let ahead = -Infinity;
      for (let i = 0; i < FRAMES; i++) ahead = Math.max(ahead, this.#latest[i] ?? ahead);
      this.#ahead = ahead > -SAME_CLOCK_MS && ahead < AHEAD_MS ? 0 : ahead;
    });
  }

  /** The time of an event on the clock of frames; undefined, for now, before the first frame. */
  stamp(time: number): number | undefined {
    if (!Number.isFinite(this.#ahead) || !Number.isFinite(time)) return undefined;
    // An event from the future has another clock.
    return Math.min(time + this.#later, this.#now() + (this.#ahead === 0 ? AHEAD_MS : 0)) + this.#ahead;
  }

  #now(): number {
    return this.#window.performance.now() + this.#later;
  }
}
