/** Exact decay toward rest: half of what is left goes `rate` times a second, once every half-life. */
import { exp2 } from './exp2.ts';
import { log2 } from './log2.ts';

/**
 * What is left of a distance of 1 after `dt` seconds.
 *
 * @param dt seconds, > 0
 * @param rate 1 / half-life, per second, ≥ 0; Infinity arrives at once
 * @returns 0 … 1
 */
export function remaining(dt: number, rate: number): number {
  return exp2(-dt * rate);
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
