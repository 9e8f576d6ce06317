/** Where two numbers went lately, and so how fast: what a hand that lets go has of speed. */
import type { Point } from '../view/index.ts';

/** The last so many microseconds say how fast. */
const LOOKS_BACK = 80_000;
/** A hand that has stood still for so long did not fling anything. */
const PAUSE = 60_000;
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
    if (this.#count < 2 || micros - (this.#micros[last] ?? 0) > PAUSE) return null;
    let first = last;
    for (let i = 2; i <= Math.min(this.#count, LENGTH); i++) {
      const at = (this.#count - i) % LENGTH;
      if (micros - (this.#micros[at] ?? 0) > LOOKS_BACK) break;
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
