/** Checks of what terrains are made of. */
import { sentence } from '../messages/index.ts';

/** The greatest |height|, world units. */
const HIGHEST = 1e12;

/**
 * @param path of the value, such as `terrain.step`
 * @throws RangeError unless `good`
 */
export function check(path: string, got: unknown, good: boolean, expected: string): void {
  if (!good) throw new RangeError(sentence({ path, got: String(got), expected }));
}

/** @throws RangeError for a height that is not finite, or beyond 1e12 world units */
export function checkHeight(path: string, height: number): void {
  if (!(Math.abs(height) <= HIGHEST)) check(path, height, false, 'a finite number from -1e12 to 1e12');
}

/** @throws RangeError for a range of heights that cannot be */
export function checkRange(path: string, lowest: number, highest: number): void {
  checkHeight(`${path}.lowest`, lowest);
  checkHeight(`${path}.highest`, highest);
  check(`${path}.highest`, highest, lowest <= highest, `at least lowest, ${String(lowest)}`);
}
