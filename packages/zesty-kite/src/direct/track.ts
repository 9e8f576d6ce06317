/** The pose of the camera in a cutscene, between its keyframes. */
import { exp2, log2 } from '../math/index.ts';
import { eased, type Ease } from './ease.ts';
import { targetsOf, type Keyframe } from './keyframes.ts';

/** The pose of the camera in a scene. */
export class Shot {
  x = -0;
  y = -0;
  span = NaN;
  heading = -0;
  /** NaN: by the curve of the zoom. */
  pitch = NaN;
}

type Channel = 'x' | 'y' | 'span' | 'heading' | 'pitch';
const CHANNELS = ['x', 'y', 'span', 'heading', 'pitch'] as const;

/** A keyframe with its zoom as a span, world units. */
export type ShownKeyframe = Omit<Keyframe, 'span'> & { readonly span?: number | undefined };

/** A scene made ready: every keyframe whole. */
export class Track {
  readonly keyframes: readonly ShownKeyframe[];
  readonly start: Readonly<Shot>;
  readonly times: readonly number[];
  readonly events: readonly (string | null)[];
  /** The names of the targets that it goes to. */
  readonly targets: readonly string[];
  readonly #eases: readonly (Ease | 'smooth')[];
  /** A zoom goes evenly in octaves. */
  readonly #values: Readonly<Record<Channel, readonly number[]>>;
  /** For each keyframe the index of its target; -1 for none. */
  readonly #targetAt: readonly number[];
  readonly #shot = new Shot();

  /** @param start the shown pose at the beginning: the keyframe at 0 if there is none */
  constructor(keyframes: readonly ShownKeyframe[], start: Readonly<Shot>) {
    this.keyframes = keyframes;
    this.start = start;
    const all = (keyframes[0]?.at ?? 0) > 0 ? [{ at: 0 }, ...keyframes] : keyframes;
    this.times = all.map(({ at }) => at);
    this.events = all.map(({ event }) => event ?? null);
    this.#eases = all.map(({ ease }) => ease ?? 'in-out');
    this.targets = targetsOf(keyframes);
    // Whole turns, so that the first heading that is named is reached the short way.
    const first = all.find(({ heading }) => heading !== undefined)?.heading ?? start.heading;
    const turns = 360 * Math.round((start.heading - first) / 360);
    const values = { x: [], y: [], span: [], heading: [], pitch: [] } as Record<Channel, number[]>;
    const now: Record<Channel, number> = { ...start };
    const pitched = all.find(({ pitch }) => pitch !== undefined);
    for (const keyframe of all) {
      for (const name of CHANNELS) {
        const named = keyframe[name];
        if (named !== undefined) now[name] = name === 'heading' ? named + turns : named;
        values[name].push(name === 'span' ? log2(now.span) : now[name]);
      }
    }
    if (pitched === undefined) values.pitch.fill(NaN);
    this.#values = values;
    let target = -1;
    this.#targetAt = all.map(({ x, y, target: named }) => {
      if (named !== undefined) target = this.targets.indexOf(named);
      else if (x !== undefined || y !== undefined) target = -1;
      return target;
    });
  }

  /** Seconds. */
  get length(): number {
    return this.times.at(-1) ?? 0;
  }

  /**
   * Returns the pose at a time, in seconds: the same object each time.
   *
   * @param cuts at once to the end of each piece, and stays
   * @param spots the places of the targets, x and y by turns, in the order of `targets`
   */
  at(time: number, cuts: boolean, spots: Float64Array): Readonly<Shot> {
    const { times } = this;
    const out = this.#shot;
    let i = 0;
    while (i < times.length - 1 && (times[i + 1] ?? Infinity) <= time) i++;
    const from = times[i] ?? 0;
    const length = (times[i + 1] ?? Infinity) - from;
    const share = i === times.length - 1 ? 0 : cuts ? 1 : Math.max(0, time - from) / length;
    for (const name of CHANNELS) out[name] = this.#between(name, i, share, length, spots);
    out.span = exp2(out.span);
    return out;
  }

  #valueAt(name: Channel, i: number, spots: Float64Array): number {
    const target = this.#targetAt[i] ?? -1;
    if (target >= 0 && (name === 'x' || name === 'y')) return spots[2 * target + (name === 'x' ? 0 : 1)] ?? NaN;
    return this.#values[name][i] ?? NaN;
  }

  /** Through a keyframe between two smooth pieces it goes as fast as from the one before to the one after; elsewhere it stops. */
  #slopeAt(name: Channel, i: number, spots: Float64Array): number {
    if (i === 0 || this.#eases[i] !== 'smooth' || this.#eases[i + 1] !== 'smooth') return 0;
    const [before = NaN, after = NaN] = [this.times[i - 1], this.times[i + 1]];
    return (this.#valueAt(name, i + 1, spots) - this.#valueAt(name, i - 1, spots)) / (after - before);
  }

  /** Cubic Hermite if it is smooth. */
  #between(name: Channel, i: number, share: number, length: number, spots: Float64Array): number {
    const from = this.#valueAt(name, i, spots);
    if (share === 0) return from;
    const to = this.#valueAt(name, i + 1, spots);
    const ease = this.#eases[i + 1];
    if (share === 1) return to;
    if (ease !== 'smooth') return from + (to - from) * eased(ease ?? 'none', share);
    const left = 1 - share;
    const out = this.#slopeAt(name, i, spots) * length;
    const into = this.#slopeAt(name, i + 1, spots) * length;
    return from + (to - from) * share * share * (3 - 2 * share) + share * left * (out * left - into * share);
  }
}
