/** The keyframes of a cutscene, as data: how they are read. */
import { refuse } from '../messages/index.ts';
import { isSpan, SPAN, type Span } from '../settings/index.ts';
import { span } from '../signals/index.ts';
import { EASES, type Ease } from './ease.ts';

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

/** The names of the targets of a scene, each once. */
export function targetsOf(keyframes: readonly Keyframe[]): readonly string[] {
  return [...new Set(keyframes.flatMap(({ target }) => (target === undefined ? [] : [target])))];
}
