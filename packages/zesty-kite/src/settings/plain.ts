/** Plain data, as in JSON. It is copied in and frozen, so that it cannot change afterwards. */
import { shortened, shown, type Problems } from '../messages/index.ts';

/** Levels of objects and lists in one another. */
const DEEPEST = 64;

/** Longer lists are a mistake, except for the stops of the zoom and the corners of shapes. */
export const MOST_ITEMS = 1000;
const LONG: ReadonlySet<string | number> = new Set(['stops', 'polygon', 'area']);

/** An object or a list, and its key in the object or list around it. */
interface Level {
  readonly value: object;
  readonly key: string | number;
  readonly around: Level | null;
  readonly depth: number;
}

/**
 * A frozen copy of plain data; -0 becomes 0, as it would in a file, and a key that is `undefined` is left out.
 *
 * @param problems receives one for each value that is not plain data: dates, functions, holes in lists, circles …
 */
export function plainCopy(value: unknown, problems: Problems): unknown {
  return copy(value, '', null, problems);
}

/** A level is made for each list, not for each number: there may be a hundred thousand corners. */
function copy(value: unknown, key: string | number, around: Level | null, problems: Problems): unknown {
  if (typeof value === 'number') return value + 0;
  if (value === null || value === undefined || typeof value === 'string' || typeof value === 'boolean') return value;
  const isList = Array.isArray(value);
  if (typeof value !== 'object' || (!isList && !isPlainObject(value)))
    return refuse(shown(value), 'plain data, as in JSON', key, around, problems);
  if (isInside(value, around)) return refuse('a circular object', 'plain data', key, around, problems);
  const level = { value, key, around, depth: around === null ? 1 : around.depth + 1 };
  if (level.depth > DEEPEST) return refuse('a deeper one', `at most ${String(DEEPEST)} levels`, key, around, problems);
  if (isList && value.length > MOST_ITEMS && !mayBeLong(level))
    return refuse(`${String(value.length)} items`, `at most ${String(MOST_ITEMS)} items`, key, around, problems);
  if (isList) return Object.freeze(listOf(value, level, problems));
  const copied: Record<string, unknown> = {};
  for (const [name, item] of Object.entries(value)) {
    // As a key, `__proto__` would set the copy's prototype.
    if (name === '__proto__') refuse('"__proto__"', 'a known key', name, level, problems);
    else {
      const kept = copy(item, name, level, problems);
      if (kept !== undefined) copied[name] = kept;
    }
  }
  return Object.freeze(copied);
}

function refuse(got: string, expected: string, key: string | number, around: Level | null, problems: Problems): null {
  problems.add(() => ({ path: pathOf(key, around), got, expected }));
  return null;
}

function listOf(list: readonly unknown[], level: Level, problems: Problems): unknown[] {
  // A list that grows has room for more: a corner would take several times its memory.
  const copied = list.slice();
  for (let i = 0; i < list.length; i++) {
    if (list[i] === undefined && !(i in list)) refuse('a hole in the list', 'a list without holes', i, level, problems);
    copied[i] = copy(list[i], i, level, problems);
  }
  return copied;
}

function mayBeLong(list: Level): boolean {
  for (let level: Level | null = list; level !== null; level = level.around) if (LONG.has(level.key)) return true;
  return false;
}

function isInside(value: object, around: Level | null): boolean {
  for (let level = around; level !== null; level = level.around) if (level.value === value) return true;
  return false;
}

/** Such as `keys.up[1]`. */
function pathOf(key: string | number, around: Level | null): string {
  if (around === null) return '';
  const above = pathOf(around.key, around.around);
  if (typeof key === 'number') return `${above}[${String(key)}]`;
  return above === '' ? shortened(key) : `${above}.${shortened(key)}`;
}

/** Whether it is a plain object, of this or of another window: its prototype is null or an `Object.prototype`. */
function isPlainObject(value: object): value is Record<string, unknown> {
  const parent = Object.getPrototypeOf(value) as object | null;
  return parent === null || (Object.getPrototypeOf(parent) === null && Object.hasOwn(parent, 'isPrototypeOf'));
}

/** Freezes a copy made here, and everything in it. */
export function deepFreeze<T>(value: T): T {
  if (typeof value !== 'object' || value === null || Object.isFrozen(value)) return value;
  for (const item of Object.values(value)) deepFreeze(item);
  return Object.freeze(value);
}
