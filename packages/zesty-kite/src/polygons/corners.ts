/** Corners of rings: those that touch are one, and each edge knows the corners that lie on it. */
import { norm } from '../math/index.ts';
import { Grid, type Box } from './grid.ts';

export class Corners {
  readonly xs: Float64Array;
  readonly ys: Float64Array;
  count = 0;
  /** World units. */
  readonly touches: number;
  readonly #grid: Grid;
  readonly #cells: number[] = [];

  /**
   * @param most of the corners that may be added
   * @param touches those nearer to each other, or to an edge, are on it; world units
   */
  constructor(box: Box, most: number, touches: number) {
    this.xs = new Float64Array(most);
    this.ys = new Float64Array(most);
    this.touches = touches;
    // Outlines pass through few of the cells.
    this.#grid = new Grid(box, 9 * most);
  }

  /** Returns the corner at a place: a known one that touches it, or a new one. */
  add(x: number, y: number): number {
    const { touches } = this;
    const grid = this.#grid;
    let looked = -1;
    for (let side = 0; side < 4; side++) {
      const cell = grid.cellOf(side < 2 ? x - touches : x + touches, side % 2 === 0 ? y - touches : y + touches);
      if (cell === looked) continue;
      looked = cell;
      for (let at = grid.first(cell); at >= 0; at = grid.next(at)) {
        const known = grid.item(at);
        if (Math.abs((this.xs[known] ?? NaN) - x) <= touches && Math.abs((this.ys[known] ?? NaN) - y) <= touches)
          return known;
      }
    }
    const corner = this.count++;
    this.xs[corner] = x;
    this.ys[corner] = y;
    grid.add(grid.cellOf(x, y), corner);
    return corner;
  }

  /** The corners on the line between two, in order; its ends are not among them. */
  between(from: number, to: number): readonly number[] {
    const { xs, ys, touches } = this;
    const grid = this.#grid;
    const x1 = xs[from] ?? NaN;
    const y1 = ys[from] ?? NaN;
    const x2 = xs[to] ?? NaN;
    const y2 = ys[to] ?? NaN;
    const runX = x2 - x1;
    const runY = y2 - y1;
    const length = norm(runX, runY);
    let found: Map<number, number> | null = null;
    const count = grid.along(x1, y1, x2, y2, touches, this.#cells);
    for (let k = 0; k < count; k++)
      for (let at = grid.first(this.#cells[k] ?? -1); at >= 0; at = grid.next(at)) {
        const corner = grid.item(at);
        if (corner === from || corner === to) continue;
        const aside = (xs[corner] ?? NaN) - x1;
        const down = (ys[corner] ?? NaN) - y1;
        if (Math.abs(aside * runY - down * runX) > touches * length) continue;
        const along = (aside * runX + down * runY) / length;
        if (along > 0 && along < length) (found ??= new Map()).set(corner, along);
      }
    return found === null ? [] : [...found].sort(([, a], [, b]) => a - b).map(([corner]) => corner);
  }
}
