/** Exponential decay, exact for any division of time into steps: what remains halves every half-life. */
import { exp2, LN2 } from './exp2.ts';

/** How far an ease goes that begins at a speed: v · h / ln 2 with half-life h, the integral of v · 2^(-t/h). */
export function lengthOfEase(speed: number, halfLife: number): number {
  return (speed * halfLife) / LN2;
}

/** How a value eases toward a target over one step. */
export class Decay {
  /** How often it halves in a second; infinite for a half-life of 0, which arrives at once. */
  #rate = NaN;
  /** The time constant: half-life / ln 2, seconds. */
  #time = NaN;
  /** The length of the step that the rest is of, seconds. */
  #seconds = NaN;
  /** The share of the distance that remains after the step, 0 … 1. */
  remaining = NaN;
  /**
   * How far it lags behind a target that moves evenly, as a share of what the target moves in the step:
   * (1 - remaining) / (k · seconds), from value' = -k · (value - target), k = ln 2 / half-life.
   */
  #lag = NaN;

  /** @param halfLife seconds, ≥ 0 */
  take(halfLife: number): void {
    this.#rate = 1 / halfLife;
    this.#time = halfLife / LN2;
    this.#seconds = NaN;
  }

  /**
   * Returns what is left, after the step, of a distance from a target that moves evenly meanwhile.
   *
   * @param distance from where the target was
   * @param moved how far the target moves in the step
   */
  left(distance: number, moved: number): number {
    return distance * this.remaining - moved * this.#lag;
  }

  /** The same over a step of so many seconds, > 0. */
  over(seconds: number): this {
    if (seconds === this.#seconds) return this;
    this.#seconds = seconds;
    this.remaining = exp2(-seconds * this.#rate);
    this.#lag = ((1 - this.remaining) * this.#time) / seconds;
    return this;
  }
}
