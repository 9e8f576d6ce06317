/** Checks of what terrains are made of. */
import { refuseRange } from '../messages/index.ts';

/** The greatest |height|, world units. */
const HIGHEST = 1e12;

/**
 * @param path of the value, such as `terrain.step`
 * @throws RangeError unless `good`
 */
export function check(path: string, got: unknown, good: boolean, expected: string): void {
  if (!good) refuseRange(path, String(got), expected);
}

/** Returns whether a height is finite, and within 1e12 world units. */
export function isHeight(height: number): boolean {
  return Math.abs(height) <= HIGHEST;
}

/** @throws RangeError */
export function refuseHeight(path: string, height: number): void {
  check(path, height, false, 'a finite number from -1e12 to 1e12');
}

/** @throws RangeError for a range of heights that cannot be */
export function checkRange(path: string, lowest: number, highest: number): void {
  if (!isHeight(lowest)) refuseHeight(`${path}.lowest`, lowest);
  if (!isHeight(highest)) refuseHeight(`${path}.highest`, highest);
  check(`${path}.highest`, highest, lowest <= highest, `at least lowest, ${String(lowest)}`);
}
