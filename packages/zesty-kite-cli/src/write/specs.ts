/** The contents of pictures, as specifications of the vega-lite package. */
import type { TopLevelSpec } from 'vega-lite';
import type { Corner, Stop } from '../play/journey.ts';
import type { Sample } from '../play/measures.ts';
import { COLOURS } from './picture.ts';

const SCHEMA = 'https://vega.github.io/schema/vega-lite/v6.json';
const WIDE = 360;
const LOW = 150;
/** The side of the map's picture, at most. */
const MAP = 460;

/** Lines of what is measured over the zoom and over time, each by itself; two settings in two colours. */
export function settingsSpec(zooms: readonly Sample[], times: readonly Sample[], title: string): TopLevelSpec {
  const of = [...new Set(zooms.map((sample) => sample.of))];
  const colour =
    of.length > 1
      ? { field: 'of', type: 'nominal', scale: { domain: of, range: COLOURS }, title: null, legend: { orient: 'top' } }
      : { value: COLOURS[0] };
  const chart = (samples: readonly Sample[], what: string, x: object): object => ({
    title: what,
    width: WIDE,
    height: LOW,
    data: { values: samples.filter((sample) => sample.what === what) },
    mark: { type: 'line', strokeDash: [1, 0] },
    encoding: {
      x: { field: 'at', type: 'quantitative', ...x },
      y: { field: 'value', type: 'quantitative', title: null, scale: { zero: false, nice: true } },
      color: colour,
      ...(of.length > 1
        ? {
            strokeDash: {
              field: 'of',
              type: 'nominal',
              scale: {
                domain: of,
                range: [
                  [1, 0],
                  [6, 3],
                ],
              },
              legend: null,
            },
          }
        : {}),
    },
  });
  const spans = zooms.map(({ at }) => at);
  const overZoom = [...new Set(zooms.map(({ what }) => what))].map((what) =>
    chart(zooms, what, {
      title: 'span, world units',
      scale: { type: 'log', domain: [Math.min(...spans), Math.max(...spans)], nice: false },
      axis: { tickCount: 6, format: '~s', grid: true },
    }),
  );
  const overTime = [...new Set(times.map(({ what }) => what))].map((what) => chart(times, what, { title: 'seconds' }));
  return page(title, [...overZoom, ...overTime], 2);
}

/** The path on the map with the visible ground, the time at each place, and span and speed over time. */
export function sessionSpec(stops: readonly Stop[], corners: readonly Corner[], title: string): TopLevelSpec {
  const box = frameOf([...stops, ...corners]);
  const seconds = { field: 'seconds', type: 'quantitative', title: 'seconds' } as const;
  const x = { field: 'x', type: 'quantitative', title: 'x, world units', scale: { domain: box.x, nice: false } };
  // On the map y goes down.
  const y = {
    field: 'y',
    type: 'quantitative',
    title: 'y, world units',
    scale: { domain: box.y, nice: false, reverse: true },
  };
  const size = { width: box.wide, height: box.high };
  const path = {
    title: 'the path of the focus, and what was seen',
    ...size,
    layer: [
      {
        data: { values: corners },
        mark: { type: 'line', strokeWidth: 1, opacity: 0.5, color: '#a9987a', clip: true },
        encoding: { x, y, detail: { field: 'footprint' }, order: { field: 'corner' } },
      },
      {
        data: { values: stops },
        mark: { type: 'trail', clip: true },
        encoding: {
          x,
          y,
          order: { field: 'seconds' },
          size: { value: 3 },
          color: { value: COLOURS[0] },
        },
      },
      {
        data: { values: [stops[0], stops.at(-1)].map((stop, i) => ({ ...stop, name: i === 0 ? 'begins' : 'ends' })) },
        mark: { type: 'point', filled: true, size: 70, color: COLOURS[1] },
        encoding: { x, y },
      },
      {
        data: { values: [stops[0], stops.at(-1)].map((stop, i) => ({ ...stop, name: i === 0 ? 'begins' : 'ends' })) },
        mark: { type: 'text', dx: 8, align: 'left', dy: -8 },
        encoding: { x, y, text: { field: 'name' } },
      },
    ],
  };
  const step = roundStep((box.x[1] - box.x[0]) / 24);
  const extent = ([from, to]: readonly [number, number]): [number, number] => [
    Math.floor(from / step) * step,
    Math.ceil(to / step) * step,
  ];
  const heat = {
    title: 'where it was looked at: share of the time',
    ...size,
    data: { values: stops },
    transform: [{ joinaggregate: [{ op: 'count', as: 'all' }] }, { calculate: '1 / datum.all', as: 'share' }],
    mark: { type: 'rect', clip: true },
    encoding: {
      x: { ...x, bin: { step, extent: extent(box.x) } },
      y: { ...y, bin: { step, extent: extent(box.y) } },
      color: {
        aggregate: 'sum',
        field: 'share',
        type: 'quantitative',
        title: 'share',
        scale: { range: ['#f6efdf', '#f6d743', '#f26b3a', '#7a1f0a'] },
        legend: { format: '.0%' },
      },
    },
  };
  const line = (what: string, field: 'span' | 'speed', scale: object): object => ({
    title: what,
    width: box.wide,
    height: LOW,
    data: { values: stops },
    mark: { type: 'line', color: COLOURS[0], strokeWidth: 1.5 },
    encoding: { x: seconds, y: { field, type: 'quantitative', title: null, scale } },
  });
  return page(
    title,
    [
      path,
      heat,
      line('span, world units', 'span', spanScale(stops)),
      line('speed, screen heights (and octaves of zoom) a second', 'speed', { zero: true }),
    ],
    2,
  );
}

/** Two motions of the same hands: their paths, their spans, and how far their pictures are apart. */
export function motionSpec(
  stops: readonly (Stop & { readonly of: string })[],
  apart: readonly { readonly seconds: number; readonly pixels: number }[],
  title: string,
): TopLevelSpec {
  const box = frameOf(stops);
  const of = [...new Set(stops.map((stop) => stop.of))];
  const color = {
    field: 'of',
    type: 'nominal',
    scale: { domain: of, range: COLOURS },
    title: null,
    legend: { orient: 'top' },
  };
  const seconds = { field: 'seconds', type: 'quantitative', title: 'seconds' };
  const line = (what: string, field: string, scale: object): object => ({
    title: what,
    width: WIDE,
    height: LOW,
    data: { values: stops },
    mark: { type: 'line', strokeWidth: 1.5 },
    encoding: { x: seconds, y: { field, type: 'quantitative', title: null, scale }, color },
  });
  return page(
    title,
    [
      {
        title: 'the path of the focus',
        width: box.wide,
        height: box.high,
        data: { values: stops },
        mark: { type: 'line', strokeWidth: 2, opacity: 0.8 },
        encoding: {
          x: { field: 'x', type: 'quantitative', title: 'x, world units', scale: { domain: box.x, nice: false } },
          y: {
            field: 'y',
            type: 'quantitative',
            title: 'y, world units',
            scale: { domain: box.y, nice: false, reverse: true },
          },
          order: { field: 'seconds' },
          color,
        },
      },
      {
        vconcat: [
          line('span, world units', 'span', spanScale(stops)),
          {
            title: 'how far the pictures are apart, pixels',
            width: WIDE,
            height: LOW,
            data: { values: apart },
            mark: { type: 'area', color: '#d9cdb4', line: { color: '#7a5a2b', strokeWidth: 1.5 } },
            encoding: { x: seconds, y: { field: 'pixels', type: 'quantitative', title: null } },
          },
        ],
      },
    ],
    2,
  );
}

function page(title: string, charts: readonly object[], columns: number): TopLevelSpec {
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
function spanScale(stops: readonly Stop[]): object {
  const spans = stops.map(({ span }) => span);
  return { type: 'log', nice: false, domain: [Math.min(...spans) / 1.25, Math.max(...spans) * 1.25] };
}

/** The next 1, 2 or 5 times a power of ten. */
function roundStep(step: number): number {
  const power = 10 ** Math.floor(Math.log10(step));
  return ([1, 2, 5, 10].find((one) => one * power >= step) ?? 10) * power;
}

/** A little more than all points, and the size of a picture of that shape. */
function frameOf(points: readonly { readonly x: number; readonly y: number }[]): {
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
