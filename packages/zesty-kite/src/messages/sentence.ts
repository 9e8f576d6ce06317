/** Error messages: `<path>: expected <what>, got <value>`. */

/** One mistake in settings or in a signal. */
export interface Problem {
  /** The place of the mistake, such as `zoom.notch` or `bindings.drag[1]`; empty for all settings. */
  readonly path: string;
  /** The value there, as JSON. */
  readonly got: string;
  /** The values that are allowed there. */
  readonly expected: string;
}

/** `zoom.notch: expected a number from 1.001 to 16, such as 1.1, got -3` */
export function sentence({ path, got, expected }: Problem): string {
  return `${path === '' ? 'settings' : path}: expected ${expected}, got ${got}`;
}

/** Characters of a value that a message shows. */
const LONGEST = 60;
const HOLDS_ITSELF = 'a circular object';

/** A value as a message shows it: JSON, shortened, with what JSON cannot say spelled out. */
export function shown(value: unknown): string {
  if (value === undefined) return 'nothing';
  if (typeof value === 'number') return String(value);
  if (typeof value === 'function') return 'a function';
  if (typeof value === 'symbol') return 'a symbol';
  return shortened(beginningOf(value, LONGEST + 1, []));
}

/** A text cut where a message would get too long. */
export function shortened(text: string): string {
  return text.length > LONGEST ? `${text.slice(0, LONGEST - 3)}…` : text;
}

/** The beginning of a value's JSON, of at least so many characters if it has them: a value may be of any size. */
function beginningOf(value: unknown, length: number, around: readonly unknown[]): string {
  if (length <= 0) return '';
  if (typeof value === 'bigint') return `"${String(value)}n"`;
  if (typeof value === 'string') return JSON.stringify(value.slice(0, length));
  if (typeof value === 'number') return Number.isFinite(value) ? String(value) : 'null';
  if (typeof value !== 'object' || value === null) return String(value);
  if (around.includes(value)) return HOLDS_ITSELF;
  const isList = Array.isArray(value);
  let text = isList ? '[' : '{';
  let isFirst = true;
  for (const [key, item] of entriesOf(value)) {
    if (typeof item === 'function' || typeof item === 'symbol' || (item === undefined && !isList)) continue;
    const name = isList ? '' : `${JSON.stringify(key.slice(0, length))}:`;
    const inside = beginningOf(item ?? null, length - text.length, [...around, value]);
    if (inside === HOLDS_ITSELF) return inside;
    text += `${isFirst ? '' : ','}${name}${inside}`;
    isFirst = false;
    if (text.length >= length) return text;
  }
  return text + (isList ? ']' : '}');
}

/** One by one: a list of a million is not copied for the beginning of it. */
function* entriesOf(value: object): Generator<readonly [string, unknown]> {
  if (Array.isArray(value)) for (const item of value) yield ['', item];
  else for (const key in value) if (Object.hasOwn(value, key)) yield [key, (value as Record<string, unknown>)[key]];
}
