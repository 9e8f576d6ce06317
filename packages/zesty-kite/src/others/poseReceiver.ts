/** Another's camera, shown smoothly a stated delay later, whatever the network does to its records. */
import { checkObject, refuse } from '../messages/index.ts';
import { exp2 } from '../math/index.ts';
import { shown } from '../settings/index.ts';
import type { Pose } from '../view/index.ts';
import { between, Moment, poseOf, type PoseRecord } from './record.ts';

export interface PoseReceiverOptions {
  /**
   * How long after the fastest of its records a pose is shown, seconds, > 0; 0.3 when left out. As long as it takes from one
   * record to the next, and by how much the network's delay varies: then it shows all as it was.
   */
  readonly delay?: number;
}

/** Where records did not come in time it goes on as it went, and loses half of its speed in so many seconds. */
const COASTS = 0.05;
/** What came too late is made up for with this half-life, seconds. */
const CATCHES_UP = 0.1;
const LN2 = 0.6931471805599453;

/**
 * ```ts
 * const other = new PoseReceiver({ delay: 0.3 });
 * socket.onmessage = ({ data }) => other.take(JSON.parse(data), performance.now());
 * const pose = other.at(time);
 * if (pose !== null) aim(view, pose, screen);
 * ```
 */
export class PoseReceiver {
  readonly #delay: number;
  /** In order of time. */
  readonly #moments: Moment[] = [];
  /** The least of what this clock was ahead of the sender's when a record came, milliseconds. */
  #ahead = Infinity;
  /** The time of the last frame by this clock. */
  #now = NaN;
  /** By how much what is shown is off, after records that came too late. */
  readonly #off = new Float64Array(7);

  /** @throws RangeError for a delay that is none */
  constructor(options: PoseReceiverOptions = {}) {
    checkObject('options', options, 'an object such as { delay: 0.3 }');
    const { delay = 0.3 } = options;
    if (!(delay > 0 && Number.isFinite(delay)))
      throw new RangeError(`options.delay: found ${shown(delay)}; wanted seconds above 0`);
    this.#delay = delay * 1000;
  }

  /**
   * A record has come, at `now` by this clock (milliseconds); in any order, and more than once if need be.
   *
   * @throws TypeError for what is no record; then nothing has changed
   */
  take(record: PoseRecord, now: number): void {
    const moment = Moment.of(record);
    if (typeof now !== 'number') refuse('take.now', now, 'milliseconds');
    const wasShown = this.#read(this.#now, before);
    const index = this.#moments.findLastIndex(({ at }) => at <= moment.at);
    if (this.#moments[index]?.at === moment.at) return;
    this.#moments.splice(index + 1, 0, moment);
    this.#ahead = Math.min(this.#ahead, now - moment.at);
    // What shows goes on from where it was.
    if (!wasShown) return;
    this.#read(this.#now, after);
    for (let i = 0; i < before.length; i++) this.#off[i] = (this.#off[i] ?? 0) + (before[i] ?? 0) - (after[i] ?? 0);
  }

  /**
   * What to show at a time by this clock, milliseconds, not before the last; null until there is something.
   *
   * @param out is set and handed back; a new one when left out
   */
  at(
    now: number,
    out: Pose = { x: 0, y: 0, focusHeight: 0, span: 1, heading: 0, pitch: 90, fieldOfView: 0 },
  ): Pose | null {
    const seconds = Math.max(0, now - this.#now) / 1000;
    if (!(now <= this.#now)) this.#now = now;
    if (!this.#read(this.#now, before)) return null;
    this.#forget();
    const remaining = seconds > 0 ? exp2(-seconds / CATCHES_UP) : 1;
    for (let i = 0; i < before.length; i++) {
      const off = (this.#off[i] ?? 0) * remaining;
      this.#off[i] = Math.abs(off) < 1e-9 ? 0 : off;
      before[i] = (before[i] ?? 0) + off;
    }
    return poseOf(before, out);
  }

  /** Sets `out` to what the records say of a time by this clock. Says whether they do. */
  #read(now: number, out: Float64Array): boolean {
    const moments = this.#moments;
    const [first] = moments;
    const last = moments.at(-1);
    if (first === undefined || last === undefined || Number.isNaN(now)) return false;
    const at = now - this.#ahead - this.#delay;
    if (at <= first.at) out.set(first.values);
    else if (at >= last.at) {
      const coasted = (COASTS / LN2) * (1 - exp2(-(at - last.at) / 1000 / COASTS));
      for (let i = 0; i < out.length; i++) out[i] = (last.values[i] ?? 0) + (last.rates[i] ?? 0) * coasted;
    } else {
      const index = moments.findLastIndex((moment) => moment.at <= at);
      between(moments[index] ?? first, moments[index + 1] ?? last, at, out);
    }
    return true;
  }

  /** Drops what is over. */
  #forget(): void {
    const at = this.#now - this.#ahead - this.#delay;
    const index = this.#moments.findLastIndex((moment) => moment.at <= at);
    if (index > 0) this.#moments.splice(0, index);
  }
}

const before = new Float64Array(7);
const after = new Float64Array(7);
