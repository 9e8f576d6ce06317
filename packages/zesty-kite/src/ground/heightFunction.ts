/** Terrain from a function. */
import { checkObject } from '../messages/index.ts';
import { clamp } from '../math/index.ts';
import { check, checkRange } from './check.ts';
import { envelopeOf } from './envelope.ts';
import { grainOf, onGrain } from './grain.ts';
import { terrainOfGrid, type HeightGrid } from './grid.ts';
import { markSound } from './sound.ts';
import type { Terrain } from './terrain.ts';

/** The source of a terrain whose heights come from a function. */
export interface HeightFunction {
  /** The name that sessions write down. */
  readonly id: string;
  /** The version of the function; "1" by default. */
  readonly digest?: string;
  /** A height that no place lies below. */
  readonly lowest: number;
  /** A height that no place lies above. */
  readonly highest: number;
  /** The width of the smallest hill, in world units; heights are sampled at a step that follows from it. */
  readonly feature: number;
  /** Returns the height of a place, in world units. */
  heightAt(x: number, y: number): number;
}

/** The points of a grid at which a function is sampled. */
export type SampledAt = Pick<HeightGrid, 'columns' | 'rows' | 'step' | 'left' | 'top'>;

/**
 * Makes terrain from a pure function. Heights that are not finite count as `lowest`; others are clamped to the range. Heights are
 * rounded by at most `feature` / 524288 and 1/2048 unit, so that they are the same in every engine.
 *
 * ```ts
 * const heightAt = (x: number, y: number): number => 4 + 4 * Math.sin(x / 50) * Math.cos(y / 40);
 * const dunes = terrainOf({ id: 'dunes', lowest: 0, highest: 8, feature: 2, heightAt });
 * const hills = terrainOf({ ...dunes, id: 'hills' }, { columns: 513, rows: 385, step: 2 }); // players can dig
 * ```
 *
 * @param grid the points at which the function is sampled; `reshapeGrid` then takes the terrain, and the digest is that of its heights
 * @throws RangeError for a wrong range or feature size
 */
export function terrainOf(made: HeightFunction, grid?: SampledAt): Terrain {
  checkObject('terrainOf', made, 'an object {id, lowest, highest, feature, heightAt}');
  const { id, digest = '1', lowest, highest, feature, ...source } = made;
  checkRange('terrain', lowest, highest);
  check('terrain.id', id, typeof (id as unknown) === 'string', 'a name');
  check('terrain.feature', feature, feature > 0 && Number.isFinite(feature), 'a length above 0, such as 2');
  const given: unknown = Reflect.get(source, 'heightAt');
  check('terrain.heightAt', given, typeof given === 'function', 'a function of x and y');
  const grain = grainOf(feature);
  const heightAt = (x: number, y: number): number => {
    let height: unknown;
    try {
      height = source.heightAt(x, y);
    } catch {
      // A function that fails for a while gives no height: the ground counts as low there.
    }
    return typeof height === 'number' && Number.isFinite(height)
      ? clamp(onGrain(height, grain), lowest, highest)
      : lowest;
  };
  if (grid !== undefined) return terrainOfGrid({ id, ...grid, heights: sampled(heightAt, grid) });
  const sampleEnvelopeInto = envelopeOf(heightAt, { lowest, highest, feature });
  return markSound({ id, digest, lowest, highest, feature, heightAt, sampleEnvelopeInto });
}

/** Row by row from the top. A grid that cannot be has no samples, and is refused for that. */
function sampled(
  heightAt: (x: number, y: number) => number,
  { columns, rows, step, left = 0, top = 0 }: SampledAt,
): Float64Array {
  const heights = new Float64Array(Math.max(0, columns * rows) || 0);
  for (let i = 0; i < heights.length; i++)
    heights[i] = heightAt(left + (i % columns) * step, top + Math.floor(i / columns) * step);
  return heights;
}
