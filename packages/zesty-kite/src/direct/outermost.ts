/** Leaves out spots that others surround: a frustum that shows the others shows them, too. */
import { convexHull } from '../math/index.ts';

/** Numbers of a spot: x, y, height, radius. */
export const SPOT = 4;
/** So many spots are not worth thinning. */
const FEW = 48;
/** Spots of different heights are thinned in layers: 64 at most, of 192 spots on average at least. */
const LAYERS = 64;
const LAYER = 192;
/** A spot is left out only so far inside, as a share of the extent: rounding cannot bring it out. */
const CLEAR = 1e-9;
/** A ring's grid has this many cells a side, times the square root of the number of spots that are looked up. */
const CELLS = 1 / 8;
/** The number of spots that make the ring of a long list. */
const SAMPLES = 1024;

/** Returns the spots that reach farthest in any direction, in their order; few others remain. */
export function outermost(spots: Float64Array): Float64Array {
  const count = spots.length / SPOT;
  if (count <= FEW) return spots;
  const kept = new Uint8Array(count);
  const all = new Int32Array(count);
  for (let i = 0; i < count; i++) all[i] = i;
  // Above a spot only higher ones count; below it, lower ones.
  for (const sense of [1, -1]) {
    const ring = new Ring(spots);
    thin(all, sense, ring, kept);
    const [low, high] = heightsOf(spots, all);
    if (low === high) break;
  }
  const outer: number[] = [];
  for (let i = 0; i < count; i++)
    if (kept[i] === 1) for (let k = 0; k < SPOT; k++) outer.push(spots[i * SPOT + k] ?? NaN);
  return Float64Array.from(outer);
}

/** Keeps the spots of a list that neither the ring, which is at least as high, nor others of them surround. */
function thin(list: Int32Array, sense: number, ring: Ring, kept: Uint8Array): void {
  const { spots } = ring;
  const [low, high] = heightsOf(spots, list);
  const layers = Math.min(LAYERS, Math.floor(list.length / LAYER));
  if (low < high && layers > 1) {
    for (const layer of layersOf(spots, list, (sense * layers) / (high - low), sense > 0 ? high : low))
      thin(ring.outsideOf(layer), sense, ring, kept);
    return;
  }
  // All of a short list.
  const every = Math.ceil(list.length / SAMPLES);
  const samples = Math.ceil(list.length / every);
  if (low === high) ring.add(Int32Array.from({ length: samples }, (_, k) => list[k * every] ?? 0));
  const outside = ring.outsideOf(list);
  if (low < high) ring.add(outside);
  for (const i of outside) kept[i] = 1;
}

/** The spots of a list in layers of equal height, from a height on; empty layers are left out. `dense`: layers per world unit. */
function layersOf(spots: Float64Array, list: Int32Array, dense: number, from: number): Int32Array[] {
  const layers: number[][] = [];
  for (const i of list) (layers[Math.floor((from - (spots[i * SPOT + 2] ?? NaN)) * dense)] ??= []).push(i);
  return layers.flatMap((layer) => [Int32Array.from(layer)]);
}

/** The lowest and the highest. */
function heightsOf(spots: Float64Array, list: Int32Array): [number, number] {
  let low = Infinity;
  let high = -Infinity;
  for (let k = 0; k < list.length; k++) {
    const at = spots[(list[k] ?? 0) * SPOT + 2] ?? NaN;
    if (at < low) low = at;
    if (at > high) high = at;
  }
  return [low, high];
}

/** A convex ring of spots. */
class Ring {
  readonly spots: Float64Array;
  /** World units. */
  readonly #clear: number;
  /** The least radius: all of the ring has it. */
  readonly #radius: number;
  #corners: [number, number][] = [];
  /** x, y of a corner and the unit vector inward from the side that begins there, by turns. */
  #sides = new Float64Array(0);
  #left = 0;
  #top = 0;
  #right = 0;
  #bottom = 0;
  /** A grid over the ring: how deep inside each cell is at least. */
  #cells = new Float64Array(0);
  /** Cells along each side. */
  #across = 0;

  constructor(spots: Float64Array) {
    this.spots = spots;
    let extent = 0;
    let radius = Infinity;
    for (let i = 0; i < spots.length; i += SPOT) {
      extent = Math.max(extent, Math.abs(spots[i] ?? NaN), Math.abs(spots[i + 1] ?? NaN));
      radius = Math.min(radius, spots[i + 3] ?? NaN);
    }
    this.#clear = CLEAR * extent;
    this.#radius = radius;
  }

  add(list: Int32Array): void {
    if (list.length === 0) return;
    const { spots } = this;
    for (const i of list) this.#corners.push([spots[i * SPOT] ?? NaN, spots[i * SPOT + 1] ?? NaN]);
    this.#corners = convexHull(this.#corners);
    const corners = this.#corners;
    const { length } = corners;
    if (length < 3) return;
    this.#sides = Float64Array.from(
      corners.flatMap(([x, y], i) => {
        const [toX, toY] = corners[(i + 1) % length] ?? [x, y];
        const [east, south] = [toX - x, toY - y];
        const side = Math.sqrt(east * east + south * south);
        return [x, y, -south / side, east / side];
      }),
    );
    this.#left = Math.min(...corners.map(([x]) => x));
    this.#top = Math.min(...corners.map(([, y]) => y));
    this.#right = Math.max(...corners.map(([x]) => x));
    this.#bottom = Math.max(...corners.map(([, y]) => y));
  }

  /** A grid point is a corner of four cells: the depth between them is no less than at the least of them. */
  #layGrid(across: number): void {
    this.#across = across;
    this.#cells = new Float64Array(across * across).fill(Infinity);
    const wide = (this.#right - this.#left) / across;
    const high = (this.#bottom - this.#top) / across;
    for (let row = 0; row <= across; row++)
      for (let column = 0; column <= across; column++) {
        const depth = this.#depthOf(this.#left + column * wide, this.#top + row * high);
        for (let y = Math.max(0, row - 1); y <= Math.min(row, across - 1); y++)
          for (let x = Math.max(0, column - 1); x <= Math.min(column, across - 1); x++)
            this.#cells[y * across + x] = Math.min(this.#cells[y * across + x] ?? NaN, depth);
      }
  }

  /** The spots of a list that are not clearly inside. */
  outsideOf(list: Int32Array): Int32Array {
    if (this.#sides.length === 0) return list;
    this.#layGrid(Math.floor(Math.sqrt(list.length) * CELLS));
    const { spots } = this;
    const outside = new Int32Array(list.length);
    let count = 0;
    for (let k = 0; k < list.length; k++) {
      const i = list[k] ?? 0;
      const at = i * SPOT;
      if (!this.#surrounds(spots[at] ?? NaN, spots[at + 1] ?? NaN, spots[at + 3] ?? NaN)) outside[count++] = i;
    }
    return outside.subarray(0, count);
  }

  #surrounds(x: number, y: number, radius: number): boolean {
    const needed = radius - this.#radius + this.#clear;
    if (!(x >= this.#left && x <= this.#right && y >= this.#top && y <= this.#bottom)) return false;
    const across = this.#across;
    const column = Math.floor(((x - this.#left) / (this.#right - this.#left)) * across);
    const row = Math.floor(((y - this.#top) / (this.#bottom - this.#top)) * across);
    return (this.#cells[row * across + column] ?? NaN) > needed || this.#depthOf(x, y) > needed;
  }

  /** How far inside of all sides a place is; below 0 outside. */
  #depthOf(x: number, y: number): number {
    const sides = this.#sides;
    let depth = Infinity;
    for (let i = 0; i < sides.length; i += 4) {
      const inside =
        (x - (sides[i] ?? NaN)) * (sides[i + 2] ?? NaN) + (y - (sides[i + 1] ?? NaN)) * (sides[i + 3] ?? NaN);
      if (inside < depth) depth = inside;
    }
    return depth;
  }
}
