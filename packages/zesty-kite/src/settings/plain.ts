import { shown, type Problem } from '../messages/index.ts';
/** Plain data: what JSON could say. It is copied in and frozen, so that nobody changes it afterwards. */

/**
 * A frozen copy of plain data; -0 becomes 0, as it would in a file, and a key that is `undefined` is left out.
 *
 * @param path where `value` stands, for messages
 * @param problems gets a line for whatever is no plain data: dates, functions, holes in lists, circles …
 */
export function plainCopy(value: unknown, path: string, problems: Problem[]): unknown {
  return copy(value, () => path, problems, []);
}

/** @param path is asked for where it is needed: there may be a hundred thousand corners */
function copy(value: unknown, path: () => string, problems: Problem[], around: readonly unknown[]): unknown {
  if (typeof value === 'number') return value + 0;
  if (value === null || value === undefined || typeof value === 'string' || typeof value === 'boolean') return value;
  if (around.includes(value)) {
    problems.push({ path: path(), found: 'an object that holds itself', wanted: 'plain data' });
    return undefined;
  }
  if (Array.isArray(value)) {
    const inside = [...around, value];
    return Object.freeze(
      Array.from(value, (item: unknown, i) => {
        const where = (): string => `${path()}[${String(i)}]`;
        if (i in value) return copy(item, where, problems, inside);
        problems.push({ path: where(), found: 'a hole in the list', wanted: 'a list without holes' });
        return undefined;
      }),
    );
  }
  if (!isPlainObject(value)) {
    problems.push({ path: path(), found: shown(value), wanted: 'plain data, as JSON could say it' });
    return undefined;
  }
  const inside = [...around, value];
  const copied: Record<string, unknown> = {};
  for (const [key, item] of Object.entries(value)) {
    const where = (): string => (path() === '' ? key : `${path()}.${key}`);
    // As a key, `__proto__` would set the copy's prototype.
    if (key === '__proto__') problems.push({ path: where(), found: 'an unknown key', wanted: 'none of that name' });
    else {
      const kept = copy(item, where, problems, inside);
      if (kept !== undefined) copied[key] = kept;
    }
  }
  return Object.freeze(copied);
}

/** Whether it is a plain object, of this or of another window: its prototype is null or an `Object.prototype`. */
function isPlainObject(value: unknown): value is Record<string, unknown> {
  if (typeof value !== 'object' || value === null) return false;
  const parent = Object.getPrototypeOf(value) as object | null;
  return parent === null || (Object.getPrototypeOf(parent) === null && Object.hasOwn(parent, 'isPrototypeOf'));
}

/** Freezes a copy made here, and everything in it. */
export function deepFreeze<T>(value: T): T {
  if (typeof value !== 'object' || value === null || Object.isFrozen(value)) return value;
  for (const item of Object.values(value)) deepFreeze(item);
  return Object.freeze(value);
}
