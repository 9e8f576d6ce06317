/** Checks of arguments. Each error names the function that was called, the value that was expected and the one it got. */
import { sentence, shown } from './sentence.ts';

/** @throws TypeError */
export function refuse(path: string, got: unknown, expected: string): never {
  throw new TypeError(sentence({ path, got: shown(got), expected }));
}

/** @throws RangeError; `got` is written as it is */
export function refuseRange(path: string, got: string, expected: string): never {
  throw new RangeError(sentence({ path, got, expected }));
}

/** @throws TypeError for a value that is no object; a list is none */
export function checkObject(path: string, value: unknown, expected: string): void {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) refuse(path, value, expected);
}

/** @throws TypeError for a value that is no function */
export function checkFunction(path: string, value: unknown, expected = 'a function'): void {
  if (typeof value !== 'function') refuse(path, value, expected);
}

/** @throws TypeError for a value that is no list */
export function checkList(path: string, value: unknown, expected: string): void {
  if (!Array.isArray(value)) refuse(path, value, expected);
}

/** @throws TypeError for a value that is no number from `min` to `max` */
export function checkNumber(path: string, value: unknown, min = -Infinity, max = Infinity): void {
  if (typeof value === 'number' && value >= min && value <= max) return;
  const isBounded = Number.isFinite(max - min) && Number.isFinite(value);
  refuse(path, value, isBounded ? `a number from ${String(min)} to ${String(max)}` : 'a finite number');
}

/** @throws TypeError for a value that is none of the names */
export function checkOneOf(path: string, value: unknown, names: readonly string[]): void {
  if (!names.some((name) => name === value)) refuse(path, value, `one of ${names.join(', ')}`);
}

/** @throws TypeError for what has not the fields of an object of ours, which may come from another copy of the library */
export function checkMade(path: string, value: unknown, field: string, expected: string): void {
  if (typeof value !== 'object' || value === null || !(field in value)) refuse(path, value, expected);
}

/** @throws TypeError for a value that is no view */
export function checkView(call: string, view: unknown): void {
  checkMade(`${call}.view`, view, 'projection', 'a View, such as advance returns');
}
