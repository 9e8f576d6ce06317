/** Terrains that a game implements by itself: checked at the door, and every height finite. */
import { checkObject } from '../messages/index.ts';
import { clamp } from '../math/index.ts';
import { check, checkRange } from './check.ts';
import type { Spot } from './spot.ts';
import type { Terrain } from './terrain.ts';

/** Terrains whose heights are known to be finite and in range, by the terrain that was given. */
const sound = new WeakMap<Terrain, Terrain>();

/** @returns the same terrain, made here with heights that are always finite and in range */
export function markSound(terrain: Terrain): Terrain {
  sound.set(terrain, terrain);
  return terrain;
}

/**
 * A terrain with heights that are always finite and in range. A height that is not finite counts as `lowest`.
 *
 * @param path names the terrain in messages
 * @throws RangeError for an object that is no terrain
 */
export function soundTerrain(path: string, terrain: Terrain): Terrain {
  const known = sound.get(terrain);
  if (known !== undefined) return known;
  const checked = checkTerrain(path, terrain);
  const { id, digest, lowest, highest, feature } = checked;
  const within = (height: number): number => (Number.isFinite(height) ? clamp(height, lowest, highest) : lowest);
  const made: Terrain = {
    id,
    digest,
    lowest,
    highest,
    feature,
    heightAt: (x, y) => within(checked.heightAt(x, y)),
    sampleEnvelopeInto: (spot: Spot) => {
      checked.sampleEnvelopeInto(spot);
      spot.height = within(spot.height);
    },
  };
  sound.set(terrain, made);
  return markSound(made);
}

function checkTerrain(path: string, terrain: Terrain): Terrain {
  checkObject(path, terrain, 'a terrain, such as terrainOfGrid makes');
  for (const name of ['id', 'digest'] as const)
    check(`${path}.${name}`, terrain[name], typeof (terrain[name] as unknown) === 'string', 'a text');
  for (const name of ['heightAt', 'sampleEnvelopeInto'] as const) {
    const given: unknown = Reflect.get(terrain, name);
    check(
      `${path}.${name}`,
      given,
      typeof given === 'function',
      'a function; terrainOf and terrainOfGrid make terrains',
    );
  }
  checkRange(path, terrain.lowest, terrain.highest);
  check(
    `${path}.feature`,
    terrain.feature,
    terrain.feature > 0 && terrain.feature < Infinity,
    'a length above 0, such as 2',
  );
  return terrain;
}
