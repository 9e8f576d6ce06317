/** Places and barges of Lemon Strait. */
import bargesUrl from '../../data/lemon-strait/barges.json?url';
import placesUrl from '../../data/lemon-strait/places.geojson?url';

export interface Place {
  readonly name: string;
  readonly kind: 'grove' | 'press house' | 'pier' | 'lighthouse';
  readonly x: number;
  readonly y: number;
}

interface Barge {
  readonly name: string;
  readonly crates: number;
  /** World units per second. */
  readonly speed: number;
  /** Share of the round trip that lies behind it when the day begins. */
  readonly start: number;
  readonly route: readonly (readonly [number, number])[];
}

/** A barge as it is now. */
export interface Afloat {
  readonly name: string;
  readonly crates: number;
  x: number;
  y: number;
  /** Direction of travel, a unit vector. */
  alongX: number;
  alongY: number;
}

interface PlacesFile {
  readonly features: readonly {
    readonly properties: { readonly name: string; readonly kind: Place['kind'] };
    readonly geometry: { readonly coordinates: readonly [number, number] };
  }[];
}

export async function loadPlaces(): Promise<Place[]> {
  const { features } = (await (await fetch(placesUrl)).json()) as PlacesFile;
  return features.map(({ properties: { name, kind }, geometry: { coordinates } }) => ({
    name,
    kind,
    x: coordinates[0],
    y: coordinates[1],
  }));
}

/** The barges; `sail(seconds)` moves them to where they are that long after the day began, and returns whether one moves at all. */
export async function loadBarges(): Promise<{ afloat: readonly Afloat[]; sail: (seconds: number) => boolean }> {
  const { barges } = (await (await fetch(bargesUrl)).json()) as { barges: readonly Barge[] };
  const fleet = barges.map((barge) => {
    const { name, crates } = barge;
    const afloat: Afloat = { name, crates, x: 0, y: 0, alongX: 1, alongY: 0 };
    return { barge, length: lengthOf(barge.route), afloat };
  });
  const sail = (seconds: number): boolean => {
    for (const { barge, length, afloat } of fleet) {
      const round = (barge.start * 2 * length + seconds * barge.speed) % (2 * length);
      const back = round > length;
      placeOn(barge.route, back ? 2 * length - round : round, back ? -1 : 1, afloat);
    }
    return barges.some(({ speed }) => speed > 0);
  };
  sail(0);
  return { afloat: fleet.map(({ afloat }) => afloat), sail };
}

type Route = Barge['route'];

function lengthOf(route: Route): number {
  return route.slice(1).reduce((sum, to, i) => {
    const from = route[i] ?? to;
    return sum + Math.hypot(to[0] - from[0], to[1] - from[1]);
  }, 0);
}

function placeOn(route: Route, distance: number, way: 1 | -1, out: Afloat): void {
  let left = distance;
  for (let i = 1; i < route.length; i++) {
    const from = route[i - 1];
    const to = route[i];
    if (from === undefined || to === undefined) return;
    const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
    if (left > length && i < route.length - 1) {
      left -= length;
      continue;
    }
    out.alongX = ((to[0] - from[0]) / length) * way;
    out.alongY = ((to[1] - from[1]) / length) * way;
    out.x = from[0] + ((to[0] - from[0]) * left) / length;
    out.y = from[1] + ((to[1] - from[1]) * left) / length;
    return;
  }
}
