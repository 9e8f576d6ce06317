/**
 * Signals that wait for their time: in order of time, and of arrival where times are equal. Those without a time come at
 * once, but after all that came before them and are due.
 */
import type { SignalBody } from './kinds.ts';

interface Waiting {
  readonly time: number;
  readonly order: number;
  readonly body: SignalBody;
}

/** A binary heap: whatever the order of times, adding and taking cost the logarithm of how many wait. */
export class SignalQueue {
  readonly #heap: Waiting[] = [];
  /** Without a time, in order of arrival. */
  readonly #untimed: Waiting[] = [];
  #order = 0;

  get isEmpty(): boolean {
    return this.#heap.length === 0 && this.#untimed.length === 0;
  }

  /** All that waits, in order of arrival; those without a time have that of -Infinity. */
  get inOrder(): Waiting[] {
    return [...this.#heap, ...this.#untimed].sort((one, other) => one.order - other.order);
  }

  /**
   * The time of the next signal, DOM milliseconds; -Infinity for one without a time, NaN when there is none.
   *
   * @param now times up to this are due
   */
  nextTime(now: number): number {
    return (this.#isUntimedNext(now) ? this.#untimed[0] : this.#heap[0])?.time ?? NaN;
  }

  #isUntimedNext(now: number): boolean {
    const first = this.#untimed[0];
    return first !== undefined && !this.#heap.some(({ time, order }) => time <= now && order < first.order);
  }

  /** The earliest time that is one, of those that wait; NaN when there is none. */
  get firstTime(): number {
    let first = NaN;
    for (const { time } of this.#heap) if (!(time >= first)) first = time;
    return first;
  }

  add(body: SignalBody, time: number): void {
    const heap = this.#heap;
    const added = { time, order: this.#order++, body };
    if (time === -Infinity) {
      this.#untimed.push(added);
      return;
    }
    let at = heap.length;
    heap.push(added);
    while (at > 0) {
      const above = (at - 1) >> 1;
      const parent = heap[above];
      if (parent === undefined || !isBefore(added, parent)) break;
      heap[at] = parent;
      at = above;
    }
    heap[at] = added;
  }

  /** Takes the next signal out. */
  take(now: number): SignalBody | null {
    if (this.#isUntimedNext(now)) return this.#untimed.shift()?.body ?? null;
    const heap = this.#heap;
    const first = heap[0];
    const last = heap.pop();
    if (first === undefined || last === undefined) return null;
    if (first !== last) this.#sink(last);
    return first.body;
  }

  /** Puts one on top, and down to where it belongs. */
  #sink(moved: Waiting): void {
    const heap = this.#heap;
    let at = 0;
    for (;;) {
      const left = heap[2 * at + 1];
      const right = heap[2 * at + 2];
      if (left === undefined) break;
      const isRight = right !== undefined && isBefore(right, left);
      const child = isRight ? right : left;
      if (!isBefore(child, moved)) break;
      heap[at] = child;
      at = 2 * at + (isRight ? 2 : 1);
    }
    heap[at] = moved;
  }
}

function isBefore(one: Waiting, other: Waiting): boolean {
  return one.time < other.time || (one.time === other.time && one.order < other.order);
}
