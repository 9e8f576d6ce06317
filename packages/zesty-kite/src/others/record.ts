/** The record of a camera: its pose at one moment, and its rates. */
import { exp2, log2 } from '../math/index.ts';
import { refuse } from '../messages/index.ts';
import type { Pose } from '../view/index.ts';

/** One moment of a camera: plain JSON. */
export interface PoseRecord {
  /** Milliseconds by the sender's clock. */
  readonly at: number;
  /** x, y, focus height and span in world units, then heading, pitch and field of view in degrees. */
  readonly pose: PoseNumbers;
  /** The rates per second; of the span, octaves per second. Left out if nothing moves. */
  readonly rates?: PoseNumbers;
  /** The records before, the latest first, for when the network has lost them. */
  readonly earlier?: readonly Omit<PoseRecord, 'earlier'>[];
}

/** A number for each field of a pose. */
export type PoseNumbers = readonly [number, number, number, number, number, number, number];

/** The index of the span in a pose. */
export const SPAN = 3;
const FIELDS = 7;
/** As far as a camera goes: world units and degrees; a second; and octaves a second. */
const FARTHEST = 1e12;
const FASTEST = 1e12;
const FASTEST_ZOOM = 100;
/** log₂ of the least and the greatest span. */
const OCTAVES = 40;
/** A record carries no more of those before. */
const MOST_EARLIER = 8;

/** A record with the span as log₂, in which a camera goes from one to the next. */
export class Moment {
  at = NaN;
  readonly values: Float64Array = new Float64Array(FIELDS);
  readonly rates: Float64Array = new Float64Array(FIELDS);

  /** @throws TypeError for what is no record */
  static of(record: PoseRecord): Moment {
    const { at, pose, rates } = checked(record);
    const moment = new Moment();
    moment.at = at;
    moment.values.set(pose);
    moment.values[SPAN] = log2(pose[SPAN]);
    if (rates !== undefined)
      rates.forEach((rate, i) => {
        const most = i === SPAN ? FASTEST_ZOOM : FASTEST;
        moment.rates[i] = Math.min(Math.max(rate, -most), most);
      });
    return moment;
  }
}

/** Sets `out`, or a new pose, to that of values that go with log₂ of the span. */
export function poseOf(
  values: Float64Array,
  out: Pose = { x: 0, y: 0, focusHeight: 0, span: 1, heading: 0, pitch: 90, fieldOfView: 0 },
): Pose {
  const [x = 0, y = 0, focusHeight = 0, zoom = 0, heading = 0, pitch = 90, fieldOfView = 0] = values;
  out.x = x;
  out.y = y;
  out.focusHeight = focusHeight;
  out.span = exp2(Math.min(Math.max(zoom, -OCTAVES), OCTAVES));
  out.heading = heading;
  // A curve through both may go a little beyond them.
  out.pitch = Math.min(90, Math.max(pitch, 1));
  out.fieldOfView = Math.min(Math.max(0, fieldOfView), 178);
  return out;
}

/** Sets `out` to the pose between one moment and the next: cubic Hermite, with both rates. */
export function between(from: Moment, to: Moment, at: number, out: Float64Array): void {
  const seconds = (to.at - from.at) / 1000;
  const t = (at - from.at) / (to.at - from.at);
  const s = 1 - t;
  for (let i = 0; i < FIELDS; i++) {
    const a = from.values[i] ?? 0;
    const b = to.values[i] ?? 0;
    const leaves = (from.rates[i] ?? 0) * seconds;
    const comes = (to.rates[i] ?? 0) * seconds;
    out[i] =
      a === b && leaves === 0 && comes === 0
        ? a
        : s * s * ((1 + 2 * t) * a + t * leaves) + t * t * ((1 + 2 * s) * b - s * comes);
  }
}

function checked(record: PoseRecord): PoseRecord {
  const given: unknown = record;
  const { at, pose, rates, earlier } = (given ?? {}) as Partial<Record<keyof PoseRecord, unknown>>;
  if (typeof at !== 'number' || !Number.isFinite(at)) refuse('record.at', at, 'milliseconds');
  if (!areNumbers(pose)) refuse('record.pose', pose, 'seven finite numbers');
  if (!pose.every((number) => Math.abs(number) <= FARTHEST)) refuse('record.pose', pose, 'numbers from -1e12 to 1e12');
  if (!((pose[SPAN] ?? 0) > 0)) refuse('record.pose[3]', pose[SPAN], 'a span above 0');
  if (rates !== undefined && !areNumbers(rates)) refuse('record.rates', rates, 'seven finite numbers, or nothing');
  if (earlier !== undefined && (!Array.isArray(earlier) || earlier.length > MOST_EARLIER))
    refuse('record.earlier', earlier, `a list of up to ${String(MOST_EARLIER)} records`);
  return record;
}

function areNumbers(value: unknown): value is readonly number[] {
  return Array.isArray(value) && value.length === FIELDS && value.every((number) => Number.isFinite(number));
}
