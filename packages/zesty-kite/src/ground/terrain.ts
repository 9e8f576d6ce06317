/** Ground that is not flat: a height for every point. */
import type { Spot } from './spot.ts';

/**
 * Heights of the ground, in world units. `heightAt` must be pure: the same point has the same
 * height for as long as a session lasts.
 */
export interface Terrain {
  /** Names the terrain in session files. */
  readonly id: string;
  /** A fingerprint of the heights, so that a session is not played over other ones. */
  readonly digest: string;
  /** No point is lower. */
  readonly lowest: number;
  /** No point is higher. */
  readonly highest: number;
  /** Hills thinner than this may be missed by picks; world units, > 0. */
  readonly feature: number;
  /** The height at a point, always finite and from `lowest` to `highest`. */
  heightAt(x: number, y: number): number;
  /**
   * Sets the height of a spot to that of a smooth envelope over the heights: nowhere lower than they are, without a
   * kink, and never steeper than 45° along either axis (of a function with heights over 24 features apart, than that
   * range over 24 features).
   */
  sampleEnvelopeInto(spot: Spot): void;
}
