/** Signals that wait for their time: in order of time, and of arrival where times are equal. */
import type { SignalBody } from './signal.ts';

export class SignalQueue {
  readonly #waiting: { readonly time: number; readonly body: SignalBody }[] = [];

  get isEmpty(): boolean {
    return this.#waiting.length === 0;
  }

  /** The time of the next signal, DOM milliseconds; -Infinity for now, NaN when there is none. */
  get nextTime(): number {
    return this.#waiting[0]?.time ?? NaN;
  }

  add(body: SignalBody, time: number): void {
    let place = this.#waiting.length;
    while (place > 0 && (this.#waiting[place - 1]?.time ?? -Infinity) > time) place--;
    this.#waiting.splice(place, 0, { time, body });
  }

  /** Takes the next signal out. */
  take(): SignalBody | null {
    return this.#waiting.shift()?.body ?? null;
  }

  /** Every waiting signal in order, with its time. */
  [Symbol.iterator](): IterableIterator<{ readonly time: number; readonly body: SignalBody }> {
    return this.#waiting.values();
  }
}
