/** The latest values of two numbers with their times, and how fast they change: the speed of a hand that lets go. */
import type { Point } from '../view/index.ts';

/** The speed is measured over so many microseconds. */
const LOOKS_BACK = 80_000;
/** A hand that has stood still for so long did not fling anything. */
const PAUSE = 60_000;
/** Where events are rare, both times grow to so many intervals between two events, … */
const EVENTS = 2.5;
/** … but to no more microseconds than this. */
const SELDOM = 200_000;
const LENGTH = 32;

export class Trail {
  readonly #x = new Float64Array(LENGTH);
  readonly #y = new Float64Array(LENGTH);
  readonly #micros = new Float64Array(LENGTH);
  #count = 0;

  clear(): void {
    this.#count = 0;
  }

  add(x: number, y: number, micros: number): void {
    const at = this.#count++ % LENGTH;
    this.#x[at] = x;
    this.#y[at] = y;
    this.#micros[at] = micros;
  }

  /** How fast they go, per second; null after a pause. */
  speed(micros: number): Point | null {
    const last = (this.#count - 1) % LENGTH;
    if (this.#count < 2) return null;
    const between = (this.#micros[last] ?? 0) - (this.#micros[(this.#count - 2) % LENGTH] ?? 0);
    const seldom = Math.min(EVENTS * between, SELDOM);
    if (micros - (this.#micros[last] ?? 0) > Math.max(PAUSE, between > SELDOM ? 0 : seldom)) return null;
    const looksBack = Math.max(LOOKS_BACK, seldom);
    let first = last;
    for (let i = 2; i <= Math.min(this.#count, LENGTH); i++) {
      const at = (this.#count - i) % LENGTH;
      if (micros - (this.#micros[at] ?? 0) > looksBack) break;
      first = at;
    }
    const seconds = ((this.#micros[last] ?? 0) - (this.#micros[first] ?? 0)) / 1e6;
    if (!(seconds > 0)) return null;
    return {
      x: ((this.#x[last] ?? 0) - (this.#x[first] ?? 0)) / seconds,
      y: ((this.#y[last] ?? 0) - (this.#y[first] ?? 0)) / seconds,
    };
  }
}
