/** The parts of edges that no corner splits, and the polygons whose edges they are. */
import type { Corners } from './corners.ts';

/** An edge that is split moves a little, and may then touch further corners: so often at most. */
const SPLITS = 8;

export class Pieces {
  readonly corners: Corners;
  /** By piece: the corners at its ends. */
  readonly from: number[] = [];
  readonly to: number[] = [];
  /** By piece: the polygons with an odd number of edges along it. Those with an even number, as a spike has, end nowhere there. */
  readonly polygons: (readonly number[])[] = [];
  /** By polygon: a list of it alone, which most of its pieces share. */
  readonly #alone: (readonly number[])[] = [];
  /** By corner and by piece: the piece before it that begins at the same corner, the lesser of its two; -1 for none. */
  readonly #last: Int32Array;
  readonly #before: number[] = [];

  constructor(corners: Corners) {
    this.corners = corners;
    this.#last = new Int32Array(corners.count).fill(-1);
  }

  get count(): number {
    return this.from.length;
  }

  /** Adds an edge of a polygon, split at the corners on it. */
  add(from: number, to: number, polygon: number, splits = 0): void {
    const stops = splits < SPLITS ? this.corners.between(from, to) : [];
    if (stops.length === 0) {
      this.#toggle(from, to, polygon);
      return;
    }
    let last = from;
    for (const stop of [...stops, to]) {
      this.add(last, stop, polygon, splits + 1);
      last = stop;
    }
  }

  #toggle(from: number, to: number, polygon: number): void {
    const first = Math.min(from, to);
    const second = Math.max(from, to);
    let piece = this.#last[first] ?? -1;
    while (piece >= 0 && Math.max(this.from[piece] ?? -1, this.to[piece] ?? -1) !== second)
      piece = this.#before[piece] ?? -1;
    if (piece < 0) {
      this.#before.push(this.#last[first] ?? -1);
      this.#last[first] = this.count;
      this.from.push(from);
      this.to.push(to);
      this.polygons.push((this.#alone[polygon] ??= [polygon]));
      return;
    }
    const owners = this.polygons[piece] ?? [];
    this.polygons[piece] = owners.includes(polygon)
      ? owners.filter((owner) => owner !== polygon)
      : [...owners, polygon];
  }
}
