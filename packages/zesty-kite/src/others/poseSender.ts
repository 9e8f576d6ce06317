/** One's own camera for others to see: as few records as an error in pixels allows. */
import { checkFunction, checkMade, checkNumber, checkObject } from '../messages/index.ts';
import type { Camera } from '../camera/index.ts';
import { exp2, log2, norm } from '../math/index.ts';
import { shown } from '../settings/index.ts';
import { aim, nearestCopy, View } from '../view/index.ts';
import { between, Moment, poseOf, SPAN, type PoseRecord } from './record.ts';

export interface PoseSenderOptions {
  /** By how much what others see may be off, CSS pixels of this screen, > 0; 0.5 when left out. It holds for the middle, the corners
   * and the middles of the sides. */
  readonly error?: number;
  /** While it moves a record is sent at least this often, seconds, > 0; 0.2 when left out. Receivers wait for longer than this. */
  readonly within?: number;
  /** How many of the records before each carries, for when the network has lost them, 0 … 8; 2 when left out. */
  readonly repeats?: number;
}

/** How long a rest lasts before its record is sent again, milliseconds. */
const REST = 1000;

/** How long before a frame a camera set out that was at rest, milliseconds. */
const FRAME = 1000 / 60;

/**
 * Sends the pose of a camera as records. At rest, each second of calls to `sample` repeats the last record.
 *
 * ```ts
 * const sender = new PoseSender(camera, (record) => socket.send(JSON.stringify(record)));
 * camera.advance(time);
 * sender.sample(time);
 * ```
 */
export class PoseSender {
  readonly #camera: Camera;
  readonly #send: (record: PoseRecord) => void;
  readonly #error: number;
  readonly #within: number;
  readonly #repeats: number;
  /** The records sent last, the latest first. */
  #earlier: readonly PoseRecord[] = [];
  /** When a record was sent last, milliseconds. */
  #putAt = NaN;
  /** The one sent last, as others have it. */
  #sent: Moment | null = null;
  /** Its pose, as it was sent. */
  #pose: PoseRecord['pose'] = [0, 0, 0, 1, 0, 90, 0];
  /** The frame before, as it was. */
  #last: Moment | null = null;
  /** Frames since then, as they were; and the last of them as a record that would do for all of them. */
  readonly #since: Moment[] = [];
  #candidate: PoseRecord | null = null;
  /** Of the screen on which it would. */
  #width = NaN;
  #height = NaN;
  readonly #true = new View();
  readonly #seen = new View();

  /** @throws RangeError for options that will not do */
  constructor(camera: Camera, send: (record: PoseRecord) => void, options: PoseSenderOptions = {}) {
    checkMade('PoseSender.camera', camera, 'shown', 'a camera');
    checkFunction('PoseSender.send', send);
    checkObject('options', options, 'an object such as { error: 0.5 }');
    const { error = 0.5, within = 0.2, repeats = 2 } = options;
    checkNumber('options.repeats', repeats, 0, 8);
    for (const [name, value] of Object.entries({ error, within }))
      if (!(value > 0 && Number.isFinite(value)))
        throw new RangeError(`options.${name}: expected a number above 0, got ${shown(value)}`);
    this.#camera = camera;
    this.#send = send;
    this.#error = error;
    this.#within = within * 1000;
    this.#repeats = Math.floor(repeats);
  }

  /** Call it after each `advance`: it sends a record if the others need one. */
  sample(time: number): void {
    const last = this.#last;
    if (!Number.isFinite(time) || (last !== null && time <= last.at)) return;
    // A camera at rest draws no frames: it set out just before this one.
    const rested = this.#since.length === 0 && this.#sent?.rates.every((rate) => rate === 0) === true;
    const before = last === null ? time : rested ? Math.max(last.at, time - FRAME) : last.at;
    const now = this.#take(time, last, (time - before) / 1000);
    this.#last = now;
    const { width, height } = this.#camera.view;
    // The measure of another screen still applies.
    if (this.#candidate !== null && (width !== this.#width || height !== this.#height)) this.#put(this.#candidate);
    this.#width = width;
    this.#height = height;
    const record = this.#recordOf(now);
    const sent = this.#sent;
    if (last === null || sent === null) {
      this.#put(record);
      return;
    }
    if (rested && isSame(Moment.of(record), sent)) {
      // That record may have been lost.
      if (time - this.#putAt >= REST) this.#put({ at: time, pose: this.#pose });
      return;
    }
    if (rested && before > sent.at) this.#put({ at: before, pose: this.#pose });
    if (this.#candidate !== null && !this.#doesForAll(Moment.of(record))) this.#put(this.#candidate);
    this.#since.push(now);
    this.#candidate = record;
    if (this.#camera.settled || (this.#sent !== null && time - this.#sent.at >= this.#within)) this.#put(record);
  }

  /** The camera as it is shown, with coordinates and heading that go on from the last. */
  #take(time: number, last: Moment | null, seconds: number): Moment {
    const { x, y, focusHeight, span, heading, pitch, fieldOfView } = this.#camera.shown;
    const { periodX = 0, periodY = 0 } = this.#camera.view.ground;
    const now = new Moment();
    now.at = time;
    const [lastX = x, lastY = y] = last?.values ?? [];
    const east = periodX > 0 ? lastX + nearestCopy(x - lastX, periodX) : x;
    const south = periodY > 0 ? lastY + nearestCopy(y - lastY, periodY) : y;
    now.values.set([east, south, focusHeight, log2(span), heading, pitch, fieldOfView]);
    if (last === null || this.#camera.settled) return now;
    now.values.forEach((value, i) => {
      now.rates[i] = (value - (last.values[i] ?? value)) / seconds;
    });
    return now;
  }

  /** Rounded as finely as the error allows: along a flat view, or through a wide lens, a digit counts for more. */
  #recordOf(moment: Moment): PoseRecord {
    const { scale, width, height, ground } = this.#camera.view;
    const fine = this.#error / 256;
    const lengths = digits(fine / scale);
    const angles = digits(fine / height);
    aim(this.#true, poseOf(moment.values), { width, height }, ground);
    for (let more = 0; ; more++) {
      const record = roundedTo(moment, lengths + more, angles + more);
      aim(this.#seen, poseOf(Moment.of(record).values), { width, height }, ground);
      if (more === MOST_DIGITS || offBy(this.#true, this.#seen) <= this.#error * ROUNDING) return record;
    }
  }

  /** Whether every frame since the record before shows within the error, were this the next. */
  #doesForAll(next: Moment): boolean {
    const { width, height, ground } = this.#camera.view;
    const from = this.#sent;
    if (from === null) return true;
    const guess = new Float64Array(7);
    return this.#since.every(({ at, values }) => {
      between(from, next, at, guess);
      aim(this.#true, poseOf(values), { width, height }, ground);
      aim(this.#seen, poseOf(guess), { width, height }, ground);
      return offBy(this.#true, this.#seen) <= this.#error;
    });
  }

  #put(record: PoseRecord): void {
    this.#sent = Moment.of(record);
    this.#pose = record.pose;
    this.#since.length = 0;
    this.#candidate = null;
    this.#putAt = record.at;
    const earlier = this.#earlier;
    this.#earlier = [record, ...earlier].slice(0, this.#repeats);
    this.#send(earlier.length === 0 ? record : { ...record, earlier });
  }

  /** The record for players who join now: the pose at the time of the last frame. Null before the first. */
  get record(): PoseRecord | null {
    return this.#last === null ? null : this.#recordOf(this.#last);
  }
}

/** Shares of the screen: its middle, its corners, and the middles of its sides. The sky does not matter. */
const SHARES = [0, 0.5, 1] as const;

/** The greatest distance of the ground from its place, CSS pixels, of nine places. */
function offBy(should: View, does: View): number {
  const ground = { x: 0, y: 0 };
  let most = 0;
  for (const u of SHARES)
    for (const v of SHARES) {
      const x = u * should.width;
      const y = v * should.height;
      if (should.toLevel(x, y, should.focusHeight, ground) === null) continue;
      const at = does.toScreen(ground.x, ground.y, should.focusHeight);
      most = Math.max(most, norm(at.x - x, at.y - y));
    }
  return most;
}

function isSame(a: Moment, b: Moment): boolean {
  return a.values.every((value, i) => value === b.values[i]);
}

function roundedTo({ at, values, rates }: Moment, lengths: number, angles: number): PoseRecord {
  const round = (list: Float64Array): [number, number, number, number, number, number, number] => {
    const [x = 0, y = 0, focusHeight = 0, zoom = 0, heading = 0, pitch = 0, fieldOfView = 0] = list;
    return [
      rounded(x, lengths),
      rounded(y, lengths),
      rounded(focusHeight, lengths),
      rounded(zoom, angles),
      rounded(heading, angles),
      rounded(pitch, angles),
      rounded(fieldOfView, angles),
    ];
  };
  const pose = round(values);
  pose[SPAN] = rounded(exp2(values[SPAN] ?? 0), lengths + 1);
  return rates.some((rate) => rate !== 0) ? { at, pose, rates: round(rates) } : { at, pose };
}

const MOST_DIGITS = 12;
/** The share of the error that rounding may take. */
const ROUNDING = 1 / 32;

/** How many decimals a step of this size needs. */
function digits(step: number): number {
  return Math.min(MOST_DIGITS, Math.max(0, Math.ceil(-log2(step) / log2(10))));
}

function rounded(value: number, decimals: number): number {
  return Number(value.toFixed(decimals));
}
