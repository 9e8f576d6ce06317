/** What a message says of a value: where it was found, what it is, and what would do. */

/** One thing that is wrong with settings or with a signal. */
export interface Problem {
  /** Where: `zoom.notch`, `keys.up[1]`; empty for the whole. */
  readonly path: string;
  /** The value found there, as JSON. */
  readonly found: string;
  /** What would do. */
  readonly wanted: string;
}

/** `zoom.notch: found -3; wanted a number from 1.001 to 16, such as 1.1` */
export function sentence({ path, found, wanted }: Problem): string {
  return `${path === '' ? 'the whole' : path}: found ${found}; wanted ${wanted}`;
}

/** A value as a message shows it: JSON, shortened, with what JSON cannot say spelled out. */
export function shown(value: unknown): string {
  if (value === undefined) return 'nothing';
  if (typeof value === 'number') return String(value);
  if (typeof value === 'function') return 'a function';
  if (typeof value === 'symbol') return 'a symbol';
  let text: string;
  try {
    text = JSON.stringify(value, (_key, part: unknown) => (typeof part === 'bigint' ? `${String(part)}n` : part));
  } catch {
    text = 'an object that holds itself';
  }
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}
