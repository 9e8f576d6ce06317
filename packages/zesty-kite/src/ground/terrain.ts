/** Ground that is not flat: a height for every point. */
import { clamp } from '../math/index.ts';
import { envelopeOf } from './envelope.ts';
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
  /** Sets the height of a spot to that: for every frame, where numbers handed over in place cost less. */
  sampleInto(spot: Spot): void;
  /**
   * Sets the height of a spot to that of a smooth envelope over the heights: nowhere lower than they are, without a
   * kink, and never steeper than 45° along either axis (of a function with heights over 24 features apart, than that
   * range over 24 features).
   */
  sampleEnvelopeInto(spot: Spot): void;
}

/** What a terrain is made of when its heights come from a function. */
export interface HeightFunction {
  readonly id: string;
  /** Whatever tells one version of the function from another; "1" when left out. */
  readonly digest?: string;
  readonly lowest: number;
  readonly highest: number;
  readonly feature: number;
  heightAt(x: number, y: number): number;
}

/**
 * Terrain from a pure function. A height that is not finite, or that throws, counts as `lowest`, one out of range as
 * the end of the range.
 *
 * ```ts
 * const dunes = terrainOf({ id: 'dunes', lowest: 0, highest: 8, feature: 2, heightAt });
 * ```
 *
 * @throws RangeError for a range or a feature size that cannot be
 */
export function terrainOf({ id, digest = '1', lowest, highest, feature, ...source }: HeightFunction): Terrain {
  if (!(lowest <= highest && Number.isFinite(highest - lowest)))
    throw new RangeError(`terrain.highest: found ${String(highest)}; wanted at least lowest, ${String(lowest)}`);
  if (typeof id !== 'string') throw new TypeError(`terrain.id: found ${String(id)}; wanted a name`);
  if (!(feature > 0 && Number.isFinite(feature)))
    throw new RangeError(`terrain.feature: found ${String(feature)}; wanted a length above 0, such as 2`);
  const heightAt = (x: number, y: number): number => {
    let height: unknown;
    try {
      height = source.heightAt(x, y);
    } catch {
      // A function that fails for a while says nothing of the ground: it is low there.
    }
    return typeof height === 'number' && Number.isFinite(height) ? clamp(height, lowest, highest) : lowest;
  };
  const sampleInto = (spot: Spot): void => {
    spot.height = heightAt(spot.x, spot.y);
  };
  const sampleEnvelopeInto = envelopeOf(heightAt, { lowest, highest, feature });
  return { id, digest, lowest, highest, feature, heightAt, sampleInto, sampleEnvelopeInto };
}
