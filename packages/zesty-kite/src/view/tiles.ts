/** Which square tiles show, row by row. */
import { checkView, refuseRange } from '../messages/index.ts';
import type { View } from './view.ts';

/** A tile by its column and row. */
export interface Tile {
  readonly column: number;
  readonly row: number;
}

/**
 * The rows of `visibleTiles`. Tile (0, 0) begins at the origin of the ground.
 *
 * ```ts
 * for (const { column, row } of visibleTiles(view, 16)) drawTile(column, row);
 * ```
 */
export class TileRows implements Iterable<Tile> {
  /** The first row. */
  top = 0;
  /** One past the last row. */
  bottom = 0;
  /** The first column of each row, from `top` on. */
  from: Int32Array = new Int32Array(64);
  /** One past the last column of each row; equal to `from` if none shows. */
  to: Int32Array = new Int32Array(64);

  /** All tiles, row by row: `for (const { column, row } of tiles)`. It is one object each time, so keep its numbers. */
  [Symbol.iterator](): Iterator<Tile> {
    return new Walk(this);
  }
}

/** Goes from tile to tile and makes nothing: the result and its value are one object each. */
class Walk implements Iterator<Tile> {
  readonly #tiles: TileRows;
  readonly #value = { column: 0, row: 0 };
  readonly #result: { done: boolean; value: Tile } = { done: false, value: this.#value };

  constructor(tiles: TileRows) {
    this.#tiles = tiles;
    this.#value.row = tiles.top;
    this.#value.column = (tiles.from[0] ?? 0) - 1;
  }

  next(): IteratorResult<Tile> {
    const { top, bottom, from, to } = this.#tiles;
    const value = this.#value;
    value.column += 1;
    while (value.row < bottom && value.column >= (to[value.row - top] ?? 0)) {
      value.row += 1;
      value.column = from[value.row - top] ?? 0;
    }
    this.#result.done = value.row >= bottom;
    return this.#result as IteratorResult<Tile>;
  }
}

/** How many tiles a map has; none of them beyond is listed. */
export interface TileMap {
  /** The number of columns. */
  readonly columns: number;
  /** The number of rows. */
  readonly rows: number;
}

/** Tile numbers beyond these are cut. */
const MAX = 0x3fffffff;
/** More rows than this can only be meant by a size of the wrong unit. */
const MAX_ROWS = 1 << 20;

/**
 * Returns the tiles of which a part shows, between the least and the greatest height of the ground, up to 64 spans from the focus.
 *
 * ```ts
 * for (const { column, row } of visibleTiles(view, 16, { columns: 64, rows: 48 })) drawTile(column, row);
 * ```
 *
 * @param size the side of a tile, world units, above 0
 * @param map the size of the map; its tiles begin with (0, 0). Null for a map without an end
 * @param out the result of an earlier call, to be filled again without garbage
 * @throws RangeError for a size that is not above 0, or with more than a million rows on the screen
 */
export function visibleTiles(
  view: View,
  size: number,
  map: TileMap | null = null,
  out: TileRows = new TileRows(),
): TileRows {
  checkView('visibleTiles', view);
  if (!(typeof size === 'number' && size > 0 && size < Infinity))
    refuseRange('visibleTiles.size', String(size), 'world units above 0, such as 16');
  const { lowest, highest } = view.ground;
  const min = Math.min(lowest, view.focusHeight);
  const max = Math.max(min, Math.min(Math.max(highest, view.focusHeight), belowEye(view)));
  view.footprint(corners, max);
  corners.copyWithin(8, 0);
  view.footprint(corners, min);
  const count = min === max ? 8 : 16;
  let top = Infinity;
  let bottom = -Infinity;
  for (let i = 1; i < count; i += 2) {
    const y = (corners[i] ?? 0) / size;
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  }
  out.top = tile(Math.max(Math.floor(top), map === null ? -MAX : 0));
  out.bottom = Math.max(out.top, tile(Math.min(Math.ceil(bottom), map === null ? MAX : map.rows)));
  const rows = out.bottom - out.top;
  if (rows > MAX_ROWS)
    refuseRange(
      'visibleTiles.size',
      `${String(size)} with ${String(rows)} rows`,
      `one with at most ${String(MAX_ROWS)} rows on the screen`,
    );
  if (out.from.length < rows) {
    out.from = new Int32Array(rows * 2);
    out.to = new Int32Array(rows * 2);
  }
  // The visible ground is the convex hull of both footprints: its width in a row is that of all the lines
  // between their corners.
  out.from.fill(MAX, 0, rows);
  out.to.fill(-MAX, 0, rows);
  for (let i = 0; i < count; i += 2) for (let j = 0; j < i; j += 2) spread(out, i, j, size);
  for (let row = 0; row < rows; row++) {
    const from = Math.max(out.from[row] ?? 0, map === null ? -MAX : 0);
    out.from[row] = from;
    out.to[row] = Math.max(from, Math.min(out.to[row] ?? 0, map === null ? MAX : map.columns));
  }
  return out;
}

/** Ground higher than the eye hides all but the ground just below it. */
function belowEye({ projection, span, focusHeight }: View): number {
  const { invFocal, sinPitch } = projection;
  return invFocal > 0 ? focusHeight + (span * sinPitch * (1 - 1e-6)) / invFocal : Infinity;
}

/** Of the footprints at the least and at the greatest height. */
const corners = new Float64Array(16);

/** Makes the rows wide enough for the line between two corners. */
function spread({ top, bottom, from, to }: TileRows, i: number, j: number, size: number): void {
  const upper = (corners[i + 1] ?? 0) < (corners[j + 1] ?? 0) ? i : j;
  const lower = i + j - upper;
  const x1 = (corners[upper] ?? 0) / size;
  const y1 = (corners[upper + 1] ?? 0) / size;
  const x2 = (corners[lower] ?? 0) / size;
  const y2 = (corners[lower + 1] ?? 0) / size;
  const upmost = tile(Math.floor(y1));
  const first = Math.max(top, upmost);
  const last = Math.min(bottom - 1, Math.max(upmost, tile(Math.ceil(y2)) - 1));
  const slope = y2 > y1 ? (x2 - x1) / (y2 - y1) : 0;
  for (let row = first; row <= last; row++) {
    const begin = row > y1 ? x1 + slope * (row - y1) : x1;
    const end = row + 1 < y2 ? x1 + slope * (row + 1 - y1) : x2;
    const k = row - top;
    const min = tile(Math.floor(Math.min(begin, end)));
    const max = tile(Math.floor(Math.max(begin, end)) + 1);
    if (min < (from[k] ?? -MAX)) from[k] = min;
    if (max > (to[k] ?? MAX)) to[k] = max;
  }
}

function tile(value: number): number {
  return Math.min(MAX, Math.max(-MAX, value));
}
