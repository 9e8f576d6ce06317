/** The contours of one tile of the ground. */
import type { Ground } from '../lemon-strait/ground.ts';
import { ringsOf } from '../lemon-strait/rings.ts';

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
  const columns = tile / cell + 3;
  const [left, top] = [tileX * tile - cell, tileY * tile - cell];
  const heights = new Float64Array(columns * columns).map((_, i) =>
    terrain.heightAt(left + (i % columns) * cell, top + Math.floor(i / columns) * cell),
  );
  const highest = heights.reduce((high, height) => Math.max(high, height));
  return levels.map((level) => {
    if (highest < level) return null;
    const path = new Path2D();
    for (const ring of ringsOf({ heights, columns, left, top, cell }, level)) {
      ring.forEach(([x, y], i) => {
        if (i === 0) path.moveTo(x, y);
        else path.lineTo(x, y);
      });
      path.closePath();
    }
    return path;
  });
}
