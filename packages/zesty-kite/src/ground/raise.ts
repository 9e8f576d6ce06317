/** Ground one floor up: the same heights, all of them higher or lower. */
import type { Spot } from './spot.ts';
import type { Terrain } from './terrain.ts';

const FLAT: Terrain = {
  id: 'flat',
  digest: '1',
  lowest: 0,
  highest: 0,
  feature: 1,
  heightAt: () => 0,
  sampleEnvelopeInto: (spot) => {
    spot.height = 0;
  },
};

/** @param terrain null for flat ground at height 0 */
export function raise(terrain: Terrain | null, by: number): Terrain {
  const below = terrain ?? FLAT;
  return {
    id: below.id,
    digest: below.digest,
    lowest: below.lowest + by,
    highest: below.highest + by,
    feature: below.feature,
    heightAt: (x, y) => below.heightAt(x, y) + by,
    sampleEnvelopeInto: (spot: Spot) => {
      below.sampleEnvelopeInto(spot);
      spot.height += by;
    },
  };
}
