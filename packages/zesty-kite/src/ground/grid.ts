/** Terrain from samples on a square grid, bilinear between them. */
import { checkList, checkMade, checkObject, refuseRange } from '../messages/index.ts';
import { Digest } from '../math/index.ts';
import { envelopeOfGrid } from './envelope.ts';
import { check, isHeight, refuseHeight } from './check.ts';
import { grainOf, onGrain } from './grain.ts';
import { markSound } from './sound.ts';
import type { Terrain } from './terrain.ts';

export interface HeightGrid {
  /** The name that sessions write down. */
  readonly id: string;
  /** Samples from left to right, at least 2. */
  readonly columns: number;
  /** Samples from top to bottom, at least 2. */
  readonly rows: number;
  /** World units between neighbouring samples, > 0. */
  readonly step: number;
  /** Row by row from the top, world units; `columns · rows` of them, all finite. */
  readonly heights: ArrayLike<number>;
  /** The place of the first sample; (0, 0) by default. */
  readonly left?: number;
  readonly top?: number;
}

/**
 * Makes terrain from a grid of heights, bilinear between samples. Outside, the edge goes on. Samples are copied, and rounded by at
 * most `step` / 524288 and 1/2048 unit, so that they are the same in every engine.
 *
 * ```ts
 * const terrain = terrainOfGrid({ id: 'strait', columns: 513, rows: 385, step: 2, heights });
 * ```
 *
 * @throws RangeError that names the first wrong value
 */
export function terrainOfGrid(grid: HeightGrid): Terrain {
  checkObject('terrainOfGrid', grid, 'an object {id, columns, rows, step, heights}');
  const { id, columns, rows, step, heights, left = 0, top = 0 } = grid;
  check('terrain.id', id, typeof (id as unknown) === 'string', 'a name');
  checkMade('terrain.heights', heights, 'length', 'a list of numbers');
  check('terrain.columns', columns, Number.isInteger(columns) && columns >= 2, 'a whole number, at least 2');
  check('terrain.rows', rows, Number.isInteger(rows) && rows >= 2, 'a whole number, at least 2');
  check('terrain.step', step, step > 0 && Number.isFinite(step), 'a length above 0');
  check('terrain.left', left, Number.isFinite(left), 'a finite number');
  check('terrain.top', top, Number.isFinite(top), 'a finite number');
  const count = columns * rows;
  check(
    'terrain.heights',
    `${String(heights.length)} samples`,
    heights.length === count,
    `columns · rows, ${String(count)}`,
  );
  const grain = grainOf(step);
  const samples = new Float64Array(count);
  const digest = new Digest();
  for (const value of [columns, rows, step, left, top]) digest.add(value);
  let lowest = Infinity;
  let highest = -Infinity;
  for (let i = 0; i < count; i++) {
    const height = onGrain(Number(heights[i]), grain);
    if (!isHeight(height)) refuseHeight(`terrain.heights[${String(i)}]`, height);
    if (height < lowest) lowest = height;
    if (height > highest) highest = height;
    digest.add(height);
    samples[i] = height;
  }

  const scale = 1 / step;
  const lastColumn = columns - 1;
  const lastRow = rows - 1;
  const heightAt = (x: number, y: number): number => {
    const across = (x - left) * scale;
    const down = (y - top) * scale;
    const right = across > 0 ? (across < lastColumn ? across : lastColumn) : 0;
    const below = down > 0 ? (down < lastRow ? down : lastRow) : 0;
    const column = right < lastColumn ? right | 0 : lastColumn - 1;
    const row = below < lastRow ? below | 0 : lastRow - 1;
    const i = row * columns + column;
    const upperLeft = samples[i] ?? lowest;
    const lowerLeft = samples[i + columns] ?? lowest;
    const upper = upperLeft + ((samples[i + 1] ?? lowest) - upperLeft) * (right - column);
    const lower = lowerLeft + ((samples[i + columns + 1] ?? lowest) - lowerLeft) * (right - column);
    return upper + (lower - upper) * (below - row);
  };
  // Made here: the first frame with a low eye must not wait for it.
  const sampleEnvelopeInto = envelopeOfGrid({ columns, rows, step, left, top, heights: samples });
  const terrain = markSound({
    id,
    digest: digest.toString(),
    lowest,
    highest,
    feature: step / 2,
    heightAt,
    sampleEnvelopeInto,
  });
  grids.set(terrain, { id, columns, rows, step, heights: samples, left, top });
  return terrain;
}

/** A rectangle of samples that are other than before. */
export interface GridPart {
  /** The place of its first sample: columns to the right, and rows down. */
  readonly column: number;
  readonly row: number;
  /** Samples from left to right. */
  readonly columns: number;
  /** Row by row, world units, all finite. */
  readonly heights: readonly number[];
}

const grids = new WeakMap<Terrain, HeightGrid>();
/** The source of a terrain that differs in part. */
const origins = new WeakMap<Terrain, { readonly from: Terrain; readonly part: GridPart }>();

/**
 * Returns a terrain with other heights in a part of its grid, for players who dig and build.
 *
 * ```ts
 * camera.changeTerrain(reshapeGrid(terrain, { column: 40, row: 12, columns: 2, heights: [3, 3, 4, 4] }));
 * ```
 *
 * @param terrain from `terrainOfGrid`, from `terrainOf` with a grid, or from this function
 * @throws RangeError that names the first wrong value
 */
export function reshapeGrid(terrain: Terrain, part: GridPart): Terrain {
  const grid = grids.get(terrain);
  if (grid === undefined)
    refuseRange('reshapeGrid.terrain', 'one of a formula', 'a terrain of terrainOfGrid or terrainOf(formula, grid)');
  checkObject('reshapeGrid.part', part, 'an object {column, row, columns, heights}');
  const { column, row, columns, heights } = part;
  checkList('reshapeGrid.part.heights', heights, 'a list of numbers');
  const rows = heights.length / columns;
  check('terrain.part.columns', columns, Number.isInteger(columns) && columns > 0, 'a whole number above 0');
  check(
    'terrain.part.heights',
    `${String(heights.length)} samples`,
    Number.isInteger(rows) && rows > 0,
    'whole rows of them',
  );
  const fits = (from: number, count: number, max: number): boolean =>
    Number.isInteger(from) && from >= 0 && from + count <= max;
  check(
    'terrain.part.column',
    column,
    fits(column, columns, grid.columns),
    `at most ${String(grid.columns - columns)}`,
  );
  check('terrain.part.row', row, fits(row, rows, grid.rows), `at most ${String(grid.rows - rows)}`);
  const samples = Float64Array.from(grid.heights);
  heights.forEach((height, i) => {
    samples[(row + Math.floor(i / columns)) * grid.columns + column + (i % columns)] = height;
  });
  const reshaped = terrainOfGrid({ ...grid, heights: samples });
  origins.set(reshaped, { from: terrain, part: { column, row, columns, heights: [...heights] } });
  return reshaped;
}

/** The part in which a terrain differs from another, if `reshapeGrid` made it from that. */
export function partChanged(from: Terrain | null, to: Terrain): GridPart | null {
  const origin = origins.get(to);
  return origin?.from === from ? origin.part : null;
}
