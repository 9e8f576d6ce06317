/** A square grid over the plane: lists of whole numbers by cell. */

export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

export class Grid {
  readonly #left: number;
  readonly #top: number;
  readonly #cell: number;
  readonly #side: number;
  /** By cell the last entry, and by entry its item and the entry before it; -1 for none. */
  readonly #last: Int32Array;
  readonly #items: number[] = [];
  readonly #before: number[] = [];

  /** @param count of the items that are expected */
  constructor({ left, top, right, bottom }: Box, count: number) {
    this.#left = left;
    this.#top = top;
    this.#side = Math.max(1, Math.ceil(Math.sqrt(count)));
    this.#cell = Math.max(right - left, bottom - top) / this.#side || 1;
    this.#last = new Int32Array((this.#side + 1) * (this.#side + 1)).fill(-1);
  }

  column(x: number): number {
    return this.#index(x - this.#left);
  }

  cellOf(x: number, y: number): number {
    return this.#index(y - this.#top) * (this.#side + 1) + this.column(x);
  }

  #index(distance: number): number {
    const index = Math.floor(distance / this.#cell);
    return index > 0 ? (index < this.#side ? index : this.#side) : 0;
  }

  add(cell: number, item: number): void {
    this.#items.push(item);
    this.#before.push(this.#last[cell] ?? -1);
    this.#last[cell] = this.#items.length - 1;
  }

  /** Walks through the items of a cell: `for (let at = first(cell); at >= 0; at = next(at)) item(at)`. */
  first(cell: number): number {
    return this.#last[cell] ?? -1;
  }

  next(at: number): number {
    return this.#before[at] ?? -1;
  }

  item(at: number): number {
    return this.#items[at] ?? -1;
  }

  /** Puts every cell that a line may touch into a list, row by row; returns how many they are. */
  along(x1: number, y1: number, x2: number, y2: number, touches: number, cells: number[]): number {
    const slack = this.#cell * 1e-6 + touches;
    const low = Math.min(y1, y2);
    const high = Math.max(y1, y2);
    const first = this.#index(low - slack - this.#top);
    const last = this.#index(high + slack - this.#top);
    const steep = y1 === y2 ? 0 : (x2 - x1) / (y2 - y1);
    let count = 0;
    for (let row = first; row <= last; row++) {
      const upper = this.#top + row * this.#cell - slack;
      const lower = upper + this.#cell + 2 * slack;
      const a = y1 === y2 ? x1 : x1 + steep * (Math.max(upper, low) - y1);
      const b = y1 === y2 ? x2 : x1 + steep * (Math.min(lower, high) - y1);
      const end = this.column(Math.max(a, b) + slack);
      for (let column = this.column(Math.min(a, b) - slack); column <= end; column++)
        cells[count++] = row * (this.#side + 1) + column;
    }
    return count;
  }
}
