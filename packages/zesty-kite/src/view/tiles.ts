/** Which square tiles show. */
import type { View } from './view.ts';

/** Columns `left … right - 1` and rows `top … bottom - 1`; tile (0, 0) begins at the origin. */
export interface TileRange {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

/**
 * The tiles of which at least a part shows. May reach beyond the map: cut it to the map's own rows
 * and columns.
 *
 * @param size side of a tile in world units, > 0
 */
export function visibleTiles(
  view: View,
  size: number,
  out: TileRange = { left: 0, top: 0, right: 0, bottom: 0 },
): TileRange {
  const halfWidth = view.width / 2 / view.scale;
  const halfHeight = view.span / 2;
  out.left = Math.floor((view.x - halfWidth) / size);
  out.top = Math.floor((view.y - halfHeight) / size);
  out.right = Math.ceil((view.x + halfWidth) / size);
  out.bottom = Math.ceil((view.y + halfHeight) / size);
  return out;
}
