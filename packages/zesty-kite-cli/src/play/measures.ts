/** The numbers of settings as series for pictures: over the zoom, and over time after one notch or one held key. */
import type { Screen, Settings } from 'zesty-kite';
import { createCamera } from './camera.ts';

/** A point of a line in a picture. */
export interface Sample {
  /** Its label: `A`, `B`, or nothing if there is one alone. */
  readonly of: string;
  /** The quantity, with its unit. */
  readonly what: string;
  readonly at: number;
  readonly value: number;
}

/** Zooms, evenly by factor. */
const ZOOMS = 64;
/** Milliseconds between samples of an easing, and until it has ended in anybody's eyes. */
const STEP = 10;
const LASTS = 1500;
/** How long a key is held, milliseconds. */
const HELD = 500;

/** Pitch, field of view, eye height and pan speed over the zoom. */
export function overZoom(settings: Settings, screen: Screen, of = ''): Sample[] {
  const camera = createCamera({ ...settings, bounds: null, edge: null, bindings: { panRight: ['KeyD'] } }, { screen });
  const { min, max } = createCamera(settings, { screen }).spanRange;
  return Array.from({ length: ZOOMS + 1 }, (_, i) => {
    const at = min * (max / min) ** (i / ZOOMS);
    camera.place({ span: at });
    const start = i * 20_000;
    const view = camera.advance(start);
    const { pitch, fieldOfView, projection } = view;
    camera.signal({ kind: 'key', code: 'KeyD', down: true, time: start });
    camera.advance(start + 5000);
    const { x, y } = camera.shown;
    camera.advance(start + 6000);
    const speed = Math.hypot(camera.shown.x - x, camera.shown.y - y);
    camera.signal({ kind: 'key', code: 'KeyD', down: false, time: start + 6000 });
    camera.advance(start + 19_000);
    const values: [string, number][] = [
      ['pitch, degrees', pitch],
      ['pan, units a second', speed],
      ...(fieldOfView > 0
        ? ([
            ['field of view, degrees', fieldOfView],
            ['eye above the focus, units', (at * projection.sinPitch) / projection.invFocal],
          ] as [string, number][])
        : []),
    ];
    return values.map(([what, value]) => ({ of, what, at, value }));
  }).flat();
}

/** The share of the way of one notch, and the pan speed of a key that is held for half a second, over time. */
export function overTime(settings: Settings, screen: Screen, of = ''): Sample[] {
  const zooming = createCamera({ ...settings, bounds: null }, { screen });
  zooming.advance(0);
  const from = Math.log2(zooming.shown.span);
  zooming.zoom({ notches: 1 });
  if (zooming.goal.span === zooming.shown.span) zooming.zoom({ notches: -1 });
  const way = Math.log2(zooming.goal.span) - from;
  const panning = createCamera({ ...settings, bounds: null, edge: null, bindings: { panRight: ['KeyD'] } }, { screen });
  panning.advance(0);
  panning.signal({ kind: 'key', code: 'KeyD', down: true, time: 0 });
  panning.signal({ kind: 'key', code: 'KeyD', down: false, time: HELD });
  const samples: Sample[] = [];
  let { x, y } = panning.shown;
  for (let time = STEP; time <= LASTS; time += STEP) {
    zooming.advance(time);
    const { scale, height } = panning.advance(time);
    const { shown } = panning;
    const pixels = Math.hypot(shown.x - x, shown.y - y) * scale;
    ({ x, y } = shown);
    samples.push(
      {
        of,
        what: 'one notch, share of its way',
        at: time / 1000,
        value: way === 0 ? 1 : (Math.log2(zooming.shown.span) - from) / way,
      },
      {
        of,
        what: 'a key held for 0.5 s, screen heights a second',
        at: time / 1000,
        value: (pixels / STEP / height) * 1000,
      },
    );
  }
  return samples;
}
