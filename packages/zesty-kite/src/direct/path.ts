/**
 * The way between two views that is shortest to the eye: it zooms out, goes over, and zooms in (J. J. van Wijk and
 * W. A. A. Nuij, *Smooth and efficient zooming and panning*, IEEE Symposium on Information Visualization 2003).
 *
 * The visible length of a movement is ds² = (ρ² du² + dw² / ρ²) / w², with u the way over the ground and w the span. With
 * y = w / ρ² that is the metric of the hyperbolic half-plane, ds = √(du² + dy²) / (ρ y): shortest ways are arcs of circles
 * around points of the ground. Under a ceiling, the farthest zoom, the shortest way goes up an arc that touches it, along
 * it, and down such an arc. Lengths below are in units of the half-plane, which are ρ times those of the paper.
 */
import { exp2, LN2, log2, norm } from '../math/index.ts';

/** ρ² of the paper, whose experiment found ρ = 1.42: how much a zoom is liked better than a pan. */
const RHO_SQUARED = 2;
/** √2. */
export const RHO = 1.4142135623730951;

/** How far along a path, and the span there; world units. */
export interface PathPoint {
  along: number;
  span: number;
}

export interface Path {
  /** Of the paper's metric with ρ = √2, in spans: of a pan that zooms nothing, √2 times the distance over the span. */
  readonly length: number;
  /** How far it goes over the ground, world units. */
  readonly distance: number;
  /** @param share of the length, 0 … 1 */
  at(share: number, out: PathPoint): void;
}

/** Straight over the ground, with the zoom going evenly: `length` is what it would be at the pace of its fastest moment. */
export class StraightPath implements Path {
  readonly length: number;
  readonly distance: number;
  readonly #from: number;
  readonly #octaves: number;

  constructor(distance: number, from: number, to: number) {
    this.distance = distance;
    this.#from = from;
    this.#octaves = log2(to / from);
    const pan = distance / Math.min(from, to);
    const zoom = this.#octaves * LN2;
    this.length = Math.sqrt(RHO_SQUARED * pan * pan + (zoom * zoom) / RHO_SQUARED);
  }

  at(share: number, out: PathPoint): void {
    out.along = this.distance * share;
    out.span = this.#from * exp2(this.#octaves * share);
  }
}

/** A geodesic of the half-plane that begins at a height, with nothing over the ground behind it. */
class Arc {
  readonly length: number;
  readonly #height: number;
  /** Of the circle. */
  readonly #radius: number;
  /** The beginning on the circle, by length from its top. */
  readonly #begin: number;

  constructor(height: number, radius: number, begin: number, length: number) {
    this.#height = height;
    this.#radius = radius;
    this.#begin = begin;
    this.length = length;
  }

  at(way: number, out: PathPoint): void {
    // On a circle of radius R, y = R / cosh t; and u = R (tanh t - tanh t0) = y0 y sinh(t - t0) / R.
    out.span = this.#radius / cosh(this.#begin + way);
    out.along = (this.#height * out.span * sinh(way)) / this.#radius;
  }
}

/** An arc; or, under a ceiling, one up, the way along it, and one down. */
class ShortestPath implements Path {
  readonly length: number;
  readonly distance: number;
  readonly #up: Arc;
  readonly #level: number;
  /** Seen from its end: the same arc backward. */
  readonly #down: Arc | null;

  constructor(distance: number, up: Arc, level: number, down: Arc | null) {
    this.distance = distance;
    this.#up = up;
    this.#level = level;
    this.#down = down;
    this.length = (up.length + level + (down?.length ?? 0)) / RHO;
  }

  at(share: number, out: PathPoint): void {
    const way = share * this.length * RHO;
    const beyond = way - this.#up.length;
    if (this.#down === null || beyond <= 0) this.#up.at(way, out);
    else if (beyond <= this.#level) {
      this.#up.at(this.#up.length, out);
      out.along += beyond * out.span;
    } else {
      this.#down.at(Math.max(0, this.#level + this.#down.length - beyond), out);
      out.along = this.distance - out.along;
    }
    out.span *= RHO_SQUARED;
  }
}

/**
 * The shortest path.
 *
 * @param distance over the ground, world units, ≥ 0
 * @param from the first span, `to` the last; world units, > 0
 * @param max the span that it may not pass; the ends may
 */
export function shortestPath(distance: number, from: number, to: number, max = Infinity): Path {
  const begin = from / RHO_SQUARED;
  const end = to / RHO_SQUARED;
  // A geodesic that goes straight up does so evenly.
  if (!(distance > 1e-7 * (begin + end))) return new StraightPath(distance, from, to);
  const ceiling = Math.max(max / RHO_SQUARED, begin, end);
  const middle = distance / 2 + ((end - begin) * (end + begin)) / (2 * distance);
  const radius = norm(middle, begin);
  if (middle > 0 && middle < distance && radius > ceiling) {
    const rise = Math.sqrt((ceiling - begin) * (ceiling + begin));
    const fall = Math.sqrt((ceiling - end) * (ceiling + end));
    return new ShortestPath(
      distance,
      upTo(ceiling, begin, rise),
      (distance - rise - fall) / ceiling,
      upTo(ceiling, end, fall),
    );
  }
  const rest = distance - middle;
  const first = ln(middle > 0 ? begin / (radius + middle) : (radius - middle) / begin);
  const last = ln(rest > 0 ? (radius + rest) / end : end / (radius - rest));
  return new ShortestPath(distance, new Arc(begin, radius, first, last - first), 0, null);
}

/** The arc from a height up to a ceiling that it touches, `way` on over the ground. */
function upTo(ceiling: number, height: number, way: number): Arc {
  const length = ln((ceiling + way) / height);
  return new Arc(height, ceiling, -length, length);
}

function ln(x: number): number {
  return log2(x) * LN2;
}

function cosh(x: number): number {
  const power = exp2(x / LN2);
  return (power + 1 / power) / 2;
}

function sinh(x: number): number {
  const power = exp2(x / LN2);
  return (power - 1 / power) / 2;
}
