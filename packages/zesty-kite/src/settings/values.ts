/** The kinds of values that settings have, with the messages for others. */
import * as v from 'valibot';
import { isKnown } from './inputs.ts';
import { MOST_ITEMS } from './plain.ts';
import { SPAN } from './spans.ts';
import type { Span } from './zoomUnit.ts';

/** A finite number in a closed range; `such as` ends the message with one that would do. */
export const number = (min: number, max: number, suchAs: number) => {
  const message = `a number from ${String(min)} to ${String(max)}, such as ${String(suchAs)}`;
  return v.pipe(v.number(message), v.minValue(min, message), v.maxValue(max, message));
};

export const oneOf = <const T extends readonly string[]>(names: T) =>
  v.picklist(names, `one of ${names.map((name) => `"${name}"`).join(', ')}`);

/** The expected value in messages for objects. */
export const OBJECT = 'an object';

const inputMessage = 'a key code or a button, such as "KeyW", "MouseMiddle" or "Space+MouseLeft"';
const INPUT = /^([A-Za-z0-9]+\+)*[A-Za-z0-9]+$/;
/** Of an input with an unknown name in it. */
export const UNKNOWN_INPUT = 'unknown input';
const inputs = v.pipe(
  v.array(
    v.pipe(
      v.string(inputMessage),
      v.regex(INPUT, inputMessage),
      v.check((input) => !INPUT.test(input) || isKnown(input), UNKNOWN_INPUT),
    ),
    'a list of inputs, such as ["KeyW", "ArrowUp"]',
  ),
  v.maxLength(MOST_ITEMS, `at most ${String(MOST_ITEMS)} inputs`),
);

/** Objects are also checked for required keys; all of these are numbers. */
const objectMessage = (issue: { readonly expected: string | null }): string =>
  issue.expected === 'Object' ? OBJECT : 'a number';
export const group = <const E extends v.ObjectEntries>(entries: E) => v.object(entries, objectMessage);
/** A setting with a default. */
export const amount = (min: number, max: number, fallback: number, suchAs = fallback) =>
  v.optional(number(min, max, suchAs), fallback);
/** A setting whose default is the first name. */
export const choice = <const T extends readonly [string, ...string[]]>(names: T) =>
  v.optional(oneOf(names), names[0] as T[number]);
export const flag = (fallback: boolean) => v.optional(v.boolean('true or false'), fallback);
/** A setting that is null by default. */
export const orNull = <S extends v.GenericSchema>(schema: S) => v.optional(v.nullable(schema), null);
export const boundTo = (fallback: readonly string[]) => v.optional(inputs, [...fallback]);

/** As far as a world goes, world units. */
export const WORLD = 1e12;
export const coordinate = number(-WORLD, WORLD, 512);
export const length = number(1e-6, WORLD, 100);
export const fieldOfView = number(1, 150, 45);
const scale = number(1e-9, 1e9, 4);

const unit = v.object({
  pixelsPerUnit: v.optional(scale),
  eyeHeight: v.optional(length),
  fieldOfView: v.optional(fieldOfView),
});
/** A zoom: in world units, or in one of the other units. */
export const span = v.union(
  [
    length,
    v.pipe(
      unit,
      v.check((named) => Object.keys(named).length === 1, SPAN),
    ),
  ],
  SPAN,
);
/** Returns whether it is a zoom in any unit. */
export function isSpan(value: unknown): value is Span {
  return v.safeParse(span, value).success;
}

/** Seconds. */
export const halfLife = (fallback: number) => amount(0, 60, fallback, 0.08);

export const pitch = number(1, 90, 40);
export const heading = number(-1e6, 1e6, 45);
export const pixels = number(0, 1e5, 320);

/**
 * A value that may follow the zoom: the same at every zoom, or a curve through [span, value] stops,
 * or a switch between two values.
 */
export const byZoom = (value: typeof pitch) =>
  v.union(
    [
      value,
      v.pipe(v.array(v.strictTuple([span, value])), v.minLength(1), v.maxLength(MOST_ITEMS)),
      v.object({ near: value, far: value, at: span, slack: amount(0, 1, 0.1) }),
    ],
    'a number, a list of [span, value] stops such as [[60, 40], [600, 70]], or a switch such as {"near": 40, "far": 70, "at": 300}',
  );
