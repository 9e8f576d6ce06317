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
  const wide = tile / cell + 3;
  const [left, top] = [tileX * tile - cell, tileY * tile - cell];
  const heights = new Float64Array(wide * wide);
  let lowest = Infinity;
  let highest = -Infinity;
  for (let i = 0; i < heights.length; i++) {
    const height = terrain.heightAt(left + (i % wide) * cell, top + Math.floor(i / wide) * cell);
    heights[i] = height;
    lowest = Math.min(lowest, height);
    highest = Math.max(highest, height);
  }
  const samples = { heights, wide, left, top, cell };
  return levels.map((level) => {
    if (highest < level) return null;
    const path = new Path2D();
    if (lowest >= level) path.rect(left, top, (wide - 1) * cell, (wide - 1) * cell);
    else for (let row = 0; row < wide - 1; row++) addRow(path, samples, row, level);
    return path;
  });
}

/** Heights in rows of `wide`, `cell` world units apart, from `left` and `top` on. */
interface Samples {
  readonly heights: Float64Array;
  readonly wide: number;
  readonly left: number;
  readonly top: number;
  readonly cell: number;
}

/** One row of cells: whole ones in one piece, and those that the level cuts. */
function addRow(path: Path2D, samples: Samples, row: number, level: number): void {
  const { heights, wide, left, top, cell } = samples;
  const isAbove = (i: number): boolean => (heights[i] ?? -Infinity) >= level;
  const y = top + row * cell;
  let from = -1;
  for (let column = 0; column < wide; column++) {
    const i = row * wide + column;
    const isLast = column === wide - 1;
    const isIn = isAbove(i);
    const isWhole = !isLast && isIn && isAbove(i + 1) && isAbove(i + wide) && isAbove(i + wide + 1);
    if (isWhole) {
      if (from < 0) from = column;
      continue;
    }
    if (from >= 0) path.rect(left + from * cell, y, (column - from) * cell, cell);
    from = -1;
    if (!isLast && (isIn || isAbove(i + 1) || isAbove(i + wide) || isAbove(i + wide + 1)))
      cutCell(path, samples, column, row, level);
  }
}

const CORNERS = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
] as const;

/** One cell, cut along the level: its corners above it, and the points at which the edges between cross it. */
function cutCell(
  path: Path2D,
  { heights, wide, left, top, cell }: Samples,
  column: number,
  row: number,
  level: number,
): void {
  const heightAt = (right: number, down: number): number => heights[(row + down) * wide + column + right] ?? level;
  let begun = false;
  const add = (right: number, down: number): void => {
    const [x, y] = [left + (column + right) * cell, top + (row + down) * cell];
    if (begun) path.lineTo(x, y);
    else path.moveTo(x, y);
    begun = true;
  };
  CORNERS.forEach(([right, down], i) => {
    const [nextRight, nextDown] = CORNERS[(i + 1) % 4] ?? [0, 0];
    const here = heightAt(right, down);
    const next = heightAt(nextRight, nextDown);
    if (here >= level) add(right, down);
    if (here >= level === next >= level) return;
    const share = (level - here) / (next - here);
    add(right + (nextRight - right) * share, down + (nextDown - down) * share);
  });
  path.closePath();
}
