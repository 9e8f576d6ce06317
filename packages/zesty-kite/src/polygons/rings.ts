/** The rings of a polygon, of GeoJSON polygons too (RFC 7946, in world units instead of degrees). */
import type { Refuse } from '../messages/index.ts';
import type { FullBounds } from '../settings/index.ts';

export type Ring = readonly (readonly [number, number])[];

/** A ring and where it stands in the settings. Outer rings and holes are alike: a point is inside when an odd number of rings surround it. */
export interface PlacedRing {
  readonly path: string;
  /** The polygon around it: its place in the area, and its name if it has one. */
  readonly polygon: string;
  readonly ring: Ring;
}

/**
 * @internal The rings of `bounds.polygon` and `bounds.area`, without the corner that closes them.
 *
 * @param refuse called for whatever is no ring; it is left out
 */
export function ringsOf({ polygon, area }: FullBounds, refuse: Refuse = () => undefined): PlacedRing[] {
  const rings: PlacedRing[] = [];
  if (polygon !== undefined) rings.push({ path: 'bounds.polygon', polygon: 'bounds.polygon', ring: open(polygon) });
  if (area !== undefined) collect(area, 'bounds.area', '', rings, refuse);
  return rings;
}

function collect(value: unknown, path: string, name: string, rings: PlacedRing[], refuse: Refuse): void {
  const { type, features, geometry, coordinates, properties } = asRecord(value);
  switch (type) {
    case 'FeatureCollection':
      list(features, `${path}.features`, refuse, (feature, where) => {
        collect(feature, where, '', rings, refuse);
      });
      break;
    case 'Feature':
      collect(geometry, `${path}.geometry`, nameOf(properties), rings, refuse);
      break;
    case 'MultiPolygon':
      list(coordinates, `${path}.coordinates`, refuse, (polygon, where) => {
        collectRings(polygon, where, `${where}${name}`, rings, refuse);
      });
      break;
    case 'Polygon':
      collectRings(coordinates, `${path}.coordinates`, `${path}${name}`, rings, refuse);
      break;
    default:
      refuse(`${path}.type`, type, '"Polygon" or "MultiPolygon"');
  }
}

/** The name of a feature, for messages. */
function nameOf(properties: unknown): string {
  const { name } = asRecord(properties);
  return typeof name === 'string' ? ` ("${name}")` : '';
}

function collectRings(value: unknown, path: string, polygon: string, rings: PlacedRing[], refuse: Refuse): void {
  list(value, path, refuse, (ring, where) => {
    if (!Array.isArray(ring)) {
      refuse(where, ring, 'a list of [x, y] corners');
      return;
    }
    const wrong = ring.findIndex((corner) => !isCorner(corner));
    if (wrong >= 0) refuse(`${where}[${String(wrong)}]`, ring[wrong], 'a corner [x, y] of two finite numbers');
    else rings.push({ path: where, polygon, ring: open(ring as Ring) });
  });
}

function list(value: unknown, path: string, refuse: Refuse, each: (item: unknown, path: string) => void): void {
  if (!Array.isArray(value)) refuse(path, value, 'a list');
  else
    value.forEach((item, i) => {
      each(item, `${path}[${String(i)}]`);
    });
}

function isCorner(value: unknown): boolean {
  return Array.isArray(value) && Number.isFinite(value[0]) && Number.isFinite(value[1]);
}

function asRecord(value: unknown): Partial<Record<string, unknown>> {
  return typeof value === 'object' && value !== null ? value : {};
}

/** Without a last corner that is the first again. */
function open(ring: Ring): Ring {
  const first = ring[0];
  const last = ring.at(-1);
  const closed = ring.length > 1 && first?.[0] === last?.[0] && first?.[1] === last?.[1];
  return closed ? ring.slice(0, -1) : ring;
}

/** The area inside a ring, world units squared, whichever way it goes round (the shoelace formula). */
export function areaOf(ring: Ring): number {
  const first = ring[0] ?? [0, 0];
  let sum = 0;
  let before = ring.at(-1) ?? first;
  for (const corner of ring) {
    sum += (before[0] - first[0]) * (corner[1] - first[1]) - (corner[0] - first[0]) * (before[1] - first[1]);
    before = corner;
  }
  return Math.abs(sum) / 2;
}

/** @internal Whether a ring has no area: it bounds nothing, and is left out. */
export function isEmptyRing({ ring }: PlacedRing): boolean {
  return !(areaOf(ring) > 0);
}
