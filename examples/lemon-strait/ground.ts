/** The height field of Lemon Strait, and its contours tile by tile. */
import { decode } from 'fast-png';
import { terrainOfGrid, type Terrain } from 'zesty-kite';
import groundUrl from '../../data/lemon-strait/ground.json?url';
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

export async function loadGround(): Promise<Ground> {
  const [description, image] = await Promise.all([fetch(groundUrl), fetch(heightUrl)]);
  const { name, width, height, samples } = (await description.json()) as GroundFile;
  const { data } = decode(new Uint8Array(await image.arrayBuffer()));
  const { columns, rows, step, lowest, highest } = samples;
  const heights = Float64Array.from(data, (value) => lowest + (value / 65535) * (highest - lowest));
  const within = (value: number, max: number): number => Math.min(max, Math.max(0, value));
  const sample = (column: number, row: number): number =>
    heights[within(row, rows - 1) * columns + within(column, columns - 1)] ?? lowest;
  return { width, height, step, sample, terrain: terrainOfGrid({ id: name, columns, rows, step, heights }) };
}

/**
 * The part of a tile that lies at `level` or higher, as a path in world units; null where there is
 * none. It reaches one cell beyond the tile, so that neighbours leave no seam.
 *
 * @param size side of the tile and of its cells, in world units
 */
export function contour(
  ground: Ground,
  tileX: number,
  tileY: number,
  size: { readonly tile: number; readonly cell: number },
  level: number,
): Path2D | null {
  const cells = size.tile / size.cell;
  const path = new Path2D();
  const heightAt = (column: number, row: number): number =>
    ground.sample((column * size.cell) / ground.step, (row * size.cell) / ground.step);
  let empty = true;
  for (let row = tileY * cells - 1; row <= (tileY + 1) * cells; row++) {
    const end = (tileX + 1) * cells + 1;
    let runFrom: number | null = null;
    for (let column = tileX * cells - 1; column <= end; column++) {
      const corners = column < end ? cornersAbove(heightAt, column, row, level) : 0;
      if (corners === 4) {
        runFrom ??= column;
        continue;
      }
      if (runFrom !== null) {
        path.rect(runFrom * size.cell, row * size.cell, (column - runFrom) * size.cell, size.cell);
        runFrom = null;
        empty = false;
      }
      if (corners > 0) {
        cutCell(path, heightAt, column, row, size.cell, level);
        empty = false;
      }
    }
  }
  return empty ? null : path;
}

type HeightAt = (column: number, row: number) => number;

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

/** One cell, cut along the level: its corners above it, and where the edges between cross it. */
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
