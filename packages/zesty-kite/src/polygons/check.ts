/** Checks of polygons and areas: finite corners, whole rings, polygons that do not overlap. */
import type { Problems } from '../messages/index.ts';
import type { FullBounds, ShapeChecks } from '../settings/index.ts';
import { bordersOf, type Overlap } from './borders.ts';
import { isEmptyRing, ringsOf, type PlacedRing, type Ring } from './rings.ts';

/** As far as a world goes, world units. */
const WORLD = 1e12;
const COORDINATE = `a number from ${String(-WORLD)} to ${String(WORLD)}, such as 512`;

interface Sound {
  /** The greatest |coordinate|. */
  readonly farthest: number;
  /** Null until they are needed: one polygon that keeps the view inside does without. */
  ends: Float64Array | null;
}

/** Polygons and areas without a problem. */
const sound = new WeakMap<object, Sound>();

/** Returns where the polygon or the area of bounds ends: two ends an edge, x1, y1, x2, y2. */
export function edgesOf(bounds: FullBounds): Float64Array {
  const shape = bounds.polygon ?? bounds.area;
  const known = shape && sound.get(shape);
  if (known?.ends) return known.ends;
  const { ends } = bordersOf(ringsOf(bounds).filter((placed) => !isEmptyRing(placed)));
  if (known) known.ends = ends;
  return ends;
}

export const polygonChecks: ShapeChecks = {
  names: ['polygon', 'area'],
  isSound: (shape) => sound.has(shape),
  checkCorners: (corners, { refuse }) => {
    const path = 'bounds.polygon';
    if (corners.length < 3) refuse(path, corners, 'at least three [x, y] corners');
    for (let i = 0; i < corners.length; i++) {
      const corner = corners[i];
      if (!Array.isArray(corner) || corner.length !== 2) {
        refuse(`${path}[${String(i)}]`, corner, 'a corner [x, y]');
        continue;
      }
      const wrong = isCoordinate(corner[0]) ? 1 : 0;
      if (!isCoordinate(corner[wrong])) refuse(`${path}[${String(i)}][${String(wrong)}]`, corner[wrong], COORDINATE);
    }
  },
  check: (bounds, { most, expected }, problems) => {
    const shape = bounds.polygon ?? bounds.area;
    if (shape === undefined) return;
    const known = sound.get(shape) ?? checkWhole(bounds, problems);
    if (known === null) return;
    sound.set(shape, known);
    if (known.farthest <= most) return;
    for (const { path, ring } of ringsOf(bounds))
      ring.forEach((corner, i) => {
        corner.forEach((value, k) => {
          if (Math.abs(value) > most) problems.refuse(`${path}[${String(i)}][${String(k)}]`, value, expected);
        });
      });
  },
};

function isCoordinate(value: unknown): boolean {
  return typeof value === 'number' && Math.abs(value) <= WORLD;
}

/** Returns null for a shape with a problem. */
function checkWhole(bounds: FullBounds, problems: Problems): Sound | null {
  const before = problems.count;
  const { refuse } = problems;
  const rings = ringsOf(bounds, refuse);
  if (problems.count > before) return null;
  const some = rings.filter((placed) => !isEmptyRing(placed));
  if (rings.length === 0 && bounds.area !== undefined) refuse('bounds.area', bounds.area, 'at least one polygon in it');
  else if (some.length === 0)
    refuse(rings[0]?.path ?? 'bounds', rings[0]?.ring, 'a ring of at least three corners that has an area');
  if (problems.count > before) return null;
  const several = some.some(({ polygon }) => polygon !== some[0]?.polygon);
  const { ends, overlap } = several ? bordersOf(some) : { ends: null, overlap: null };
  if (overlap !== null) {
    problems.add(() => ({
      path: overlap.other,
      got: `an overlap with ${overlap.one} near (${short(overlap.x)}, ${short(overlap.y)})`,
      expected: `polygons that do not overlap: ${cureOf(overlap, some)}`,
    }));
    return null;
  }
  let farthest = 0;
  for (const { ring } of rings)
    for (const corner of ring) farthest = Math.max(farthest, Math.abs(corner[0]), Math.abs(corner[1]));
  return { farthest, ends };
}

/** Places on a globe, in degrees, are at most so far from 0; and one edge is never longer than half of the way round. */
const GLOBE = { x: 180, y: 90 };

function cureOf({ one, other }: Overlap, rings: readonly PlacedRing[]): string {
  const goesRound = (ring: Ring): boolean =>
    ring.every(([x, y]) => Math.abs(x) <= GLOBE.x && Math.abs(y) <= GLOBE.y) &&
    ring.some(([x], i) => Math.abs(x - (ring.at(i - 1)?.[0] ?? x)) > GLOBE.x);
  const over = rings.find(({ polygon, ring }) => (polygon === one || polygon === other) && goesRound(ring));
  if (over === undefined) return 'join the two, or cut one';
  return `cut ${over.polygon} at the antimeridian (RFC 7946, 3.1.9)`;
}

function short(value: number): string {
  return String(Number(value.toPrecision(6)));
}
