/** The first place that two polygons cover: their edges cross there, or one of them is inside the other. */
import { norm } from '../math/index.ts';
import type { Corners } from './corners.ts';
import { Grid, type Box } from './grid.ts';
import type { Pieces } from './pieces.ts';

/** Two polygons that cover the same ground, and where. */
export interface Cover {
  readonly one: number;
  readonly other: number;
  readonly x: number;
  readonly y: number;
}

/** How far from a piece its sides are looked at, in the distance at which corners touch. */
const BESIDE = 4;
/** The sine of an angle: edges at a lesser one lie along each other. */
const PARALLEL = 1e-7;

export function coverOf(pieces: Pieces, box: Box): Cover | null {
  const plane = new Plane(pieces, box);
  return plane.crossing() ?? plane.coveredTwice();
}

class Plane {
  readonly #pieces: Pieces;
  readonly #corners: Corners;
  readonly #grid: Grid;
  /** The grid's cells, those with pieces in them. */
  readonly #cells = new Set<number>();
  readonly #some: number[] = [];

  constructor(pieces: Pieces, box: Box) {
    this.#pieces = pieces;
    this.#corners = pieces.corners;
    this.#grid = new Grid(box, pieces.count);
    for (let piece = 0; piece < pieces.count; piece++) {
      if (this.#owners(piece).length === 0) continue;
      const [x1, y1, x2, y2] = this.#ends(piece);
      const count = this.#grid.along(x1, y1, x2, y2, this.#corners.touches, this.#some);
      for (const cell of this.#some.slice(0, count)) {
        this.#grid.add(cell, piece);
        this.#cells.add(cell);
      }
    }
  }

  #owners(piece: number): readonly number[] {
    return this.#pieces.polygons[piece] ?? [];
  }

  #ends(piece: number): [x1: number, y1: number, x2: number, y2: number] {
    const { xs, ys } = this.#corners;
    const [from = -1, to = -1] = [this.#pieces.from[piece], this.#pieces.to[piece]];
    return [xs[from] ?? NaN, ys[from] ?? NaN, xs[to] ?? NaN, ys[to] ?? NaN];
  }

  /** Two pieces of different polygons that cross. */
  crossing(): Cover | null {
    const grid = this.#grid;
    for (const cell of this.#cells)
      for (let a = grid.first(cell); a >= 0; a = grid.next(a))
        for (let b = grid.next(a); b >= 0; b = grid.next(b)) {
          const [one, other] = differing(this.#owners(grid.item(b)), this.#owners(grid.item(a)));
          const at = other === undefined ? null : this.#meet(grid.item(b), grid.item(a));
          if (at !== null) return { one: one ?? -1, other: other ?? -1, ...at };
        }
    return null;
  }

  /** The crossing of two pieces that is at a distance from their ends; else null. */
  #meet(one: number, other: number): { x: number; y: number } | null {
    const [x1, y1, x2, y2] = this.#ends(one);
    const [x3, y3, x4, y4] = this.#ends(other);
    const cross = (x2 - x1) * (y4 - y3) - (y2 - y1) * (x4 - x3);
    if (cross === 0) return null;
    const share = ((x3 - x1) * (y4 - y3) - (y3 - y1) * (x4 - x3)) / cross;
    const along = ((x3 - x1) * (y2 - y1) - (y3 - y1) * (x2 - x1)) / cross;
    if (!(share > 0 && share < 1 && along > 0 && along < 1)) return null;
    const length = norm(x2 - x1, y2 - y1);
    const otherLength = norm(x4 - x3, y4 - y3);
    const clear = (part: number, of: number): boolean => Math.min(part, 1 - part) * of > 2 * this.#corners.touches;
    if (!clear(share, length) || !clear(along, otherLength)) return null;
    // Nearly parallel: they overlap instead of crossing.
    if (Math.abs(cross) < PARALLEL * length * otherLength) return null;
    return { x: x1 + (x2 - x1) * share, y: y1 + (y2 - y1) * share };
  }

  /** A point beside a piece that is inside two polygons. Along a chain of pieces it is the same everywhere: one point will do. */
  coveredTwice(): Cover | null {
    for (const piece of this.#longestOfChains()) {
      const [x1, y1, x2, y2] = this.#ends(piece);
      const beside = (BESIDE * this.#corners.touches) / norm(x2 - x1, y2 - y1);
      for (const side of [beside, -beside]) {
        const x = (x1 + x2) / 2 - (y2 - y1) * side;
        const y = (y1 + y2) / 2 + (x2 - x1) * side;
        const [one, other] = this.#coveredBy(x, y);
        if (one !== undefined && other !== undefined) return { one, other, x, y };
      }
    }
    return null;
  }

  /** Of pieces that follow each other without a fork, with the same polygons, the longest. */
  *#longestOfChains(): Generator<number> {
    const { count } = this.#pieces;
    const at = this.#piecesAt();
    const seen = new Uint8Array(count);
    for (let first = 0; first < count; first++) {
      if (seen[first] === 1 || this.#owners(first).length === 0) continue;
      seen[first] = 1;
      const chain = [first];
      let longest = first;
      for (let piece = chain.pop(); piece !== undefined; piece = chain.pop()) {
        if (this.#length(piece) > this.#length(longest)) longest = piece;
        for (const corner of [this.#pieces.from[piece] ?? -1, this.#pieces.to[piece] ?? -1]) {
          const around = at[corner] ?? [];
          if (around.length !== 2) continue;
          for (const next of around)
            if (seen[next] === 0 && String(this.#owners(next)) === String(this.#owners(piece))) {
              seen[next] = 1;
              chain.push(next);
            }
        }
      }
      yield longest;
    }
  }

  #piecesAt(): number[][] {
    const at: number[][] = Array.from({ length: this.#corners.count }, () => []);
    for (let piece = 0; piece < this.#pieces.count; piece++) {
      if (this.#owners(piece).length === 0) continue;
      at[this.#pieces.from[piece] ?? -1]?.push(piece);
      at[this.#pieces.to[piece] ?? -1]?.push(piece);
    }
    return at;
  }

  #length(piece: number): number {
    const [x1, y1, x2, y2] = this.#ends(piece);
    return norm(x2 - x1, y2 - y1);
  }

  /** The polygons that a point is inside of: an odd number of their pieces lies to its left. */
  #coveredBy(x: number, y: number): number[] {
    const covers = new Set<number>();
    const grid = this.#grid;
    const own = grid.column(x);
    for (let column = own; column >= 0; column--)
      for (let i = grid.first(grid.cellOf(x, y) - own + column); i >= 0; i = grid.next(i)) {
        const [x1, y1, x2, y2] = this.#ends(grid.item(i));
        if (y1 > y === y2 > y) continue;
        const at = x1 + ((x2 - x1) * (y - y1)) / (y2 - y1);
        if (!(at < x) || grid.column(at) !== column) continue;
        for (const polygon of this.#owners(grid.item(i))) if (!covers.delete(polygon)) covers.add(polygon);
      }
    return [...covers];
  }
}

/** One of each list, not the same. */
function differing(some: readonly number[], others: readonly number[]): readonly number[] {
  for (const one of some) for (const other of others) if (one !== other) return [one, other];
  return [];
}
