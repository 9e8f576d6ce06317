/** The picture of two motions, as a specification of the vega-lite package. */
import type { TopLevelSpec } from 'vega-lite';
import type { Apart } from '../play/apart.ts';
import type { Stop } from '../play/journey.ts';
import { COLOURS } from './picture.ts';
import { frameOf, LOW, page, spanScale, WIDE } from './specParts.ts';

/** Two motions of the same hands: their paths, their spans, and how far their pictures are apart. */
export function motionSpec(
  stops: readonly (Stop & { readonly of: string })[],
  apart: readonly Apart[],
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
