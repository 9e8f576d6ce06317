/** Exact decay toward rest: half of what is left goes every `halfLife` seconds. */
import { exp2 } from './exp2.ts';
import { log2 } from './log2.ts';

/**
 * What is left of a distance of 1 after `dt` seconds.
 *
 * @param dt seconds, ≥ 0
 * @param halfLife seconds, ≥ 0; 0 arrives at once
 * @returns 0 … 1
 */
export function remaining(dt: number, halfLife: number): number {
  return halfLife > 0 ? exp2(-dt / halfLife) : 0;
}

/**
 * Time until `distance` has shrunk to `tolerance`, in seconds; 0 if it is there already.
 *
 * @param tolerance > 0, in the unit of `distance`
 * @param halfLife seconds, ≥ 0
 */
export function timeToRest(distance: number, tolerance: number, halfLife: number): number {
  const ratio = Math.abs(distance) / tolerance;
  return ratio > 1 ? halfLife * log2(ratio) : 0;
}
