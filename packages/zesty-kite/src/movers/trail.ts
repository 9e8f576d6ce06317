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

interface Sample extends Point {
  readonly micros: number;
}

export class Trail {
  /** The newest first. */
  samples: readonly Sample[] = [];

  clear(): void {
    this.samples = [];
  }

  add(x: number, y: number, micros: number): void {
    // Of two at one time, the later counts.
    const before = this.samples.filter((sample) => sample.micros !== micros);
    this.samples = [{ x, y, micros }, ...before].slice(0, LENGTH);
  }

  /** The speeds, per second; null without events in the last moment. */
  speed(micros: number): Point | null {
    const [newest, ...earlier] = this.samples;
    if (newest === undefined || earlier[0] === undefined) return null;
    const moment = Math.max(LOOKS_BACK, Math.min(EVENTS * (newest.micros - earlier[0].micros), LONGEST));
    let x = 0;
    let y = 0;
    let known = 0;
    let to = newest;
    for (const from of earlier) {
      const since = Math.min(1, (micros - to.micros) / moment);
      if (since >= 1) break;
      known = micros - from.micros;
      const share = weight(since, Math.min(1, known / moment));
      const seconds = (to.micros - from.micros) / 1e6;
      x += (share * (to.x - from.x)) / seconds;
      y += (share * (to.y - from.y)) / seconds;
      to = from;
    }
    const all = weight(0, Math.min(1, Math.max(known, SHORTEST) / moment));
    return known > 0 ? { x: x / all, y: y / all } : null;
  }
}

/** How much of the mean falls between two ages, shares of the moment: it falls evenly from the newest to nothing. */
function weight(newer: number, older: number): number {
  return (older - newer) * (2 - older - newer);
}
