/** The one description of the settings: types, defaults, checks, messages and the JSON Schema. */
import * as v from 'valibot';

/** A finite number in a closed range; `such as` ends the message with one that would do. */
const number = (least: number, most: number, suchAs: number) => {
  const message = `a number from ${String(least)} to ${String(most)}, such as ${String(suchAs)}`;
  return v.pipe(v.number(message), v.minValue(least, message), v.maxValue(most, message));
};

const oneOf = <const T extends readonly string[]>(names: T) =>
  v.picklist(names, `one of ${names.map((name) => `"${name}"`).join(', ')}`);

/** What a message asks for where an object should stand. */
export const OBJECT = 'an object in braces';

const codesMessage = 'a list of UI Events key codes, such as ["KeyW", "ArrowUp"]';
const codes = v.array(
  v.pipe(
    v.string('a UI Events key code, such as "KeyW"'),
    v.regex(/^[A-Z][A-Za-z0-9]*$/, 'a UI Events key code, such as "KeyW"'),
  ),
  codesMessage,
);

/** Objects are also asked for the keys that they must have; all of these are numbers. */
const objectMessage = (issue: { readonly expected: string | null }): string =>
  issue.expected === 'Object' ? OBJECT : 'a number';
const WORLD = 1e12;
const coordinate = number(-WORLD, WORLD, 512);
const span = number(1e-6, WORLD, 100);
const halfLife = number(0, 60, 0.08);

const start = v.object({ x: v.optional(coordinate), y: v.optional(coordinate), span: v.optional(span) }, objectMessage);

const ground = v.object({ lowest: v.optional(coordinate, 0), highest: v.optional(coordinate, 0) }, objectMessage);

const pan = v.object(
  {
    speed: v.optional(number(0, 100, 1), 1),
    fast: v.optional(number(0, 100, 2), 2),
    startHalfLife: v.optional(halfLife, 0.08),
    stopHalfLife: v.optional(halfLife, 0.08),
  },
  objectMessage,
);

const zoom = v.object(
  {
    leastSpan: v.optional(span, 12),
    mostSpan: v.optional(span, 4096),
    notch: v.optional(number(1.001, 16, 1.1), 1.1),
    halfLife: v.optional(halfLife, 0.09),
    anchor: v.optional(oneOf(['cursor', 'centre']), 'cursor'),
  },
  objectMessage,
);

const bounds = v.object(
  {
    left: coordinate,
    top: coordinate,
    right: coordinate,
    bottom: coordinate,
    whenSmaller: v.optional(oneOf(['centre', 'limit-zoom']), 'centre'),
  },
  objectMessage,
);

const resize = v.object({ keep: v.optional(oneOf(['span', 'width', 'scale']), 'span') }, objectMessage);

const keys = v.object(
  {
    up: v.optional(codes, ['KeyW', 'ArrowUp']),
    left: v.optional(codes, ['KeyA', 'ArrowLeft']),
    down: v.optional(codes, ['KeyS', 'ArrowDown']),
    right: v.optional(codes, ['KeyD', 'ArrowRight']),
    fast: v.optional(codes, ['ShiftLeft', 'ShiftRight']),
  },
  objectMessage,
);

/** The settings of one camera. Lengths are world units, durations seconds. */
export const settingsSchema = v.object(
  {
    $schema: v.optional(v.string('a reference to the JSON Schema, in quotes')),
    start: v.optional(start, {}),
    ground: v.optional(ground, {}),
    pan: v.optional(pan, {}),
    zoom: v.optional(zoom, {}),
    bounds: v.optional(v.nullable(bounds), null),
    resize: v.optional(resize, {}),
    keys: v.optional(keys, {}),
  },
  objectMessage,
);

/** Settings as they are written: whatever is left out has its default. */
export type Settings = v.InferInput<typeof settingsSchema>;

/** Settings with every default filled in. */
export type FullSettings = v.InferOutput<typeof settingsSchema>;
