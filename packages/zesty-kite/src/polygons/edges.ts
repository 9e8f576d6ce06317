/** The edges of polygons, and a grid over them by which a way finds the first edge in it. */
import { norm } from '../math/index.ts';
import type { Extent } from '../limits/index.ts';
import type { Point } from '../view/index.ts';

/** Ways end this far before an edge, as a share of the greatest coordinate. */
const SKIN = 1e-9;

/**
 * A square grid says which edges touch a cell: a way looks only at the cells that it crosses (the
 * walk through them is that of J. Amanatides and A. Woo, Eurographics 1987).
 */
export class Edges {
  /** Two ends an edge: x1, y1, x2, y2. */
  readonly ends: Float64Array;
  /** World units. */
  readonly clearance: number;
  readonly #left: number;
  readonly #top: number;
  readonly #cell: number;
  readonly #columns: number;
  readonly #rows: number;
  /** The edges of cell i are #items[#starts[i]] … #items[#starts[i + 1] - 1]. */
  readonly #starts: Int32Array;
  readonly #items: Int32Array;

  /** The middle of the extent, and how far it goes down. */
  readonly extent: Extent;

  /** The result of the last `cast`: the free share of the way, 0 … 1, and the edge in it; -1 for none. */
  share = NaN;
  met = -1;

  #wayX = NaN;
  #wayY = NaN;
  /** The skin as a share of the way. */
  #skinShare = NaN;

  /** @param ends x1, y1, x2, y2 of each edge */
  constructor(ends: Float64Array) {
    this.ends = ends;
    let left = Infinity;
    let top = Infinity;
    let right = -Infinity;
    let bottom = -Infinity;
    for (let i = 0; i < ends.length; i += 2) {
      left = Math.min(left, ends[i] ?? 0);
      top = Math.min(top, ends[i + 1] ?? 0);
      right = Math.max(right, ends[i] ?? 0);
      bottom = Math.max(bottom, ends[i + 1] ?? 0);
    }
    this.extent = { x: (left + right) / 2, y: (top + bottom) / 2, wide: right - left, high: bottom - top };
    const count = this.ends.length / 4;
    this.clearance = SKIN * Math.max(Math.abs(left), Math.abs(right), Math.abs(top), Math.abs(bottom));
    this.#cell = Math.max(right - left, bottom - top) / Math.max(1, Math.ceil(Math.sqrt(count)));
    this.#left = left;
    this.#top = top;
    this.#columns = Math.floor((right - left) / this.#cell) + 1;
    this.#rows = Math.floor((bottom - top) / this.#cell) + 1;
    const cells: number[][] = Array.from({ length: this.#columns * this.#rows }, () => []);
    for (let edge = 0; edge < count; edge++) this.#enter(edge, cells);
    this.#starts = new Int32Array(cells.length + 1);
    cells.forEach((items, i) => {
      this.#starts[i + 1] = (this.#starts[i] ?? 0) + items.length;
    });
    this.#items = Int32Array.from(cells.flat());
  }

  /** Writes an edge down in every cell that it may touch. */
  #enter(edge: number, cells: number[][]): void {
    const x1 = this.end(edge, 0);
    const y1 = this.end(edge, 1);
    const x2 = this.end(edge, 2);
    const y2 = this.end(edge, 3);
    const lastRow = this.#row(Math.max(y1, y2) + this.clearance);
    for (let row = this.#row(Math.min(y1, y2) - this.clearance); row <= lastRow; row++) {
      // The part of the edge in this row, and half a cell around it against rounding.
      const upper = this.#top + (row - 0.5) * this.#cell;
      const lower = this.#top + (row + 1.5) * this.#cell;
      const at = (y: number): number =>
        x1 + ((x2 - x1) * (Math.min(Math.max(y, Math.min(y1, y2)), Math.max(y1, y2)) - y1)) / (y2 - y1);
      const a = y1 === y2 ? x1 : at(upper);
      const b = y1 === y2 ? x2 : at(lower);
      const last = this.#column(Math.max(a, b) + this.clearance);
      for (let column = this.#column(Math.min(a, b) - this.clearance); column <= last; column++)
        cells[row * this.#columns + column]?.push(edge);
    }
  }

  /** One of x1, y1, x2, y2. */
  end(edge: number, which: number): number {
    return this.ends[edge * 4 + which] ?? 0;
  }

  #column(x: number): number {
    return Math.min(Math.max(Math.floor((x - this.#left) / this.#cell), 0), this.#columns - 1);
  }

  #row(y: number): number {
    return Math.min(Math.max(Math.floor((y - this.#top) / this.#cell), 0), this.#rows - 1);
  }

  /** Whether an odd number of edges lies to the left of a point: only the cells of its row are looked at. */
  isInside(x: number, y: number): boolean {
    const row = this.#row(y);
    let inside = false;
    for (let column = this.#column(x); column >= 0; column--) {
      const cell = row * this.#columns + column;
      const end = this.#starts[cell + 1] ?? 0;
      for (let i = this.#starts[cell] ?? 0; i < end; i++) {
        const edge = (this.#items[i] ?? 0) * 4;
        const y1 = this.ends[edge + 1] ?? 0;
        const y2 = this.ends[edge + 3] ?? 0;
        if (y1 > y === y2 > y) continue;
        const x1 = this.ends[edge] ?? 0;
        const x2 = this.ends[edge + 2] ?? 0;
        const at = x1 + ((x2 - x1) * (y - y1)) / (y2 - y1);
        // An edge is written down in several cells: it counts where it crosses the line.
        if (at < x && this.#column(at) === column) inside = !inside;
      }
    }
    return inside;
  }

  /**
   * Sets `met` to the edge nearest to a point, and `out` to the nearest point of it; their distance.
   *
   * @param within edges farther away than this need not be found: then it is infinite
   */
  nearest(x: number, y: number, out: Point, within = Infinity): number {
    const column = this.#column(x);
    const row = this.#row(y);
    let nearest = Infinity;
    for (let ring = 0; ring < Math.max(this.#columns, this.#rows); ring++) {
      for (let r = Math.max(0, row - ring); r <= Math.min(this.#rows - 1, row + ring); r++) {
        const isRim = Math.abs(r - row) === ring;
        for (let c = column - ring; c <= column + ring; c += isRim || ring === 0 ? 1 : 2 * ring)
          if (c >= 0 && c < this.#columns) nearest = this.#nearestIn(r * this.#columns + c, x, y, nearest, out);
      }
      // Edges in the cells beyond this ring are farther away than its width.
      if (Math.min(nearest, within * within) <= this.#clearOf(ring, x, y)) break;
    }
    return Math.sqrt(nearest);
  }

  /** The square of how far it is, from a point, to the nearest cell beyond so many around its own. */
  #clearOf(ring: number, x: number, y: number): number {
    const left = this.#left + (this.#column(x) - ring) * this.#cell;
    const top = this.#top + (this.#row(y) - ring) * this.#cell;
    const side = (2 * ring + 1) * this.#cell;
    const clear = Math.max(0, Math.min(x - left, left + side - x, y - top, top + side - y));
    return clear * clear;
  }

  #nearestIn(cell: number, x: number, y: number, before: number, out: Point): number {
    const { ends } = this;
    let nearest = before;
    const end = this.#starts[cell + 1] ?? 0;
    for (let i = this.#starts[cell] ?? 0; i < end; i++) {
      const edge = this.#items[i] ?? 0;
      const x1 = ends[edge * 4] ?? 0;
      const y1 = ends[edge * 4 + 1] ?? 0;
      const runX = (ends[edge * 4 + 2] ?? 0) - x1;
      const runY = (ends[edge * 4 + 3] ?? 0) - y1;
      const length = runX * runX + runY * runY;
      const along = length > 0 ? ((x - x1) * runX + (y - y1) * runY) / length : 0;
      const share = Math.min(Math.max(along, 0), 1);
      const nearX = x1 + runX * share;
      const nearY = y1 + runY * share;
      const away = (x - nearX) * (x - nearX) + (y - nearY) * (y - nearY);
      if (away >= nearest) continue;
      nearest = away;
      this.met = edge;
      out.x = nearX;
      out.y = nearY;
    }
    return nearest;
  }

  /** Sets `share` to how much of a way is free, up to a skin's breadth before the first edge in it, and `met` to that edge. */
  cast(from: Readonly<Point>, to: Readonly<Point>): void {
    const { x, y } = from;
    const wayX = to.x - x;
    const wayY = to.y - y;
    const length = norm(wayX, wayY);
    this.met = -1;
    this.share = 1;
    if (length === 0) return;
    const skinShare = this.clearance / length;
    this.#wayX = wayX;
    this.#wayY = wayY;
    this.#skinShare = skinShare;
    let column = this.#column(x);
    let row = this.#row(y);
    const lastColumn = this.#column(to.x + wayX * 2 * skinShare);
    const lastRow = this.#row(to.y + wayY * 2 * skinShare);
    const right = lastColumn > column ? 1 : -1;
    const down = lastRow > row ? 1 : -1;
    for (;;) {
      this.#visitCell(row * this.#columns + column, from);
      if (column === lastColumn && row === lastRow) break;
      const edgeX = this.#left + (column + (right > 0 ? 1 : 0)) * this.#cell;
      const edgeY = this.#top + (row + (down > 0 ? 1 : 0)) * this.#cell;
      const acrossAt = column === lastColumn ? Infinity : (edgeX - x) / wayX;
      const downAt = row === lastRow ? Infinity : (edgeY - y) / wayY;
      const at = Math.min(acrossAt, downAt);
      if (at > this.share + 2 * skinShare) break;
      if (row === lastRow || (column !== lastColumn && acrossAt < downAt)) column += right;
      else row += down;
    }
    if (this.share * length < this.clearance * 1e-3) this.share = 0;
  }

  /** Shortens the way to what the edges of a cell leave free. */
  #visitCell(cell: number, { x, y }: Readonly<Point>): void {
    const { ends } = this;
    const wayX = this.#wayX;
    const wayY = this.#wayY;
    const end = this.#starts[cell + 1] ?? 0;
    for (let i = this.#starts[cell] ?? 0; i < end; i++) {
      const edge = this.#items[i] ?? 0;
      const x1 = ends[edge * 4] ?? 0;
      const y1 = ends[edge * 4 + 1] ?? 0;
      const runX = (ends[edge * 4 + 2] ?? 0) - x1;
      const runY = (ends[edge * 4 + 3] ?? 0) - y1;
      const cross = wayX * runY - wayY * runX;
      if (cross === 0) continue;
      const share = ((x1 - x) * runY - (y1 - y) * runX) / cross;
      const along = ((x1 - x) * wayY - (y1 - y) * wayX) / cross;
      const length = norm(runX, runY);
      const slack = this.clearance / length;
      // Before the edge by a skin's breadth, square to it.
      const steep = Math.abs(cross) / (length * norm(wayX, wayY));
      const back = this.#skinShare / Math.max(steep, 1e-6);
      if (along < -slack || along > 1 + slack || share < 0) continue;
      const free = Math.max(0, share - back);
      if (free >= this.share) continue;
      this.share = free;
      this.met = edge;
    }
  }
}
