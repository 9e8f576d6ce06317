/** Keeping the focus inside any polygon, holes and islands included, by sliding along its edges. */
import type { Point } from '../view/index.ts';

type Ring = readonly (readonly [number, number])[];

/** The focus keeps this far from every edge, as a share of the greatest coordinate. */
const SKIN = 1e-9;
/** The most edges along which one move slides. */
const MOST_SLIDES = 64;

/**
 * Edges, and a square grid over them that says which edges touch a cell: a move looks only at the
 * cells that it crosses (the walk through them is that of J. Amanatides and A. Woo, Eurographics 1987).
 */
export class Coast {
  /** Two ends an edge: x1, y1, x2, y2. */
  readonly #edges: Float64Array;
  readonly #skin: number;
  readonly #left: number;
  readonly #top: number;
  readonly #cell: number;
  readonly #columns: number;
  readonly #rows: number;
  /** The edges of cell i are #items[#starts[i]] … #items[#starts[i + 1] - 1]. */
  readonly #starts: Int32Array;
  readonly #items: Int32Array;

  /** The middle of the extent, and how far it goes down. */
  readonly middle: { readonly x: number; readonly y: number; readonly high: number };

  /** What the last `#cast` met: the share of the way, and the edge; -1 for none. */
  #share = 1;
  #met = -1;

  /** @param rings inside is what an odd number of them goes round */
  constructor(rings: readonly Ring[]) {
    this.#edges = Float64Array.from(rings.flatMap((ring) => ring.flatMap((from, i) => [...from, ...next(ring, i)])));
    let left = Infinity;
    let top = Infinity;
    let right = -Infinity;
    let bottom = -Infinity;
    for (const [x, y] of rings.flat()) {
      left = Math.min(left, x);
      top = Math.min(top, y);
      right = Math.max(right, x);
      bottom = Math.max(bottom, y);
    }
    this.middle = { x: (left + right) / 2, y: (top + bottom) / 2, high: bottom - top };
    const count = this.#edges.length / 4;
    this.#skin = SKIN * Math.max(Math.abs(left), Math.abs(right), Math.abs(top), Math.abs(bottom));
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
    const x1 = this.#end(edge, 0);
    const y1 = this.#end(edge, 1);
    const x2 = this.#end(edge, 2);
    const y2 = this.#end(edge, 3);
    const lastRow = this.#row(Math.max(y1, y2) + this.#skin);
    for (let row = this.#row(Math.min(y1, y2) - this.#skin); row <= lastRow; row++) {
      // The part of the edge in this row, and half a cell around it against rounding.
      const upper = this.#top + (row - 0.5) * this.#cell;
      const lower = this.#top + (row + 1.5) * this.#cell;
      const at = (y: number): number =>
        x1 + ((x2 - x1) * (Math.min(Math.max(y, Math.min(y1, y2)), Math.max(y1, y2)) - y1)) / (y2 - y1);
      const a = y1 === y2 ? x1 : at(upper);
      const b = y1 === y2 ? x2 : at(lower);
      const last = this.#column(Math.max(a, b) + this.#skin);
      for (let column = this.#column(Math.min(a, b) - this.#skin); column <= last; column++)
        cells[row * this.#columns + column]?.push(edge);
    }
  }

  #end(edge: number, which: number): number {
    return this.#edges[edge * 4 + which] ?? 0;
  }

  #column(x: number): number {
    return Math.min(Math.max(Math.floor((x - this.#left) / this.#cell), 0), this.#columns - 1);
  }

  #row(y: number): number {
    return Math.min(Math.max(Math.floor((y - this.#top) / this.#cell), 0), this.#rows - 1);
  }

  /**
   * Moves from one point inside toward another point, sliding along what is in the way, until it is
   * as near as it gets.
   *
   * @param fromX NaN where there is nothing to slide from: then the nearest point inside is taken
   */
  slide(fromX: number, fromY: number, toX: number, toY: number, out: Point): void {
    if (!(fromX === fromX)) {
      this.#bringIn(toX, toY, out);
      return;
    }
    const skin = this.#skin;
    let x = fromX;
    let y = fromY;
    for (let i = 0; i < MOST_SLIDES; i++) {
      let moved = this.#cast(x, y, toX, toY);
      x += (toX - x) * moved;
      y += (toY - y) * moved;
      if (this.#met < 0) break;
      const first = this.#met;
      moved = this.#along(first, x, y, toX, toY);
      const second = this.#met;
      if (moved === 0 && second >= 0 && second !== first) moved = this.#along(second, x, y, toX, toY);
      if (moved === 0) break;
      x += this.#stepX * moved;
      y += this.#stepY * moved;
      if (Math.abs(toX - x) + Math.abs(toY - y) < skin) break;
    }
    out.x = x;
    out.y = y;
  }

  #stepX = 0;
  #stepY = 0;

  /** Sets the step along an edge toward the target, and says how much of it is free; 0 for as good as none. */
  #along(edge: number, x: number, y: number, toX: number, toY: number): number {
    const x1 = this.#end(edge, 0);
    const y1 = this.#end(edge, 1);
    const runX = this.#end(edge, 2) - x1;
    const runY = this.#end(edge, 3) - y1;
    const length = Math.sqrt(runX * runX + runY * runY);
    const alongX = runX / length;
    const alongY = runY / length;
    const here = (x - x1) * alongX + (y - y1) * alongY;
    const wanted = (toX - x) * alongX + (toY - y) * alongY;
    // Beyond the end of the edge the way may be free again.
    const past = 2 * this.#skin;
    const step =
      wanted > 0 ? Math.min(wanted, Math.max(0, length + past - here)) : Math.max(wanted, Math.min(0, -past - here));
    this.#met = -1;
    if (Math.abs(step) < this.#skin / 4) return 0;
    this.#stepX = alongX * step;
    this.#stepY = alongY * step;
    const free = this.#cast(x, y, x + this.#stepX, y + this.#stepY);
    return free * Math.abs(step) < this.#skin / 4 ? 0 : free;
  }

  /**
   * How much of the way is free, 0 … 1, up to a skin's breadth before the first edge in it; `#met` is
   * that edge.
   */
  #cast(x: number, y: number, toX: number, toY: number): number {
    const wayX = toX - x;
    const wayY = toY - y;
    const length = Math.sqrt(wayX * wayX + wayY * wayY);
    this.#met = -1;
    this.#share = 1;
    if (length === 0) return 1;
    const skinShare = this.#skin / length;
    let column = this.#column(x);
    let row = this.#row(y);
    const lastColumn = this.#column(toX + (wayX / length) * 2 * this.#skin);
    const lastRow = this.#row(toY + (wayY / length) * 2 * this.#skin);
    const right = lastColumn > column ? 1 : -1;
    const down = lastRow > row ? 1 : -1;
    for (;;) {
      this.#look(row * this.#columns + column, x, y, wayX, wayY, skinShare);
      if (column === lastColumn && row === lastRow) break;
      const edgeX = this.#left + (column + (right > 0 ? 1 : 0)) * this.#cell;
      const edgeY = this.#top + (row + (down > 0 ? 1 : 0)) * this.#cell;
      const acrossAt = column === lastColumn ? Infinity : (edgeX - x) / wayX;
      const downAt = row === lastRow ? Infinity : (edgeY - y) / wayY;
      const at = Math.min(acrossAt, downAt);
      if (at > this.#share + 2 * skinShare) break;
      if (row === lastRow || (column !== lastColumn && acrossAt < downAt)) column += right;
      else row += down;
    }
    return this.#share * length < this.#skin * 1e-3 ? 0 : this.#share;
  }

  /** Shortens the way to what the edges of a cell leave free. */
  #look(cell: number, x: number, y: number, wayX: number, wayY: number, skinShare: number): void {
    const end = this.#starts[cell + 1] ?? 0;
    for (let i = this.#starts[cell] ?? 0; i < end; i++) {
      const edge = this.#items[i] ?? 0;
      const x1 = this.#end(edge, 0);
      const y1 = this.#end(edge, 1);
      const runX = this.#end(edge, 2) - x1;
      const runY = this.#end(edge, 3) - y1;
      const cross = wayX * runY - wayY * runX;
      if (cross === 0) continue;
      const share = ((x1 - x) * runY - (y1 - y) * runX) / cross;
      const along = ((x1 - x) * wayY - (y1 - y) * wayX) / cross;
      const length = Math.sqrt(runX * runX + runY * runY);
      const slack = this.#skin / length;
      // Before the edge by a skin's breadth, square to it.
      const steep = Math.abs(cross) / (length * Math.sqrt(wayX * wayX + wayY * wayY));
      const back = skinShare / Math.max(steep, 1e-6);
      if (along < -slack || along > 1 + slack || share < 0 || share - back > this.#share) continue;
      const free = Math.max(0, share - back);
      if (free >= this.#share) continue;
      this.#share = free;
      this.#met = edge;
    }
  }

  /** Whether a point is inside: an odd number of edges lies to its left. */
  contains(x: number, y: number): boolean {
    let inside = false;
    for (let i = 0; i < this.#edges.length; i += 4) {
      const y1 = this.#edges[i + 1] ?? 0;
      const y2 = this.#edges[i + 3] ?? 0;
      if (y1 > y === y2 > y) continue;
      const x1 = this.#edges[i] ?? 0;
      const x2 = this.#edges[i + 2] ?? 0;
      if (x1 + ((x2 - x1) * (y - y1)) / (y2 - y1) < x) inside = !inside;
    }
    return inside;
  }

  /** The nearest point of any edge, and its distance. */
  nearestEdge(x: number, y: number, out: Point): number {
    let nearest = Infinity;
    for (let i = 0; i < this.#edges.length; i += 4) {
      const x1 = this.#edges[i] ?? 0;
      const y1 = this.#edges[i + 1] ?? 0;
      const runX = (this.#edges[i + 2] ?? 0) - x1;
      const runY = (this.#edges[i + 3] ?? 0) - y1;
      const length = runX * runX + runY * runY;
      const along = length > 0 ? ((x - x1) * runX + (y - y1) * runY) / length : 0;
      const share = Math.min(Math.max(along, 0), 1);
      const nearX = x1 + runX * share;
      const nearY = y1 + runY * share;
      const away = (x - nearX) * (x - nearX) + (y - nearY) * (y - nearY);
      if (away >= nearest) continue;
      nearest = away;
      this.#met = i / 4;
      out.x = nearX;
      out.y = nearY;
    }
    return Math.sqrt(nearest);
  }

  /** The point itself where it is inside, or next to the nearest edge, on its inner side. */
  #bringIn(x: number, y: number, out: Point): void {
    const clear = this.contains(x, y) ? this.nearestEdge(x, y, out) : (this.nearestEdge(x, y, out), -1);
    if (clear > this.#skin) {
      out.x = x;
      out.y = y;
      return;
    }
    // On either side of that edge, and along it away from a corner that may be too narrow to stand in.
    const { x: edgeX, y: edgeY } = out;
    const runX = this.#end(this.#met, 2) - this.#end(this.#met, 0);
    const runY = this.#end(this.#met, 3) - this.#end(this.#met, 1);
    const length = Math.sqrt(runX * runX + runY * runY);
    const alongX = runX / length;
    const alongY = runY / length;
    for (let along = 0; along < length; along = along * 2 + 2 * this.#skin) {
      for (const way of [along, -along]) {
        for (const side of [2 * this.#skin, -2 * this.#skin]) {
          out.x = edgeX + alongX * way - alongY * side;
          out.y = edgeY + alongY * way + alongX * side;
          if (this.contains(out.x, out.y)) return;
        }
      }
    }
  }
}

function next(ring: Ring, i: number): readonly [number, number] {
  return ring[(i + 1) % ring.length] ?? [0, 0];
}
