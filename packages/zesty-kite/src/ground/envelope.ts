/**
 * A smooth upper envelope of heights: nowhere lower than they are, never steeper than a stated slope, and without a
 * kink. The eye keeps clear of this, so that steep ground does not jerk it.
 *
 * A lattice wider than the heights' own has, at each corner, the highest of all cones of that slope that stand on the
 * heights around (a grey-scale dilation by a cone with a flat top). Between corners it is a uniform quadratic B-spline:
 * at each place a mean of nine corners. Flat tops reach as far as a corner counts, so all nine are higher than the
 * ground there, and so is their mean. Its slope along an axis is a mean of the slopes between corners. It depends on
 * the place alone.
 */
import { clamp, norm } from '../math/index.ts';
import type { Spot } from './spot.ts';

/** The slope along either axis: 45°. */
const SLOPE = 1;
const SQRT_2 = 1.4142135623730951;
/** From one corner of the lattice to the next, in steps of the heights: even. */
const WIDE = 4;

/** The nine corners around a place, row by row. */
const around = new Float64Array(9);

/** The mean of the nine, for a place that lies `right` and `below` of the middle one: from -½ to ½. */
function meanAround(right: number, below: number): number {
  return meanOf(rowMean(0, right), rowMean(3, right), rowMean(6, right), below);
}

function rowMean(i: number, right: number): number {
  return meanOf(around[i] ?? 0, around[i + 1] ?? 0, around[i + 2] ?? 0, right);
}

/** A uniform quadratic B-spline through three numbers, counted from the middle one: of equal ones it is exactly that. */
function meanOf(first: number, middle: number, last: number, at: number): number {
  const before = 0.5 - at;
  const after = 0.5 + at;
  return middle + 0.5 * (before * before * (first - middle) + after * after * (last - middle));
}

/** The places of the samples of a grid: see `HeightGrid`. */
interface Samples {
  readonly columns: number;
  readonly rows: number;
  readonly step: number;
  readonly left: number;
  readonly top: number;
  readonly heights: Float64Array;
}

/**
 * The envelope of a grid of samples.
 *
 * @returns sets the height of a spot to that of the envelope
 */
export function envelopeOfGrid({ columns, rows, step, left, top, heights }: Samples): (spot: Spot) => void {
  const lastColumn = Math.ceil((columns - 1) / WIDE);
  const lastRow = Math.ceil((rows - 1) / WIDE);
  const wide = step * WIDE;
  const across = lastColumn + 1;
  const raised = new Float64Array(across * (lastRow + 1)).fill(-Infinity);

  // Flat tops: what lies within one and a half of the lattice's steps.
  const reach = (WIDE * 3) / 2;
  for (let row = 0; row < rows; row++) {
    const fromRow = Math.max(0, Math.ceil((row - reach) / WIDE));
    const toRow = Math.min(lastRow, Math.floor((row + reach) / WIDE));
    for (let column = 0; column <= lastColumn; column++) {
      const end = row * columns + Math.min(columns - 1, column * WIDE + reach);
      let most = -Infinity;
      for (let i = row * columns + Math.max(0, column * WIDE - reach); i <= end; i++)
        if ((heights[i] ?? 0) > most) most = heights[i] ?? 0;
      for (let at = fromRow * across + column; at <= toRow * across + column; at += across)
        if (most > (raised[at] ?? 0)) raised[at] = most;
    }
  }

  // Cones: they are carried over the lattice there and back again.
  const take = (at: number, column: number, row: number, fall: number): void => {
    if (column < 0 || row < 0 || column > lastColumn || row > lastRow) return;
    const over = (raised[row * across + column] ?? 0) - fall;
    if (over > (raised[at] ?? 0)) raised[at] = over;
  };
  const fall = SLOPE * wide;
  for (const way of [-1, 1]) {
    for (let i = 0; i <= lastRow; i++) {
      const row = way < 0 ? i : lastRow - i;
      for (let k = 0; k <= lastColumn; k++) {
        const column = way < 0 ? k : lastColumn - k;
        const at = row * across + column;
        take(at, column + way, row, fall);
        take(at, column, row + way, fall);
        take(at, column + way, row + way, fall * SQRT_2);
        take(at, column - way, row + way, fall * SQRT_2);
      }
    }
  }

  return (spot) => {
    const right = clamp((spot.x - left) / wide, 0, lastColumn);
    const below = clamp((spot.y - top) / wide, 0, lastRow);
    const column = Math.round(right);
    const row = Math.round(below);
    for (let r = -1; r <= 1; r++)
      for (let c = -1; c <= 1; c++)
        around[3 * r + c + 4] = raised[mirrored(row + r, lastRow) * across + mirrored(column + c, lastColumn)] ?? 0;
    spot.height = meanAround(right - column, below - row);
  };
}

/** Beyond an edge the lattice is its own mirror image: so the envelope goes level over the edge. */
function mirrored(i: number, last: number): number {
  return i < 0 ? 1 : i > last ? last - 1 : i;
}

/** So many corners around one count for it; where cones would reach farther, they are steeper. */
const REACH = 6;
/** Sides of the stores: more than what one corner looks at, and more than one eye needs at a time. */
const TOPS = 32;
const RAISED = 16;

/** Numbers at the corners of a lattice without an end: the latest ones are kept. */
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
 * The envelope of heights from a function, which is looked at once a feature.
 *
 * @returns sets the height of a spot to that of the envelope
 */
export function envelopeOf(
  heightAt: (x: number, y: number) => number,
  { lowest, highest, feature }: { readonly lowest: number; readonly highest: number; readonly feature: number },
): (spot: Spot) => void {
  const wide = feature * WIDE;
  const fall = Math.max(SLOPE * wide, (highest - lowest) / REACH);
  // The highest of what lies next to a corner.
  const tops = new Store(TOPS, (column, row) => {
    let max = lowest;
    for (let r = -WIDE / 2; r <= WIDE / 2; r++)
      for (let c = -WIDE / 2; c <= WIDE / 2; c++)
        max = Math.max(max, heightAt((column * WIDE + c) * feature, (row * WIDE + r) * feature));
    return max;
  });
  const raised = new Store(RAISED, (column, row) => {
    const own = tops.at(column, row);
    // Nothing that is farther away reaches up to this height.
    const reach = Math.min(REACH, Math.ceil((highest - own) / fall)) + 1;
    let max = own;
    for (let down = -reach; down <= reach; down++)
      for (let right = -reach; right <= reach; right++) {
        const besideX = Math.max(0, Math.abs(right) - 1);
        const besideY = Math.max(0, Math.abs(down) - 1);
        const away = norm(besideX, besideY);
        max = Math.max(max, tops.at(column + right, row + down) - fall * away);
      }
    return max;
  });
  return (spot) => {
    const { x, y } = spot;
    const column = Math.round(x / wide);
    const row = Math.round(y / wide);
    for (let r = -1; r <= 1; r++) for (let c = -1; c <= 1; c++) around[3 * r + c + 4] = raised.at(column + c, row + r);
    // Hills thinner than a feature may have been missed.
    spot.height = Math.max(meanAround(x / wide - column, y / wide - row), heightAt(x, y));
  };
}
