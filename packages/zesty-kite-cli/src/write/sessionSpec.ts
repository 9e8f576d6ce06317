/** The picture of a session, as a specification of the vega-lite package. */
import type { TopLevelSpec } from 'vega-lite';
import type { Corner, Stop } from '../play/journey.ts';
import { COLOURS } from './picture.ts';
import { frameOf, LOW, page, spanScale } from './specParts.ts';

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

/** The next 1, 2 or 5 times a power of ten. */
function roundStep(step: number): number {
  const power = 10 ** Math.floor(Math.log10(step));
  return ([1, 2, 5, 10].find((one) => one * power >= step) ?? 10) * power;
}
