/** The gestures of a session: of the wheel, and of the pointer at the edges. */
import type { Camera, StampedSignal } from 'zesty-kite';

/** Notches with less time between them are one gesture, seconds. */
const GESTURE_GAP = 0.4;
/** A zoom that is reversed within this time overshot, seconds. */
const BACK_AT_ONCE = 1;
/** Numbers as they come, and what lies in their middle. */
export class Sample {
  readonly values: number[] = [];

  get median(): number {
    const sorted = [...this.values].sort((a, b) => a - b);
    const half = sorted.length >> 1;
    return sorted.length === 0 ? 0 : ((sorted[half] ?? 0) + (sorted[(sorted.length - 1) >> 1] ?? 0)) / 2;
  }

  get most(): number {
    return this.values.reduce((most, value) => Math.max(most, value), 0);
  }
}

/** Gestures of the wheel, and those that were taken back. */
export class Wheel {
  readonly gestures = new Sample();
  overshoots = 0;
  #notches = 0;
  #last = -Infinity;
  #way = 0;

  hear(signal: StampedSignal): void {
    if (signal.kind !== 'wheel' || signal.notches === 0) return;
    const seconds = signal.at / 1e6;
    const way = Math.sign(signal.notches);
    if (way !== this.#way && this.#way !== 0 && seconds - this.#last < BACK_AT_ONCE) this.overshoots += 1;
    if (seconds - this.#last >= GESTURE_GAP || way !== this.#way) this.end();
    this.#notches += Math.abs(signal.notches);
    this.#last = seconds;
    this.#way = way;
  }

  end(): void {
    if (this.#notches > 0) this.gestures.values.push(this.#notches);
    this.#notches = 0;
  }
}

/** Visits of the pointer in the bands that pan, and those after which the map came back at once. */
export class Edges {
  visits = 0;
  reversed = 0;
  /** The pointer pans at a side now. */
  isInside = false;
  #inside = false;
  #from = { x: 0, y: 0 };
  #last: {
    readonly seconds: number;
    readonly movedX: number;
    readonly movedY: number;
    readonly x: number;
    readonly y: number;
  } | null = null;

  frame({ view }: Camera, seconds: number): void {
    const { isInside } = this;
    const { x, y } = view;
    const last = this.#last;
    if (last !== null && seconds - last.seconds < BACK_AT_ONCE) {
      const back = (x - last.x) * last.movedX + (y - last.y) * last.movedY;
      if (back < -0.3 * (last.movedX ** 2 + last.movedY ** 2)) {
        this.reversed += 1;
        this.#last = null;
      }
    }
    if (isInside && !this.#inside) this.#from = { x, y };
    if (!isInside && this.#inside) {
      const [movedX, movedY] = [x - this.#from.x, y - this.#from.y];
      if (Math.hypot(movedX, movedY) > view.span / 1000) {
        this.visits += 1;
        this.#last = { seconds, movedX, movedY, x, y };
      }
    }
    this.#inside = isInside;
  }
}
