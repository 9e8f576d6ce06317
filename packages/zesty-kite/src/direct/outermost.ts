/** Leaves out spots that others surround: a frustum that shows the others shows them, too. */
import { convexHull } from '../math/index.ts';

/** Numbers of a spot: x, y, height, radius. */
export const SPOT = 4;
/** So many spots are not worth thinning. */
const FEW = 48;
/** Of spots of different heights. */
const LAYERS = 64;
/** A spot is left out only so far inside, as a share of the extent: rounding cannot bring it out. */
const CLEAR = 1e-9;
/** Of a ring's grid, along each side. */
const CELLS = 24;
/** Of a long list so many spots make the first ring. */
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

/** Keeps the spots of a list that neither the ring, which is at least as high, nor one another surround. */
function thin(list: Int32Array, sense: number, ring: Ring, kept: Uint8Array): void {
  const { spots } = ring;
  const [low, high] = heightsOf(spots, list);
  if (list.length > FEW && low < high) {
    for (const layer of layersOf(spots, list, low, high, sense)) thin(ring.outsideOf(layer), sense, ring, kept);
    return;
  }
  if (list.length > SAMPLES) ring.add(sampleOf(list));
  const outside = ring.outsideOf(list);
  ring.add(outside);
  for (const i of low === high ? ring.outsideOf(outside) : outside) kept[i] = 1;
}

/** The spots of a list by height, the highest layer first; for -1 the lowest. */
function layersOf(spots: Float64Array, list: Int32Array, low: number, high: number, sense: number): Int32Array[] {
  const layers = Array.from({ length: LAYERS }, (): number[] => []);
  for (const i of list) {
    const layer = Math.min(Math.floor((((spots[i * SPOT + 2] ?? NaN) - low) / (high - low)) * LAYERS), LAYERS - 1);
    layers[sense > 0 ? LAYERS - 1 - layer : layer]?.push(i);
  }
  return layers.map((layer) => Int32Array.from(layer));
}

function sampleOf(list: Int32Array): Int32Array {
  const every = Math.ceil(list.length / SAMPLES);
  return Int32Array.from({ length: Math.floor(list.length / every) }, (_, k) => list[k * every] ?? 0);
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
  /** A grid over the ring: how deep inside each cell is at least. */
  readonly #cells = new Float64Array(CELLS * CELLS);
  #left = 0;
  #top = 0;
  #width = 0;
  #height = 0;

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
    this.#width = (Math.max(...corners.map(([x]) => x)) - this.#left) / CELLS;
    this.#height = (Math.max(...corners.map(([, y]) => y)) - this.#top) / CELLS;
    this.#cells.fill(Infinity);
    for (let row = 0; row <= CELLS; row++) for (let column = 0; column <= CELLS; column++) this.#lower(column, row);
  }

  /** A grid point is a corner of four cells: the depth between them is no less than at the least of them. */
  #lower(column: number, row: number): void {
    const depth = this.#depthOf(this.#left + column * this.#width, this.#top + row * this.#height);
    for (const at of [row - 1, row])
      for (const across of [column - 1, column])
        if (at >= 0 && at < CELLS && across >= 0 && across < CELLS) {
          const cell = at * CELLS + across;
          this.#cells[cell] = Math.min(this.#cells[cell] ?? NaN, depth);
        }
  }

  /** The spots of a list that are not clearly inside. */
  outsideOf(list: Int32Array): Int32Array {
    if (this.#sides.length === 0) return list;
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
    const column = Math.floor((x - this.#left) / this.#width);
    const row = Math.floor((y - this.#top) / this.#height);
    if (!(column >= 0 && column < CELLS && row >= 0 && row < CELLS)) return false;
    return (this.#cells[row * CELLS + column] ?? NaN) > needed || this.#depthOf(x, y) > needed;
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
