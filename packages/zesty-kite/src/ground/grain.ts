/** Heights on a fine grain: formulas of two engines differ in their last bits, heights do not. */

/** A share of the distance between samples, or of the feature: 2⁻¹⁸. */
const SHARE = 1 / 262144;
/** World units: no grain is coarser, or finer. */
const COARSEST = 1 / 1024;
const FINEST = 1e-30;

/**
 * Returns the grain of heights that lie so far apart, world units: a power of two, so that rounding is exact. A height is off by at
 * most half of it. Engines whose heights differ by 1e-15 units round one in 10⁹ differently at a distance of a unit.
 */
export function grainOf(apart: number): number {
  let grain = COARSEST;
  while (grain > apart * SHARE && grain > FINEST) grain /= 2;
  return grain;
}

/** Returns the nearest height on the grain. No -0. */
export function onGrain(height: number, grain: number): number {
  return Math.round(height / grain) * grain + 0;
}
