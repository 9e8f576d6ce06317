/** Another player's camera, shown smoothly with a stated delay, whatever happens to its records. */
import { checkNumber, checkObject } from '../messages/index.ts';
import { exp2, LN2 } from '../math/index.ts';
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

/** Without records the camera coasts, and loses half of its speed in this many seconds. */
const COASTS = 0.05;
/** Late records are caught up with this half-life, seconds. */
const CATCHES_UP = 0.1;
/** Milliseconds: a record that is so much earlier or later than the others is of another clock. */
const LEAP = 10_000;
/** How much two clocks may drift apart, milliseconds in a millisecond. */
const DRIFT = 1e-3;
/** Records that are kept: more than come within any delay. */
const MOST = 1024;

/**
 * Receives the records of another camera, and returns its pose at a time.
 *
 * ```ts
 * const other = new PoseReceiver({ delay: 0.3 });
 * socket.onmessage = ({ data }) => other.take(JSON.parse(data), performance.now());
 * const pose = other.at(time);
 * if (pose !== null) aim(view, pose, { width: 1280, height: 800 });
 * ```
 */
export class PoseReceiver {
  readonly #delay: number;
  /** In order of time. */
  readonly #moments: Moment[] = [];
  /** The least of what this clock was ahead of the sender's when a record came, milliseconds. */
  #ahead = Infinity;
  /** The same of a record of another clock, which waits for a second one. */
  #otherAhead = NaN;
  /** When the last record came. */
  #taken = NaN;
  /** The time of the last frame by this clock. */
  #now = NaN;
  /** By how much what is shown is off, after records that came too late. */
  readonly #off = new Float64Array(7);
  readonly #before = new Float64Array(7);
  readonly #after = new Float64Array(7);

  /** @throws RangeError for a delay that is none */
  constructor(options: PoseReceiverOptions = {}) {
    checkObject('options', options, 'an object such as { delay: 0.3 }');
    const { delay = 0.3 } = options;
    if (!(delay > 0 && Number.isFinite(delay)))
      throw new RangeError(`options.delay: expected seconds above 0, got ${shown(delay)}`);
    this.#delay = delay * 1000;
  }

  /**
   * A record has come, at `now` by this clock (milliseconds); in any order, and more than once if need be. A record from
   * another time is ignored, unless the next one is from there as well: then the sender's clock has changed.
   *
   * @throws TypeError for what is no record; then nothing has changed
   */
  take(record: PoseRecord, now: number): void {
    checkNumber('take.now', now);
    const moment = Moment.of(record);
    const earlier = (record.earlier ?? []).map((one) => Moment.of(one));
    const before = this.#before;
    const wasShown = this.#read(this.#now, before);
    if (this.#isOfThisClock(moment, now)) {
      for (const one of earlier) this.#keep(one);
      if (this.#keep(moment)) this.#ahead = Math.min(this.#ahead, now - moment.at);
    }
    // The picture goes on from its present pose.
    if (!wasShown) return;
    const after = this.#after;
    this.#read(this.#now, after);
    for (let i = 0; i < before.length; i++) this.#off[i] = (this.#off[i] ?? 0) + (before[i] ?? 0) - (after[i] ?? 0);
  }

  /** Whether a record is of the clock that the others are of. If two in a row are of another one, that is the clock from now on. */
  #isOfThisClock({ at }: Moment, now: number): boolean {
    const ahead = now - at;
    // Two clocks drift apart, so the fastest record of long ago does not count today.
    if (now > this.#taken) this.#ahead += (now - this.#taken) * DRIFT;
    if (!(now <= this.#taken)) this.#taken = now;
    const isNear = this.#ahead === Infinity || Math.abs(ahead - this.#ahead) <= LEAP;
    const isConfirmed = Math.abs(ahead - this.#otherAhead) <= LEAP;
    this.#otherAhead = isNear ? NaN : ahead;
    if (isNear) return true;
    if (!isConfirmed) return false;
    this.#moments.length = 0;
    this.#ahead = Infinity;
    this.#otherAhead = NaN;
    return true;
  }

  /** Says whether it is new. The oldest are forgotten when there are too many. */
  #keep(moment: Moment): boolean {
    const moments = this.#moments;
    const index = moments.findLastIndex(({ at }) => at <= moment.at);
    if (moments[index]?.at === moment.at || (index < 0 && moments.length >= MOST)) return false;
    moments.splice(index + 1, 0, moment);
    if (moments.length > MOST) moments.shift();
    return true;
  }

  /**
   * The pose at a time of this clock, milliseconds, not before the last; null before the first record.
   *
   * @param out is set and handed back; a new one when left out
   */
  at(
    now: number,
    out: Pose = { x: 0, y: 0, focusHeight: 0, span: 1, heading: 0, pitch: 90, fieldOfView: 0 },
  ): Pose | null {
    const before = this.#before;
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

  /** Sets `out` to the pose of a time by this clock. Returns false if the records do not cover it. */
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
