/**
 * A smooth upper envelope of heights: nowhere lower than they are, and never steeper than a stated slope.
 * The eye keeps clear of this, so that steep ground does not jerk it.
 *
 * At each corner of a lattice it is the highest of all cones of that slope that stand on the heights around
 * (a grey-scale dilation by a cone); between corners it is bilinear. So it depends on the place alone.
 */
import { clamp } from '../math/index.ts';
import type { Spot } from './spot.ts';

/** The slope along either axis: 45°. */
const SLOPE = 1;
const SQRT_2 = 1.4142135623730951;

/** The corners of a grid of samples, `step` apart: the cones are carried over it there and back again. */
export function envelopeOfGrid(samples: Float64Array, columns: number, rows: number, step: number): Float64Array {
  const raised = Float64Array.from(samples);
  const straight = SLOPE * step;
  const across = SLOPE * step * SQRT_2;
  const take = (at: number, column: number, row: number, fall: number): void => {
    if (column < 0 || row < 0 || column >= columns || row >= rows) return;
    const over = (raised[row * columns + column] ?? 0) - fall;
    if (over > (raised[at] ?? 0)) raised[at] = over;
  };
  for (const way of [-1, 1]) {
    for (let i = 0; i < rows; i++) {
      const row = way < 0 ? i : rows - 1 - i;
      for (let k = 0; k < columns; k++) {
        const column = way < 0 ? k : columns - 1 - k;
        const at = row * columns + column;
        take(at, column + way, row, straight);
        take(at, column, row + way, straight);
        take(at, column + way, row + way, across);
        take(at, column - way, row + way, across);
      }
    }
  }
  return raised;
}

/** So many corners around one count for it; where cones would reach farther, they are steeper. */
const REACH = 12;
/** Sides of the stores: more than twice the reach, and more than one eye needs at a time. */
const HEIGHTS = 64;
const RAISED = 16;

/** Numbers at the corners of a lattice without an end: the latest that were asked for are kept. */
class Store {
  readonly #side: number;
  readonly #values: Float64Array;
  readonly #columns: Float64Array;
  readonly #rows: Float64Array;
  readonly #make: (column: number, row: number) => number;

  constructor(side: number, make: (column: number, row: number) => number) {
    this.#side = side;
    this.#values = new Float64Array(side * side);
    this.#columns = new Float64Array(side * side).fill(NaN);
    this.#rows = new Float64Array(side * side).fill(NaN);
    this.#make = make;
  }

  at(column: number, row: number): number {
    const side = this.#side;
    const slot = (((row % side) + side) % side) * side + (((column % side) + side) % side);
    if (this.#columns[slot] !== column || this.#rows[slot] !== row) {
      this.#values[slot] = this.#make(column, row);
      this.#columns[slot] = column;
      this.#rows[slot] = row;
    }
    return this.#values[slot] ?? 0;
  }
}

/**
 * The envelope of heights from a function, over a lattice of its feature size.
 *
 * @returns sets the height of a spot to that of the envelope
 */
export function envelopeOf(
  heightAt: (x: number, y: number) => number,
  { lowest, highest, feature }: { readonly lowest: number; readonly highest: number; readonly feature: number },
): (spot: Spot) => void {
  const slope = Math.max(SLOPE, (highest - lowest) / (REACH * feature));
  const heights = new Store(HEIGHTS, (column, row) => heightAt(column * feature, row * feature));
  const raised = new Store(RAISED, (column, row) => {
    const own = heights.at(column, row);
    // Nothing that is farther away reaches up to this height.
    const reach = Math.min(REACH, Math.ceil((highest - own) / (slope * feature)));
    let most = own;
    for (let down = -reach; down <= reach; down++)
      for (let right = -reach; right <= reach; right++) {
        const away = Math.sqrt(right * right + down * down) * feature;
        most = Math.max(most, heights.at(column + right, row + down) - slope * away);
      }
    return most;
  });
  return (spot) => {
    const { x, y } = spot;
    const column = Math.floor(x / feature);
    const row = Math.floor(y / feature);
    const right = clamp(x / feature - column, 0, 1);
    const below = clamp(y / feature - row, 0, 1);
    const upper = raised.at(column, row) * (1 - right) + raised.at(column + 1, row) * right;
    const lower = raised.at(column, row + 1) * (1 - right) + raised.at(column + 1, row + 1) * right;
    spot.height = Math.max(upper * (1 - below) + lower * below, heightAt(x, y));
  };
}
