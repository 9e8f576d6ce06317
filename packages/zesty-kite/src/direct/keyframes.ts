/** The keyframes of a cutscene, as data: how they are read, and what lies between them. */
import { exp2, log2 } from '../math/index.ts';
import { refuse } from '../messages/index.ts';
import { isSpan, SPAN, type Span } from '../settings/index.ts';
import { span } from '../signals/index.ts';
import { EASES, eased, type Ease } from './ease.ts';

export const KEY_EASES = [...EASES, 'smooth'] as const;

/** A pose at a time. Fields that are left out stay as in the keyframe before, or as the camera stands at the beginning. */
export interface Keyframe {
  /** Seconds since the scene began; each later than the one before. */
  readonly at: number;
  /** The focus, world units. */
  readonly x?: number | undefined;
  readonly y?: number | undefined;
  /** Instead of `x` and `y`: the name of a target in the `targets` of `play`. The focus is at its place at that time. */
  readonly target?: string | undefined;
  /** World units from the top to the bottom of the safe frame, or another unit: `{ pixelsPerUnit: 2 }`. */
  readonly span?: Span | undefined;
  /** Degrees clockwise, as they are given: from 0 to 360 is a whole turn. The first is reached the short way. */
  readonly heading?: number | undefined;
  /** Degrees below the horizon; by the curve of the zoom as long as no keyframe names one. */
  readonly pitch?: number | undefined;
  /** How it is come to: `smooth` goes through it without a stop, if the next is smooth too; `in-out` when left out. */
  readonly ease?: Ease | 'smooth' | undefined;
  /** Told of when it is passed. */
  readonly event?: string | undefined;
}

/** A cutscene. Plain data: a file of a game. */
export interface Cutscene {
  /** The places of the cutscene, in the order of their times. */
  readonly keyframes: readonly Keyframe[];
}

const NUMBERS = {
  at: [0, 86_400],
  x: [-1e12, 1e12],
  y: [-1e12, 1e12],
  heading: [-1e6, 1e6],
  pitch: [0, 90],
} as const;

function range(name: keyof typeof NUMBERS): {
  readonly type: 'number';
  readonly minimum: number;
  readonly maximum: number;
} {
  const [minimum, maximum] = NUMBERS[name];
  return { type: 'number', minimum, maximum };
}

const KEYS = new Set([...Object.keys(NUMBERS), 'span', 'ease', 'event', 'target']);

/** JSON Schema 2020-12. */
export const KEYFRAME_SCHEMA = {
  type: 'object',
  properties: {
    at: range('at'),
    x: range('x'),
    y: range('y'),
    span: span.schema,
    heading: range('heading'),
    pitch: range('pitch'),
    ease: { enum: KEY_EASES },
    event: { type: 'string' },
    target: { type: 'string' },
  },
  required: ['at'],
  additionalProperties: false,
};

/**
 * @param path names the list in a message
 * @throws TypeError with the path, the allowed values and the value
 */
export function checkedKeyframes(path: string, list: unknown): readonly Keyframe[] {
  const refuseAt = (at: string, value: unknown, expected: string): never => refuse(`${path}${at}`, value, expected);
  if (!Array.isArray(list) || list.length === 0) return refuseAt('', list, 'a list of keyframes, at least one');
  let last = -1;
  return list.map((value: unknown, i): Keyframe => {
    const at = `[${String(i)}]`;
    if (typeof value !== 'object' || value === null) return refuseAt(at, value, 'a keyframe: {at, x, y, span, …}');
    const given = value as Readonly<Partial<Record<string, unknown>>>;
    const numbers: Partial<Record<keyof typeof NUMBERS, number>> = {};
    const zoom = given['span'];
    if (zoom !== undefined && !isSpan(zoom)) return refuseAt(`${at}.span`, zoom, SPAN);
    for (const name of Object.keys(NUMBERS) as (keyof typeof NUMBERS)[]) {
      const [min, max] = NUMBERS[name];
      const number = given[name];
      if (number === undefined && name !== 'at') continue;
      if (typeof number !== 'number' || !(number >= min && number <= max))
        return refuseAt(`${at}.${name}`, number, `a number from ${String(min)} to ${String(max)}`);
      // No -0: a session would have 0 for it.
      numbers[name] = number + 0;
    }
    const { at: time = NaN, ...others } = numbers;
    if (!(time > last)) return refuseAt(`${at}.at`, time, 'a later time than the one before');
    last = time;
    const { ease, event, target } = given;
    const known = KEY_EASES.find((name) => name === ease);
    if (ease !== undefined && known === undefined)
      return refuseAt(`${at}.ease`, ease, `one of ${KEY_EASES.join(', ')}`);
    if (event !== undefined && typeof event !== 'string') return refuseAt(`${at}.event`, event, 'a name');
    if (target !== undefined && typeof target !== 'string')
      return refuseAt(`${at}.target`, target, 'the name of a target');
    if (target !== undefined && ('x' in others || 'y' in others))
      return refuseAt(`${at}.target`, target, 'x and y, or a target');
    for (const name of Object.keys(given))
      if (!KEYS.has(name)) return refuseAt(`${at}.${name}`, given[name], `none of that name: ${[...KEYS].join(', ')}`);
    return {
      at: time,
      ...others,
      ...(zoom === undefined ? {} : { span: zoom }),
      ...(known === undefined ? {} : { ease: known }),
      ...(event === undefined ? {} : { event }),
      ...(target === undefined ? {} : { target }),
    };
  });
}

/**
 * Checks a cutscene as `play` does, for tools that write one.
 *
 * ```ts
 * checkCutscene({ keyframes: [{ at: 2, x: 300, span: 80 }] });
 * ```
 *
 * @throws TypeError with the path, the allowed values and the value
 */
export function checkCutscene(scene: Cutscene): void {
  checkedKeyframes('keyframes', (scene as Partial<Cutscene> | null | undefined)?.keyframes);
}

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
   * @param cuts at once to the end of each piece, and stays
   * @param spots the places of the targets, x and y by turns, in the order of `targets`
   */
  at(time: number, cuts: boolean, spots: Float64Array, out: Shot): void {
    const { times } = this;
    let i = 0;
    while (i < times.length - 1 && (times[i + 1] ?? Infinity) <= time) i++;
    const from = times[i] ?? 0;
    const length = (times[i + 1] ?? Infinity) - from;
    const share = i === times.length - 1 ? 0 : cuts ? 1 : Math.max(0, time - from) / length;
    for (const name of CHANNELS) out[name] = this.#between(name, i, share, length, spots);
    out.span = exp2(out.span);
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

/** The names of the targets of a scene, each once. */
export function targetsOf(keyframes: readonly Keyframe[]): readonly string[] {
  return [...new Set(keyframes.flatMap(({ target }) => (target === undefined ? [] : [target])))];
}
