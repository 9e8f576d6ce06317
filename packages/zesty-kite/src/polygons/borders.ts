/**
 * The borders of several polygons: the edges that no two of them share. Corners that lie on another
 * polygon's edge (T-junctions) split it; what occurs twice, such as a shared border or a spike, cancels out.
 */
import type { PlacedRing, Ring } from './rings.ts';

/** Two polygons that cover the same ground, and where. */
export interface Overlap {
  readonly one: string;
  readonly other: string;
  readonly x: number;
  readonly y: number;
}

export interface Borders {
  /** Two ends an edge: x1, y1, x2, y2. */
  readonly ends: Float64Array;
  readonly overlap: Overlap | null;
}

/** Corners nearer to each other, or to an edge, than this are on it; as a share of the greatest coordinate. */
const TOUCHES = 4e-9;
/** How far from an edge its sides are tested for the polygons that cover them, in the same measure. */
const BESIDE = 16;

export function bordersOf(rings: readonly PlacedRing[]): Borders {
  const plane = new Plane(rings);
  const pieces = plane.pieces();
  const owners = new Set(rings.map(({ polygon }) => polygon));
  const overlap = owners.size > 1 ? plane.overlap(pieces) : null;
  const ends = pieces.flatMap(({ from, to, edges }) =>
    edges.length % 2 === 0 ? [] : [...plane.at(from), ...plane.at(to)],
  );
  return { ends: Float64Array.from(ends), overlap };
}

/** A part of an edge that no corner splits, and the edges that it is a part of. */
interface Piece {
  readonly from: number;
  readonly to: number;
  readonly edges: number[];
}

interface Edge {
  readonly from: number;
  readonly to: number;
  readonly polygon: string;
}

/** Corners and edges in the cells of a square grid. */
class Plane {
  readonly #xs: number[] = [];
  readonly #ys: number[] = [];
  readonly #edges: Edge[] = [];
  readonly #left: number;
  readonly #top: number;
  readonly #cell: number;
  readonly #side: number;
  readonly #touches: number;
  /** By cell: corners, and edges that may touch it. */
  readonly #corners = new Map<number, number[]>();
  readonly #near = new Map<number, number[]>();

  constructor(rings: readonly PlacedRing[]) {
    const box = boxOf(rings.map(({ ring }) => ring));
    const count = rings.reduce((sum, { ring }) => sum + ring.length, 0);
    this.#left = box.left;
    this.#top = box.top;
    this.#side = Math.max(1, Math.ceil(Math.sqrt(count)));
    this.#cell = Math.max(box.right - box.left, box.bottom - box.top) / this.#side || 1;
    this.#touches = TOUCHES * Math.max(...[box.left, box.right, box.top, box.bottom].map(Math.abs));
    for (const { ring, polygon } of rings) {
      const corners = ring.map(([x, y]) => this.#corner(x, y));
      corners.forEach((from, i) => {
        const to = corners[(i + 1) % corners.length] ?? from;
        if (from !== to) this.#edges.push({ from, to, polygon });
      });
    }
    this.#edges.forEach((edge, i) => {
      this.#eachCell(edge, (cell) => {
        const near = this.#near.get(cell);
        if (near === undefined) this.#near.set(cell, [i]);
        else near.push(i);
      });
    });
  }

  at(corner: number): [number, number] {
    return [this.#xs[corner] ?? 0, this.#ys[corner] ?? 0];
  }

  #cellOf(x: number, y: number): number {
    return this.#index(y - this.#top) * (this.#side + 1) + this.#index(x - this.#left);
  }

  #index(distance: number): number {
    return Math.min(Math.max(Math.floor(distance / this.#cell), 0), this.#side);
  }

  /** The corner at a place: a known one within the tolerance, or a new one. */
  #corner(x: number, y: number): number {
    const touches = this.#touches;
    for (const atX of [x - touches, x + touches])
      for (const atY of [y - touches, y + touches])
        for (const known of this.#corners.get(this.#cellOf(atX, atY)) ?? []) {
          const [knownX, knownY] = this.at(known);
          if (Math.abs(knownX - x) <= touches && Math.abs(knownY - y) <= touches) return known;
        }
    const corner = this.#xs.length;
    this.#xs.push(x);
    this.#ys.push(y);
    const cell = this.#cellOf(x, y);
    this.#corners.set(cell, [...(this.#corners.get(cell) ?? []), corner]);
    return corner;
  }

  /** Every cell that an edge may touch, row by row. */
  #eachCell({ from, to }: Edge, each: (cell: number) => void): void {
    const [x1, y1] = this.at(from);
    const [x2, y2] = this.at(to);
    const slack = this.#cell * 1e-6 + this.#touches;
    const first = this.#index(Math.min(y1, y2) - slack - this.#top);
    const last = this.#index(Math.max(y1, y2) + slack - this.#top);
    for (let row = first; row <= last; row++) {
      const within = (y: number): number => Math.min(Math.max(y, Math.min(y1, y2)), Math.max(y1, y2));
      const upper = this.#top + row * this.#cell - slack;
      const at = (y: number): number => (y1 === y2 ? x1 : x1 + ((x2 - x1) * (within(y) - y1)) / (y2 - y1));
      const a = y1 === y2 ? x1 : at(upper);
      const b = y1 === y2 ? x2 : at(upper + this.#cell + 2 * slack);
      const end = this.#index(Math.max(a, b) + slack - this.#left);
      for (let column = this.#index(Math.min(a, b) - slack - this.#left); column <= end; column++)
        each(row * (this.#side + 1) + column);
    }
  }

  /** All edges, split where corners lie on them; parts that are the same are one. */
  pieces(): Piece[] {
    const pieces = new Map<number, Piece>();
    const count = this.#xs.length;
    this.#edges.forEach((edge, i) => {
      const stops = this.#stopsOn(edge);
      stops.forEach((from, k) => {
        const to = stops[k + 1];
        if (to === undefined) return;
        const key = Math.min(from, to) * count + Math.max(from, to);
        const piece = pieces.get(key);
        if (piece === undefined) pieces.set(key, { from, to, edges: [i] });
        else piece.edges.push(i);
      });
    });
    return [...pieces.values()];
  }

  /** The corners on an edge, in order, its ends included. */
  #stopsOn(edge: Edge): number[] {
    const [x1, y1] = this.at(edge.from);
    const [x2, y2] = this.at(edge.to);
    const [runX, runY] = [x2 - x1, y2 - y1];
    const length = Math.sqrt(runX * runX + runY * runY);
    const found = new Map<number, number>();
    this.#eachCell(edge, (cell) => {
      for (const corner of this.#corners.get(cell) ?? []) {
        if (corner === edge.from || corner === edge.to) continue;
        const [x, y] = this.at(corner);
        const along = ((x - x1) * runX + (y - y1) * runY) / length;
        const off = Math.abs((x - x1) * runY - (y - y1) * runX) / length;
        if (off <= this.#touches && along > 0 && along < length) found.set(corner, along);
      }
    });
    const between = [...found].sort(([, a], [, b]) => a - b).map(([corner]) => corner);
    return [edge.from, ...between, edge.to];
  }

  /** The first place that two polygons cover. */
  overlap(pieces: readonly Piece[]): Overlap | null {
    return this.#crossing() ?? this.#coveredTwice(pieces);
  }

  /** Two edges of different polygons that cross. */
  #crossing(): Overlap | null {
    for (const near of this.#near.values()) {
      for (let i = 0; i < near.length; i++) {
        for (let k = 0; k < i; k++) {
          const one = this.#edges[near[k] ?? -1];
          const other = this.#edges[near[i] ?? -1];
          if (one === undefined || other === undefined || one.polygon === other.polygon) continue;
          const at = this.#meet(one, other);
          if (at !== null) return { one: one.polygon, other: other.polygon, ...at };
        }
      }
    }
    return null;
  }

  /** The crossing of two edges that is at a distance from their ends; else null. */
  #meet(one: Edge, other: Edge): { x: number; y: number } | null {
    const [x1, y1] = this.at(one.from);
    const [x2, y2] = this.at(one.to);
    const [x3, y3] = this.at(other.from);
    const [x4, y4] = this.at(other.to);
    const cross = (x2 - x1) * (y4 - y3) - (y2 - y1) * (x4 - x3);
    if (cross === 0) return null;
    const share = ((x3 - x1) * (y4 - y3) - (y3 - y1) * (x4 - x3)) / cross;
    const along = ((x3 - x1) * (y2 - y1) - (y3 - y1) * (x2 - x1)) / cross;
    const clear = (part: number, dx: number, dy: number): boolean => {
      const slack = (2 * this.#touches) / Math.sqrt(dx * dx + dy * dy);
      return part > slack && part < 1 - slack;
    };
    if (!clear(share, x2 - x1, y2 - y1) || !clear(along, x4 - x3, y4 - y3)) return null;
    // Nearly parallel: they overlap instead of crossing.
    const oneSquared = (x2 - x1) * (x2 - x1) + (y2 - y1) * (y2 - y1);
    const otherSquared = (x4 - x3) * (x4 - x3) + (y4 - y3) * (y4 - y3);
    const sine = Math.abs(cross) / Math.sqrt(oneSquared * otherSquared);
    return sine < 1e-7 ? null : { x: x1 + (x2 - x1) * share, y: y1 + (y2 - y1) * share };
  }

  /** A point beside an edge that is inside two polygons. */
  #coveredTwice(pieces: readonly Piece[]): Overlap | null {
    for (const { from, to } of pieces) {
      const [x1, y1] = this.at(from);
      const [x2, y2] = this.at(to);
      const length = Math.sqrt((x2 - x1) * (x2 - x1) + (y2 - y1) * (y2 - y1));
      const beside = (BESIDE * this.#touches) / length;
      for (const side of [beside, -beside]) {
        const x = (x1 + x2) / 2 - (y2 - y1) * side;
        const y = (y1 + y2) / 2 + (x2 - x1) * side;
        const [one, other] = this.#coveredBy(x, y);
        if (one !== undefined && other !== undefined) return { one, other, x, y };
      }
    }
    return null;
  }

  /** The polygons that a point is inside of: an odd number of their edges lies to its left. */
  #coveredBy(x: number, y: number): string[] {
    const covers = new Set<string>();
    const row = this.#index(y - this.#top);
    for (let column = this.#index(x - this.#left); column >= 0; column--) {
      for (const i of this.#near.get(row * (this.#side + 1) + column) ?? []) {
        const edge = this.#edges[i];
        if (edge === undefined) continue;
        const [x1, y1] = this.at(edge.from);
        const [x2, y2] = this.at(edge.to);
        if (y1 > y === y2 > y) continue;
        const at = x1 + ((x2 - x1) * (y - y1)) / (y2 - y1);
        if (!(at < x) || this.#index(at - this.#left) !== column) continue;
        if (!covers.delete(edge.polygon)) covers.add(edge.polygon);
      }
    }
    return [...covers];
  }
}

function boxOf(rings: readonly Ring[]): { left: number; top: number; right: number; bottom: number } {
  const box = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };
  for (const ring of rings)
    for (const [x, y] of ring) {
      box.left = Math.min(box.left, x);
      box.top = Math.min(box.top, y);
      box.right = Math.max(box.right, x);
      box.bottom = Math.max(box.bottom, y);
    }
  return box;
}
