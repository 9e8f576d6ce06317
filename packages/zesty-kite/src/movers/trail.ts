/**
 * The latest values of two numbers with their times, and how fast they change: the speed of a hand that lets go.
 *
 * That is a weighted mean of their speed over the last moment, the newest counting most and the oldest nothing; since the
 * last movement it has been 0. So it depends smoothly on every movement and every pause.
 */
import type { Point } from '../view/index.ts';

/** The last moment, microseconds. */
const LOOKS_BACK = 120_000;
/** If events are rare, it grows to this many intervals between two events, … */
const EVENTS = 3;
/** … but to no more microseconds than this. */
const LONGEST = 250_000;
/** A hand that has moved for less than this has not come to its speed. */
const SHORTEST = 16_000;
const LENGTH = 32;

export class Trail {
  readonly x = new Float64Array(LENGTH);
  readonly y = new Float64Array(LENGTH);
  readonly micros = new Float64Array(LENGTH);
  count = 0;

  clear(): void {
    this.count = 0;
  }

  add(x: number, y: number, micros: number): void {
    // Of two at one time, the later counts.
    if (this.count > 0 && this.micros[(this.count - 1) % LENGTH] === micros) this.count -= 1;
    const at = this.count++ % LENGTH;
    this.x[at] = x;
    this.y[at] = y;
    this.micros[at] = micros;
  }

  /** The speeds, per second; null without events in the last moment. */
  speed(micros: number): Point | null {
    if (this.count < 2) return null;
    const between = this.#at(1).micros - this.#at(2).micros;
    const moment = Math.max(LOOKS_BACK, Math.min(EVENTS * between, LONGEST));
    let x = 0;
    let y = 0;
    let known = 0;
    for (let i = 1; i < Math.min(this.count, LENGTH); i++) {
      const to = this.#at(i);
      const from = this.#at(i + 1);
      const since = Math.min(1, (micros - to.micros) / moment);
      if (since >= 1) break;
      const share = weight(since, Math.min(1, (micros - from.micros) / moment));
      const seconds = (to.micros - from.micros) / 1e6;
      x += (share * (to.x - from.x)) / seconds;
      y += (share * (to.y - from.y)) / seconds;
      known = micros - from.micros;
    }
    const all = weight(0, Math.min(1, Math.max(known, SHORTEST) / moment));
    return known > 0 ? { x: x / all, y: y / all } : null;
  }

  /** The latest, counted back from 1. */
  #at(back: number): { x: number; y: number; micros: number } {
    const at = (this.count - back) % LENGTH;
    return { x: this.x[at] ?? 0, y: this.y[at] ?? 0, micros: this.micros[at] ?? 0 };
  }
}

/** How much of the mean falls between two ages, shares of the moment: it falls evenly from the newest to nothing. */
function weight(newer: number, older: number): number {
  return (older - newer) * (2 - older - newer);
}
