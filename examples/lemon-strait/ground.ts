/** The height field of Lemon Strait, and its contours tile by tile. */
import { decode } from 'fast-png';
import { terrainOfGrid, type Terrain } from 'zesty-kite';
import groundUrl from '../../data/lemon-strait/ground.json?url';
import coarseUrl from '../../data/lemon-strait/height-coarse.png?url';
import heightUrl from '../../data/lemon-strait/height.png?url';

interface GroundFile {
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly samples: {
    readonly columns: number;
    readonly rows: number;
    readonly step: number;
    readonly lowest: number;
    readonly highest: number;
  };
}

export interface Ground {
  /** World units. */
  readonly width: number;
  readonly height: number;
  /** World units between samples. */
  readonly step: number;
  /** The height at a sample, world units; the nearest one's outside. */
  sample(column: number, row: number): number;
  /** The same for the camera: its height at a point is bilinear between samples. */
  readonly terrain: Terrain;
}

/** @param detail `coarse` is every fourth sample in a small file, for the first frame */
export async function loadGround(detail: 'coarse' | 'fine' = 'fine'): Promise<Ground> {
  const [description, image] = await Promise.all([fetch(groundUrl), fetch(detail === 'fine' ? heightUrl : coarseUrl)]);
  const { name, width, height, samples } = (await description.json()) as GroundFile;
  const { width: columns, height: rows, data } = decode(new Uint8Array(await image.arrayBuffer()));
  const { lowest, highest } = samples;
  const step = width / (columns - 1);
  const heights = Float64Array.from(data, (value) => lowest + (value / 65535) * (highest - lowest));
  const within = (value: number, max: number): number => Math.min(max, Math.max(0, value));
  const sample = (column: number, row: number): number =>
    heights[within(row, rows - 1) * columns + within(column, columns - 1)] ?? lowest;
  return { width, height, step, sample, terrain: terrainOfGrid({ id: name, columns, rows, step, heights }) };
}

/** A tile and its cells are so large, world units. */
export interface TileSize {
  readonly tile: number;
  readonly cell: number;
}

/**
 * The parts of a tile that lie at each level or higher, as paths in world units; null if there is
 * none. They reach one cell beyond the tile, so that neighbours leave no seam.
 */
export function contours(
  { terrain }: Ground,
  tileX: number,
  tileY: number,
  { tile, cell }: TileSize,
  levels: readonly number[],
): (Path2D | null)[] {
  const cells = tile / cell + 2;
  const [left, top] = [(tileX * tile) / cell - 1, (tileY * tile) / cell - 1];
  const heights = new Float64Array((cells + 1) * (cells + 1));
  let lowest = Infinity;
  let highest = -Infinity;
  for (let row = 0; row <= cells; row++)
    for (let column = 0; column <= cells; column++) {
      const height = terrain.heightAt((left + column) * cell, (top + row) * cell);
      heights[row * (cells + 1) + column] = height;
      lowest = Math.min(lowest, height);
      highest = Math.max(highest, height);
    }
  const heightAt = (column: number, row: number): number =>
    heights[(row - top) * (cells + 1) + column - left] ?? lowest;
  return levels.map((level) => {
    if (highest < level) return null;
    const path = new Path2D();
    if (lowest >= level) path.rect(left * cell, top * cell, cells * cell, cells * cell);
    else for (let row = top; row < top + cells; row++) addRow(path, heightAt, row, [left, left + cells], cell, level);
    return path;
  });
}

type HeightAt = (column: number, row: number) => number;

/** One row of cells: whole ones in one piece, and those that the level cuts. */
function addRow(
  path: Path2D,
  heightAt: HeightAt,
  row: number,
  [left, right]: readonly [number, number],
  cell: number,
  level: number,
): void {
  let from: number | null = null;
  for (let column = left; column <= right; column++) {
    const corners = column < right ? cornersAbove(heightAt, column, row, level) : 0;
    if (corners === 4) {
      from ??= column;
      continue;
    }
    if (from !== null) path.rect(from * cell, row * cell, (column - from) * cell, cell);
    from = null;
    if (corners > 0) cutCell(path, heightAt, column, row, cell, level);
  }
}

const CORNERS = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
] as const;

function cornersAbove(heightAt: HeightAt, column: number, row: number, level: number): number {
  let count = 0;
  for (const [right, down] of CORNERS) if (heightAt(column + right, row + down) >= level) count += 1;
  return count;
}

/** One cell, cut along the level: its corners above it, and the points at which the edges between cross it. */
function cutCell(path: Path2D, heightAt: HeightAt, column: number, row: number, cell: number, level: number): void {
  let begun = false;
  const add = (x: number, y: number): void => {
    if (begun) path.lineTo(x * cell, y * cell);
    else path.moveTo(x * cell, y * cell);
    begun = true;
  };
  CORNERS.forEach(([right, down], i) => {
    const [nextRight, nextDown] = CORNERS[(i + 1) % 4] ?? [0, 0];
    const here = heightAt(column + right, row + down);
    const next = heightAt(column + nextRight, row + nextDown);
    if (here >= level) add(column + right, row + down);
    if (here >= level === next >= level) return;
    const share = (level - here) / (next - here);
    add(column + right + (nextRight - right) * share, row + down + (nextDown - down) * share);
  });
  path.closePath();
}
