/** Random settings and random steering, and driving a camera with them. */
import fc from 'fast-check';
import { Camera, type Screen, type Settings, type StampedSignal } from '../src/index.ts';

export interface Steering {
  readonly settings: Settings;
  readonly screen: Screen;
  readonly signals: readonly StampedSignal[];
}

const KEYS = ['KeyW', 'KeyA', 'KeyS', 'KeyD', 'ArrowUp', 'ArrowLeft', 'ArrowDown', 'ArrowRight', 'ShiftLeft'];

/**
 * Numbers spread evenly over a range, now and then as odd as doubles can be. (Doubles alone are
 * spread over their bits: most would be next to nothing.)
 */
export function between(min: number, max: number): fc.Arbitrary<number> {
  const even = fc.integer({ min: 0, max: 0x7fffffff }).map((part) => min + ((max - min) * part) / 0x7fffffff);
  return fc.oneof({ weight: 7, arbitrary: even }, { weight: 1, arbitrary: fc.double({ min, max, noNaN: true }) });
}
const halfLife = fc.oneof(fc.constant(0), between(0.005, 0.4));
const side = fc.integer({ min: 120, max: 2400 });

export const screens: fc.Arbitrary<Screen> = fc.record({ width: side, height: side });

export const rectangles = fc
  .tuple(between(-3000, 3000), between(-3000, 3000), between(40, 5000), between(40, 5000))
  .map(([left, top, width, height]) => ({ left, top, right: left + width, bottom: top + height }));

const bounds = fc
  .tuple(rectangles, fc.constantFrom('centre' as const, 'limit-zoom' as const))
  .map(([rectangle, whenSmaller]) => ({ ...rectangle, whenSmaller }));

/** Settings of every kind; `bounded` says whether there are bounds. */
export function settingsWith(bounded: boolean): fc.Arbitrary<Settings> {
  return fc.record({
    start: fc.record({ x: between(-3000, 3000), y: between(-3000, 3000), span: between(10, 3000) }),
    pan: fc.record({
      speed: between(0.1, 5),
      fast: between(0.5, 5),
      startHalfLife: halfLife,
      stopHalfLife: halfLife,
    }),
    zoom: fc.record({
      leastSpan: between(5, 60),
      mostSpan: between(60, 5000),
      notch: between(1.01, 2),
      halfLife,
      anchor: fc.constantFrom('cursor' as const, 'centre' as const),
    }),
    bounds: bounded ? bounds : fc.constant(null),
    resize: fc.record({ keep: fc.constantFrom('span' as const, 'width' as const, 'scale' as const) }),
  });
}

const key = fc.record({ kind: fc.constant('key' as const), code: fc.constantFrom(...KEYS), down: fc.boolean() });
const wheel = fc.record({
  kind: fc.constant('wheel' as const),
  x: between(0, 2400),
  y: between(0, 2400),
  notches: fc.oneof(between(-6, 6), between(-1e6, 1e6)),
});
const release = fc.constant({ kind: 'release' as const });
const screen = fc.tuple(screens, fc.boolean()).map(([size, none]) => ({
  kind: 'screen' as const,
  ...(none ? { width: 0, height: 0 } : size),
}));
const place = fc.record({ kind: fc.constant('place' as const), x: between(-1e4, 1e4), span: between(1, 1e4) });
const change = fc
  .record({ speed: between(0, 3), halfLife })
  .map(({ speed, halfLife: h }) => ({ kind: 'change' as const, settings: { pan: { speed }, zoom: { halfLife: h } } }));
const gap = fc.constantFrom('begin' as const, 'end' as const).map((phase) => ({ kind: 'gap' as const, phase }));

/** Which devices steer. */
export const hands = {
  keys: key,
  wheel,
  everything: fc.oneof(key, key, wheel, wheel, release, screen, place, change, gap),
};

/** Up to `most` signals within the first 1.5 seconds, in order. */
export function steeringBy(
  signals: fc.Arbitrary<Omit<StampedSignal, 'at'>>,
  settings: fc.Arbitrary<Settings>,
  most = 24,
): fc.Arbitrary<Steering> {
  const stamped = fc
    .array(fc.tuple(fc.integer({ min: 0, max: 1_500_000 }), signals), { maxLength: most, size: 'max' })
    .map((list) => list.toSorted(([a], [b]) => a - b).map(([at, signal]) => ({ ...signal, at }) as StampedSignal));
  return fc.record({ settings, screen: screens, signals: stamped });
}

/** Frame times in milliseconds, from 0, at a steady rate. */
export function steady(rate: number, seconds: number): number[] {
  return Array.from({ length: Math.ceil(rate * seconds) + 1 }, (_, frame) => (frame * 1000) / rate);
}

/** Plays steering with frames at the given times (milliseconds); `look` is called after each. */
export function drive(
  { settings, screen: size, signals }: Steering,
  times: readonly number[],
  look: (camera: Camera, time: number) => void = () => undefined,
): Camera {
  const camera = new Camera(settings, { screen: size });
  let next = 0;
  for (const time of times) {
    for (let signal = signals[next]; signal && signal.at <= Math.round(time * 1000); signal = signals[++next])
      camera.signal({ ...signal, time: signal.at / 1000 });
    camera.advance(time);
    look(camera, time);
  }
  return camera;
}

/** The pose as text that tells every bit apart. */
export function bitsOf({ view: { x, y, span, width, height } }: Camera): string {
  return [x, y, span, width, height].map((value) => (Object.is(value, -0) ? '-0' : String(value))).join(' ');
}
