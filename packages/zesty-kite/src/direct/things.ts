/** Things that can be framed: their extent in any direction. */
import { norm } from '../math/index.ts';
import { refuse } from '../messages/index.ts';
import type { Box, Ground, Point } from '../view/index.ts';
import { outermost, SPOT } from './outermost.ts';

/** World units. A height that is left out is that of the ground there. */
export type Thing =
  | { readonly x: number; readonly y: number; readonly height?: number; readonly radius?: number }
  | Box
  | GeoJson;

/** RFC 7946, in world units instead of degrees: a geometry, a feature, or a collection of either. */
export interface GeoJson {
  /** The type of the object, such as `Feature`. */
  readonly type: string;
  /** The positions of a geometry. */
  readonly coordinates?: unknown;
  /** The geometry of a feature. */
  readonly geometry?: unknown;
  /** The members of a collection of geometries. */
  readonly geometries?: unknown;
  /** The members of a collection of features. */
  readonly features?: unknown;
}

/** World units. */
const FARTHEST = 1e12;

/** Points with a level radius around each: a frustum needs no more of the rest. */
export class Outline {
  /** x, y, height, radius by turns. */
  #spots: Float64Array;
  #length = 0;
  /** The first spot: any will do to begin from. */
  readonly anchor: Readonly<Point>;
  readonly #terrain: Ground['terrain'];

  /**
   * @param ground its heights, and the period of the world
   * @throws TypeError for what is no thing, with its place
   */
  constructor(things: readonly Thing[], { terrain = null, periodX = 0, periodY = 0 }: Partial<Ground>) {
    this.#terrain = terrain;
    if (!Array.isArray(things)) refuseThing('things', things, 'a list of points, circles, boxes or GeoJSON');
    this.#spots = new Float64Array(Math.max(64, things.length) * SPOT);
    /** The end of each thing in the list. */
    const ends = new Int32Array(things.length);
    let i = 0;
    /** Of the thing that is being added. */
    const path: Path = () => `things[${String(i)}]`;
    for (; i < things.length; i++) {
      this.#add(things[i], path);
      ends[i] = this.#length;
    }
    if (this.#length === 0) refuseThing('things', things, 'at least one with a place');
    const spots = this.#spots.subarray(0, this.#length);
    if (periodX > 0) drawTogether(spots, ends, 0, periodX);
    if (periodY > 0) drawTogether(spots, ends, 1, periodY);
    const [x = 0, y = 0] = spots;
    this.anchor = { x, y };
    this.#spots = outermost(spots);
  }

  /** How far it reaches along (east, south, up), counted from a spot. @param grown world units that each radius grows by */
  reach(east: number, south: number, up: number, x: number, y: number, height: number, grown: number): number {
    const spots = this.#spots;
    const level = norm(east, south);
    let most = -Infinity;
    for (let i = 0; i < spots.length; i += SPOT) {
      const across = east * ((spots[i] ?? NaN) - x) + south * ((spots[i + 1] ?? NaN) - y);
      const reach = across + up * ((spots[i + 2] ?? NaN) - height) + level * ((spots[i + 3] ?? NaN) + grown);
      if (reach > most) most = reach;
    }
    return most;
  }

  /** The corners of the level rectangle around all of it. */
  get corners(): readonly Point[] {
    const left = -this.reach(-1, 0, 0, 0, 0, 0, 0);
    const right = this.reach(1, 0, 0, 0, 0, 0, 0);
    const top = -this.reach(0, -1, 0, 0, 0, 0, 0);
    const bottom = this.reach(0, 1, 0, 0, 0, 0, 0);
    return [
      { x: left, y: top },
      { x: right, y: top },
      { x: right, y: bottom },
      { x: left, y: bottom },
    ];
  }

  #add(thing: unknown, path: Path): void {
    if (typeof thing !== 'object' || thing === null) refuseThing(path(), thing, 'a point, a circle, a box or GeoJSON');
    const given = thing as Record<string, unknown>;
    if ('type' in given) this.#addGeoJson(given, path);
    else if ('left' in given) this.#addBox(given, path);
    else this.#spot(given['x'], given['y'], given['height'], given['radius'] ?? 0, path);
  }

  #addBox({ left, top, right, bottom, low, high }: Record<string, unknown>, path: Path): void {
    for (const x of [left, right])
      for (const y of [top, bottom]) for (const height of [low, high]) this.#spot(x, y, height, 0, path);
  }

  #addGeoJson({ type, coordinates, geometry, geometries, features }: Record<string, unknown>, path: Path): void {
    if (coordinates !== undefined) this.#addPositions(coordinates, () => `${path()}.coordinates`);
    else if (type === 'Feature' && geometry === null) return;
    else if (type === 'Feature') this.#add(geometry, () => `${path()}.geometry`);
    else if (Array.isArray(features ?? geometries)) {
      const name = features === undefined ? 'geometries' : 'features';
      ((features ?? geometries) as unknown[]).forEach((one, i) => {
        this.#add(one, () => `${path()}.${name}[${String(i)}]`);
      });
    } else refuseThing(`${path()}.type`, type, 'a GeoJSON geometry, feature or collection');
  }

  #addPositions(value: unknown, path: Path): void {
    if (!Array.isArray(value)) refuseThing(path(), value, 'positions such as [x, y]');
    const list = value as readonly unknown[];
    if (typeof list[0] === 'number') this.#spot(list[0], list[1], list[2], 0, path);
    else
      list.forEach((one, i) => {
        this.#addPositions(one, () => `${path()}[${String(i)}]`);
      });
  }

  #spot(x: unknown, y: unknown, height: unknown, radius: unknown, path: Path): void {
    const isPlace = isNear(x) && isNear(y);
    const level = height === undefined && isPlace ? (this.#terrain?.heightAt(x, y) ?? 0) : height;
    if (!isPlace || !isNear(level) || !isNear(radius) || radius < 0)
      refuseThing(path(), { x, y, height, radius }, 'finite numbers up to 1e12, and a radius that is not below 0');
    if (this.#length === this.#spots.length) {
      const longer = new Float64Array(2 * this.#length);
      longer.set(this.#spots);
      this.#spots = longer;
    }
    const spots = this.#spots;
    const at = this.#length;
    spots[at] = x;
    spots[at + 1] = y;
    spots[at + 2] = level;
    spots[at + 3] = radius;
    this.#length = at + SPOT;
  }
}

/** The place of a thing in the call, for messages. */
type Path = () => string;

function isNear(value: unknown): value is number {
  return typeof value === 'number' && Math.abs(value) <= FARTHEST;
}

/**
 * In a world that repeats itself, moves each thing by whole periods to where all of them lie nearest together: the widest gap
 * between them is left out.
 *
 * @param spots x, y, height, radius by turns
 * @param ends the end of each thing in them
 * @param axis 0 for x, 1 for y
 */
function drawTogether(spots: Float64Array, ends: Int32Array, axis: 0 | 1, period: number): void {
  const ranges = [...ends].flatMap((end, k) => {
    const start = ends[k - 1] ?? 0;
    let low = Infinity;
    let high = -Infinity;
    for (let i = start; i < end; i += 4) {
      const at = spots[i + axis] ?? NaN;
      low = Math.min(low, at - (spots[i + 3] ?? 0));
      high = Math.max(high, at + (spots[i + 3] ?? 0));
    }
    return start < end ? [{ start, end, length: high - low, from: low - period * Math.floor(low / period), low }] : [];
  });
  ranges.sort((a, b) => a.from - b.from);
  let widest = -Infinity;
  let first = 0;
  // How far the things up to here reach, from those of the copy before on.
  let reach = ranges.reduce((most, { from, length }) => Math.max(most, from + length - period), -Infinity);
  for (const { from, length } of ranges) {
    if (from - reach > widest) {
      widest = from - reach;
      first = from;
    }
    reach = Math.max(reach, from + length);
  }
  for (const { start, end, from, low } of ranges) {
    const by = from - low + (from < first ? period : 0);
    for (let i = start; i < end; i += 4) spots[i + axis] = (spots[i + axis] ?? 0) + by;
  }
}

function refuseThing(path: string, got: unknown, expected: string): never {
  return refuse(`frame.${path}`, got, expected);
}
