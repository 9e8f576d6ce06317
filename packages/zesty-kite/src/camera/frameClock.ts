/** Times of frames: of the page in DOM milliseconds, of the session in microseconds since its first frame. */
import { microsOf } from '../motion/index.ts';

export class FrameClock {
  /** The time of the page that sessions count from; null until the first frame. */
  #origin: number | null = null;
  /** The frame that is being made, or the last one. Times begin as -0: engines keep small whole numbers in another form. */
  now = -0;
  /** The same, or the frame whose samples are coming in. */
  latest = -0;
  /** The last frame that was shown. */
  shown = -0;
  /** A frame has been shown. */
  isDrawn = false;

  /** Begins a frame. */
  begin(time: number): void {
    if (this.#origin === null && Number.isFinite(time)) this.#origin = time;
    this.expect(time);
    this.now = this.latest;
  }

  /** Sets `latest` to the time of a frame, never before the last. */
  expect(time: number): void {
    this.latest = Math.max(this.microsAt(time), this.now);
  }

  end(): void {
    this.shown = this.now;
    this.isDrawn = true;
  }

  /** Returns the time of the session at a time of the page. */
  microsAt(time: number): number {
    return microsOf(time - (this.#origin ?? time));
  }

  /** Returns the time of the page at a time of the session. */
  timeAt(micros: number): number {
    return (this.#origin ?? 0) + micros / 1000;
  }
}
