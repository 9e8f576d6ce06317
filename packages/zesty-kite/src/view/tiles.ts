/** Which square tiles show, row by row. */
import type { View } from './view.ts';

/** Rows of tiles; tile (0, 0) begins at the origin of the ground. */
export interface TileRows {
  /** The first row. */
  top: number;
  /** One past the last row. */
  bottom: number;
  /** The first column of each row, from `top` on. */
  from: Int32Array;
  /** One past the last column of each row; equal to `from` where none shows. */
  to: Int32Array;
}

/** Tile numbers beyond these are cut. */
const MOST = 0x3fffffff;

/**
 * The tiles of which a part shows, between the least and the greatest height of the ground: in each
 * row no more columns than the view reaches. May reach beyond the map: cut it to the map's own rows
 * and columns.
 *
 * ```ts
 * const rows = visibleTiles(view, 16, tiles);
 * for (let row = rows.top; row < rows.bottom; row++)
 *   for (let column = rows.from[row - rows.top]; column < rows.to[row - rows.top]; column++) …
 * ```
 *
 * @param size side of a tile in world units, > 0
 * @param out its lists grow when they are too short
 */
export function visibleTiles(
  view: View,
  size: number,
  out: TileRows = { top: 0, bottom: 0, from: new Int32Array(64), to: new Int32Array(64) },
): TileRows {
  const { lowest, highest } = view.ground;
  const least = Math.min(lowest, view.focusHeight);
  const most = Math.max(highest, view.focusHeight);
  view.footprint(low, least);
  view.footprint(high, most);
  corners.set(low);
  corners.set(high, 8);
  let top = Infinity;
  let bottom = -Infinity;
  for (let i = 1; i < 16; i += 2) {
    const y = (corners[i] ?? 0) / size;
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  }
  out.top = tile(Math.floor(top));
  out.bottom = Math.max(out.top, tile(Math.ceil(bottom)));
  const rows = out.bottom - out.top;
  if (out.from.length < rows) {
    out.from = new Int32Array(rows * 2);
    out.to = new Int32Array(rows * 2);
  }
  // What shows is the convex hull of both footprints: its width in a row is that of all the lines
  // between their corners.
  out.from.fill(MOST, 0, rows);
  out.to.fill(-MOST, 0, rows);
  const count = least === most ? 8 : 16;
  for (let i = 0; i < count; i += 2) for (let j = 0; j < i; j += 2) spread(out, i, j, size);
  for (let row = 0; row < rows; row++) if ((out.to[row] ?? 0) < (out.from[row] ?? 0)) out.to[row] = out.from[row] ?? 0;
  return out;
}

const low = new Float64Array(8);
const high = new Float64Array(8);
const corners = new Float64Array(16);

/** Makes the rows wide enough for the line between two corners. */
function spread({ top, from, to }: TileRows, i: number, j: number, size: number): void {
  const upper = (corners[i + 1] ?? 0) < (corners[j + 1] ?? 0) ? i : j;
  const lower = i + j - upper;
  const x1 = (corners[upper] ?? 0) / size;
  const y1 = (corners[upper + 1] ?? 0) / size;
  const x2 = (corners[lower] ?? 0) / size;
  const y2 = (corners[lower + 1] ?? 0) / size;
  const first = tile(Math.floor(y1));
  const last = Math.max(first, tile(Math.ceil(y2)) - 1);
  const slope = y2 > y1 ? (x2 - x1) / (y2 - y1) : 0;
  for (let row = first; row <= last; row++) {
    const begin = row > y1 ? x1 + slope * (row - y1) : x1;
    const end = row + 1 < y2 ? x1 + slope * (row + 1 - y1) : x2;
    const k = row - top;
    const least = tile(Math.floor(Math.min(begin, end)));
    const most = tile(Math.floor(Math.max(begin, end)) + 1);
    if (least < (from[k] ?? -MOST)) from[k] = least;
    if (most > (to[k] ?? MOST)) to[k] = most;
  }
}

function tile(value: number): number {
  return Math.min(MOST, Math.max(-MOST, value));
}
