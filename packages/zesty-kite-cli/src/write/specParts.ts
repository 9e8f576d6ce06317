/** The common parts of pictures: the page, the frame of a map, and the scale of a zoom. */
import type { TopLevelSpec } from 'vega-lite';
import type { Stop } from '../play/journey.ts';

const SCHEMA = 'https://vega.github.io/schema/vega-lite/v6.json';
/** The size of a chart, pixels. */
export const WIDE = 360;
export const LOW = 150;
/** The side of the map's picture, at most. */
const MAP = 460;

/** Charts in columns, under a title. */
export function page(title: string, charts: readonly object[], columns: number): TopLevelSpec {
  return {
    $schema: SCHEMA,
    title: { text: title, fontSize: 16, offset: 12 },
    concat: charts,
    columns,
    spacing: 28,
    resolve: { scale: { color: 'independent' } },
  } as unknown as TopLevelSpec;
}

/** Octaves are evenly apart, and a little is left above and below. */
export function spanScale(stops: readonly Stop[]): object {
  const spans = stops.map(({ span }) => span);
  return { type: 'log', nice: false, domain: [Math.min(...spans) / 1.25, Math.max(...spans) * 1.25] };
}

/** A little more than all points, and the size of a picture of that shape. */
export function frameOf(points: readonly { readonly x: number; readonly y: number }[]): {
  readonly x: [number, number];
  readonly y: [number, number];
  readonly wide: number;
  readonly high: number;
} {
  const ends = (values: readonly number[]): [number, number] =>
    values.reduce<[number, number]>(
      ([min, max], value) => [Math.min(min, value), Math.max(max, value)],
      [Infinity, -Infinity],
    );
  const [left, right] = ends(points.map(({ x }) => x));
  const [top, bottom] = ends(points.map(({ y }) => y));
  const margin = 0.04 * Math.max(right - left, bottom - top, 1e-6);
  const [across, down] = [right - left + 2 * margin, bottom - top + 2 * margin];
  const scale = MAP / Math.max(across, down);
  // A path along a line is drawn in a strip, not in nothing.
  const wide = Math.max(160, across * scale);
  const high = Math.max(160, down * scale);
  const [spareX, spareY] = [(wide / scale - across) / 2, (high / scale - down) / 2];
  return {
    x: [left - margin - spareX, right + margin + spareX],
    y: [top - margin - spareY, bottom + margin + spareY],
    wide: Math.round(wide),
    high: Math.round(high),
  };
}
