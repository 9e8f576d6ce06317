/** Leaves out spots that others surround: a frustum that shows the others shows them, too. */
import { convexHull, norm } from '../math/index.ts';

/** Numbers of a spot: x, y, height, radius. */
export const SPOT = 4;
/** So many spots are not worth thinning. */
const FEW = 48;
/** Spots of different heights are thinned in layers: 64 at most, of 192 spots on average at least. */
const LAYERS = 64;
const LAYER = 192;
/** A spot is left out only so far inside, as a share of the extent: rounding cannot bring it out. */
const CLEAR = 1e-9;
/** A ring is looked up in so many rows. */
const ROWS = 64;
/** The number of spots that the ring of a long list grows by in a round. */
const SAMPLES = 128;

/** Returns the spots that reach farthest in any direction; few others remain. */
export function outermost(spots: Float64Array): Float64Array {
  const count = spots.length / SPOT;
  if (count <= FEW) return spots;
  const all = new Int32Array(count);
  for (let i = 0; i < count; i++) all[i] = i;
  const extent = extentOf(spots, all);
  const kept = new Set<number>();
  // Above a spot only higher ones count; below it, lower ones.
  for (const sense of extent.low < extent.high ? [1, -1] : [1]) thin(all, sense, new Ring(spots, extent), kept, extent);
  const outer = new Float64Array(kept.size * SPOT);
  let length = 0;
  for (const i of kept) for (let k = 0; k < SPOT; k++) outer[length++] = spots[i * SPOT + k] ?? NaN;
  return outer;
}

interface Extent {
  /** How far the spots are from the origin, along x and y together. */
  readonly far: number;
  /** The lowest and the highest. */
  readonly low: number;
  readonly high: number;
  /** The least and the greatest radius. */
  readonly least: number;
  readonly greatest: number;
}

function extentOf(spots: Float64Array, list: Int32Array): Extent {
  let far = 0;
  let low = Infinity;
  let high = -Infinity;
  let least = Infinity;
  let greatest = 0;
  for (let k = 0; k < list.length; k++) {
    const at = (list[k] ?? 0) * SPOT;
    const height = spots[at + 2] ?? NaN;
    const radius = spots[at + 3] ?? NaN;
    const away = Math.abs(spots[at] ?? NaN) + Math.abs(spots[at + 1] ?? NaN);
    if (away > far) far = away;
    if (height < low) low = height;
    if (height > high) high = height;
    if (radius < least) least = radius;
    if (radius > greatest) greatest = radius;
  }
  return { far, low, high, least, greatest };
}

/** Keeps the spots of a layer that neither the ring, which is at least as high, nor others of them surround. */
function thin(layer: Int32Array, sense: number, ring: Ring, kept: Set<number>, whole?: Extent): void {
  let list = ring.outsideOf(layer);
  const { low, high } = whole ?? extentOf(ring.spots, list);
  const layers = Math.min(LAYERS, Math.floor(list.length / LAYER));
  if (low < high && layers > 1) {
    for (const each of layersOf(ring.spots, list, layers, sense > 0 ? high : low, sense * (high - low)))
      thin(each, sense, ring, kept);
    return;
  }
  // Each round leaves few of a level list, unless most of them are at its rim.
  for (let most = Infinity; low === high && list.length > SAMPLES && list.length < most; ) {
    most = list.length / 2;
    ring.add(list, SAMPLES);
    list = ring.outsideOf(list);
  }
  const corners = ring.add(list);
  for (const i of low === high && ring.isEven ? corners : list) kept.add(i);
}

/** The spots of a list in layers of equal height, from a height on down, or up for `high` < 0; empty layers are left out. */
function layersOf(spots: Float64Array, list: Int32Array, count: number, from: number, high: number): Int32Array[] {
  const layers: number[][] = [];
  // Divided first: heights can differ by next to nothing.
  for (const i of list) (layers[Math.floor(((from - (spots[i * SPOT + 2] ?? NaN)) / high) * count)] ??= []).push(i);
  return layers.flatMap((layer) => [Int32Array.from(layer)]);
}

/** x, y, and the number of the spot. */
type Corner = readonly [number, number, number];

/** A convex ring of spots. */
class Ring {
  readonly spots: Float64Array;
  /** All spots have the same radius. */
  readonly isEven: boolean;
  /** This and the radius of a spot: how deep inside it has to be to be left out. The ring reaches out by the least radius. */
  readonly #more: number;
  /** The same for the greatest radius, world units. */
  readonly #deepest: number;
  #corners: readonly Corner[] = [];
  /** x, y of a corner and the unit vector inward from the side that begins there, by turns. */
  #sides = new Float64Array(0);
  #top = 0;
  #bottom = 0;
  /** By row, from the top: the x from which on and the x up to which places are `#deepest` inside. */
  readonly #rows = new Float64Array(2 * ROWS);

  constructor(spots: Float64Array, { far, least, greatest }: Extent) {
    this.spots = spots;
    this.isEven = least === greatest;
    this.#more = CLEAR * far - least;
    this.#deepest = greatest + this.#more;
  }

  /** Grows by the spots of a list, or by some here and there, `most` in number. Returns the spots at its corners. */
  add(list: Int32Array, most = Infinity): number[] {
    if (list.length === 0) return [];
    const { spots } = this;
    const grown = [...this.#corners];
    const step = Math.max(1, Math.floor(list.length / most));
    for (let k = 0; k < list.length; k += step) {
      const i = list[k] ?? 0;
      grown.push([spots[i * SPOT] ?? NaN, spots[i * SPOT + 1] ?? NaN, i]);
    }
    this.#corners = convexHull(grown);
    return this.#corners.map((corner) => corner[2]);
  }

  /** The ring is convex: what is inside at both edges of a row is inside between them. */
  #layRows(): void {
    const corners = this.#corners;
    const sides = (this.#sides = new Float64Array(4 * corners.length));
    this.#top = Infinity;
    this.#bottom = -Infinity;
    corners.forEach((corner, i) => {
      this.#top = Math.min(this.#top, corner[1]);
      this.#bottom = Math.max(this.#bottom, corner[1]);
      const next = corners[(i + 1) % corners.length] ?? corner;
      const east = next[0] - corner[0];
      const south = next[1] - corner[1];
      const side = norm(east, south);
      sides.set([corner[0], corner[1], -south / side, east / side], 4 * i);
    });
    const rows = this.#rows;
    let above = this.#widthAt(this.#top);
    for (let row = 0; row < ROWS; row++) {
      const below = this.#widthAt(this.#top + ((row + 1) / ROWS) * (this.#bottom - this.#top));
      rows[2 * row] = Math.max(above[0], below[0]);
      rows[2 * row + 1] = Math.min(above[1], below[1]);
      above = below;
    }
  }

  /** The x from which on and up to which a line is `#deepest` inside of all sides; the second is less than the first if it is nowhere. */
  #widthAt(y: number): [number, number] {
    const sides = this.#sides;
    let left = -Infinity;
    let right = Infinity;
    for (let i = 0; i < sides.length; i += 4) {
      const east = sides[i + 2] ?? NaN;
      const missing = this.#deepest - (y - (sides[i + 1] ?? NaN)) * (sides[i + 3] ?? NaN);
      const at = (sides[i] ?? NaN) + missing / east;
      if (east > 0 && at > left) left = at;
      else if (east < 0 && at < right) right = at;
      else if (east === 0 && missing > 0) return [Infinity, -Infinity];
    }
    return [left, right];
  }

  /** The spots of a list that are not clearly inside. */
  outsideOf(list: Int32Array): Int32Array {
    if (this.#corners.length < 3) return list;
    this.#layRows();
    // A loop: a filter takes three times as long.
    const outside = new Int32Array(list.length);
    let length = 0;
    for (let k = 0; k < list.length; k++) {
      const i = list[k] ?? 0;
      if (!this.#surrounds(i)) outside[length++] = i;
    }
    return outside.subarray(0, length);
  }

  #surrounds(i: number): boolean {
    const x = this.spots[i * SPOT] ?? NaN;
    const y = this.spots[i * SPOT + 1] ?? NaN;
    if (!(y > this.#top && y < this.#bottom)) return false;
    const row = 2 * Math.floor(((y - this.#top) / (this.#bottom - this.#top)) * ROWS);
    if (x > (this.#rows[row] ?? NaN) && x < (this.#rows[row + 1] ?? NaN)) return true;
    return this.#isInside(x, y, (this.spots[i * SPOT + 3] ?? NaN) + this.#more);
  }

  /** Whether a place is so far inside of all sides. */
  #isInside(x: number, y: number, deep: number): boolean {
    const sides = this.#sides;
    for (let i = 0; i < sides.length; i += 4) {
      const inside =
        (x - (sides[i] ?? NaN)) * (sides[i + 2] ?? NaN) + (y - (sides[i + 1] ?? NaN)) * (sides[i + 3] ?? NaN);
      if (!(inside > deep)) return false;
    }
    return true;
  }
}
