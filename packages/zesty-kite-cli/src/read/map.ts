/** A map of a game, as GeoJSON (RFC 7946) in world units: what of it the camera cannot show. */
import type { Screen, Settings, Terrain } from 'zesty-kite';
import { createCamera } from '../play/camera.ts';
import type { Warning } from 'zesty-kite/review';
import { short } from '../write/columns.ts';
import { Failure } from '../failure.ts';
import { readJson } from './files.ts';

/** A point of the map, and what it belongs to. */
export interface Spot {
  readonly name: string;
  readonly x: number;
  readonly y: number;
}

const MAX_MAP = 256e6;
const WANTED = 'a map (GeoJSON: a FeatureCollection, a Feature, or a geometry)';
/** CSS pixels that a point on the edge may be off by rounding. */
const EDGE = 0.01;

export async function readMap(file: string): Promise<Spot[]> {
  const spots: Spot[] = [];
  collect(await readJson(file, MAX_MAP, WANTED), '', spots);
  if (spots.length === 0) throw new Failure(`${file}: expected ${WANTED}, got no coordinates`);
  return spots;
}

function collect(value: unknown, name: string, spots: Spot[]): void {
  if (typeof value !== 'object' || value === null) return;
  const { type, features, geometry, geometries, coordinates, properties } = value as Partial<Record<string, unknown>>;
  const named = (properties as { name?: unknown } | undefined)?.name;
  const own = typeof named === 'string' ? named : name || (typeof type === 'string' ? type : '');
  for (const list of [features, geometries])
    if (Array.isArray(list))
      for (const one of list as unknown[]) collect(one, own === 'FeatureCollection' ? '' : own, spots);
  collect(geometry, own, spots);
  const walk = (part: unknown): void => {
    if (!Array.isArray(part)) return;
    const [x, y] = part as unknown[];
    if (typeof x === 'number' && typeof y === 'number') spots.push({ name: own, x, y });
    else for (const inner of part as unknown[]) walk(inner);
  };
  walk(coordinates);
}

/** A warning for what cannot be brought onto the screen at the nearest zoom: how many points, and the farthest. */
export function mapWarnings(
  settings: Settings,
  screen: Screen,
  terrain: Terrain | null,
  spots: readonly Spot[],
): Warning[] {
  if (spots.length === 0) return [];
  const camera = createCamera(settings, { screen, terrain });
  const { min } = camera.spanRange;
  let worst: { readonly spot: Spot; readonly off: number } | null = null;
  let count = 0;
  for (const spot of spots) {
    camera.place({ x: spot.x, y: spot.y, span: min });
    camera.advance(0);
    const { view } = camera;
    const at = view.toScreen(spot.x, spot.y);
    const off = Math.max(-at.x, at.x - view.width, -at.y, at.y - view.height);
    if (at.inFront && off <= EDGE) continue;
    count += 1;
    const { x, y } = camera.goal;
    const away = Math.hypot(spot.x - x, spot.y - y);
    if (worst === null || away > worst.off) worst = { spot, off: away };
  }
  if (worst === null) return [];
  const { spot, off } = worst;
  return [
    {
      path: 'bounds',
      message: `${String(count)} of ${String(spots.length)} points of the map never show; the farthest is "${spot.name}" at ${short(spot.x)}, ${short(spot.y)}, ${short(off)} units from the nearest focus; set wider bounds`,
    },
  ];
}
