/** The picture of settings, as a specification of the vega-lite package. */
import type { TopLevelSpec } from 'vega-lite';
import type { Sample } from '../play/measures.ts';
import { COLOURS } from './picture.ts';
import { LOW, page, WIDE } from './specParts.ts';

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
