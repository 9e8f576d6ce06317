/** The guarantees of docs/guarantees.md, each as a property with its number in its name. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  aim,
  Camera,
  createMatrices,
  fillMatrices,
  View,
  type Pose,
  type Screen,
  type Settings,
} from '../src/index.ts';
import { timeToRest } from '../src/math/index.ts';
import { VELOCITY_TOLERANCE, ZOOM_TOLERANCE } from '../src/motion/index.ts';
import { between, bitsOf, drive, hands, screens, settingsWith, steady, steeringBy, type Steering } from './steering.ts';

const anySettings = fc.boolean().chain(settingsWith);
const anySteering = steeringBy(hands.everything, anySettings);
const SHORT = steady(60, 2.5);
/** The greatest speed in these settings, screen heights per second. */
const FASTEST = 5 * 5;

/** How far a pose on a screen is outside its bounds, from the footprint alone, in spans. */
function excess(pose: Pose, screen: Screen, { bounds }: Settings): number {
  if (!bounds) return 0;
  const [left = NaN, top = NaN, right = NaN, , , bottom = NaN] = aim(new View(), pose, screen, {
    lowest: 0,
    highest: 0,
  }).footprint();
  const over = (low: number, high: number, from: number, to: number): number =>
    to - from <= high - low ? Math.max(0, low - from, to - high) : Math.abs((from + to) / 2 - (low + high) / 2);
  return (
    Math.max(over(bounds.left, bounds.right, left, right), over(bounds.top, bounds.bottom, top, bottom)) / pose.span
  );
}

test('G1: the horizon is level: screen right is level and screen up has no sideways part, to 1e-9', () => {
  const matrices = [createMatrices('y'), createMatrices('z', '0..1')];
  fc.assert(
    fc.property(anySteering, (steering) => {
      drive(steering, SHORT, ({ view }) => {
        for (const m of matrices) {
          fillMatrices(view, m);
          const up = m.up === 'y' ? 1 : 2;
          expect(Math.abs(m.view[up * 4] ?? NaN)).toBeLessThan(1e-9);
          expect(Math.abs(m.view[1] ?? NaN)).toBeLessThan(1e-9);
        }
      });
    }),
    { numRuns: 30 },
  );
});

test('G2: the ground under the cursor at a notch stays within 1e-3 px of it in every frame of the zoom', () => {
  const cursor = fc.record({
    u: between(0, 1),
    v: between(0, 1),
  });
  const notches = fc.array(between(-8, 8), { minLength: 1, maxLength: 6 });
  fc.assert(
    fc.property(settingsWith(false), screens, cursor, notches, (settings, screen, { u, v }, turns) => {
      const camera = new Camera({ ...settings, zoom: { ...settings.zoom, anchor: 'cursor' } }, { screen });
      const x = u * screen.width;
      const y = v * screen.height;
      const held = camera.advance(0).toGround(x, y);
      turns.forEach((turn, i) => camera.signal({ kind: 'wheel', x, y, notches: turn, time: 7 + i * 61 }));
      for (const time of SHORT) {
        const shown = camera.advance(time).toScreen(held.x, held.y);
        expect(Math.abs(shown.x - x)).toBeLessThan(1e-3);
        expect(Math.abs(shown.y - y)).toBeLessThan(1e-3);
      }
    }),
  );
});

test('G2: with keys held and notches anywhere, every grip holds within 1e-3 px', () => {
  const both = fc.oneof(hands.keys, hands.wheel);
  let gripped = 0;
  fc.assert(
    fc.property(steeringBy(both, settingsWith(false)), ({ settings, ...rest }) => {
      const steering = { settings: { ...settings, zoom: { ...settings.zoom, halfLife: 0.1 } }, ...rest };
      drive(steering, SHORT, ({ view, grip }) => {
        if (grip === null) return;
        gripped += 1;
        const shown = view.toScreen(grip.x, grip.y);
        expect(Math.abs(shown.x - grip.screenX)).toBeLessThan(1e-3);
        expect(Math.abs(shown.y - grip.screenY)).toBeLessThan(1e-3);
      });
    }),
  );

  expect(gripped).toBeGreaterThan(1000);
});

test('G4: goal and shown stay inside the bounds to 1e-6 of the span in every frame, whatever comes in', () => {
  fc.assert(
    fc.property(steeringBy(hands.everything, settingsWith(true)), (steering) => {
      drive(steering, SHORT, (camera) => {
        expect(excess(camera.shown, camera.view, steering.settings)).toBeLessThan(1e-6);
        expect(excess(camera.goal, camera.view, steering.settings)).toBeLessThan(1e-6);
        expect(camera.boundsExcess / camera.view.span).toBeLessThan(1e-6);
      });
    }),
  );
});

test('G4: where the zoom is limited, the view never shows anything but the map, to 1e-6 of the span', () => {
  fc.assert(
    fc.property(steeringBy(hands.everything, settingsWith(true)), ({ settings, screen, signals }) => {
      if (!settings.bounds) return;
      const limited: Steering = {
        settings: { ...settings, bounds: { ...settings.bounds, whenSmaller: 'limit-zoom' } },
        screen,
        signals,
      };
      const { left, top, right, bottom } = settings.bounds;
      drive(limited, SHORT, (camera) => {
        const { span, width, height } = camera.view;
        if (span <= camera.spanRange.least) return; // the zoom limit wins over the map
        expect(span).toBeLessThanOrEqual((bottom - top) * (1 + 1e-6));
        expect(span * (width / height)).toBeLessThanOrEqual((right - left) * (1 + 1e-6));
      });
    }),
  );
});

test('G4: at a wall nothing trembles: with the key held, every further frame is equal in every bit', () => {
  fc.assert(
    fc.property(
      settingsWith(true),
      screens,
      fc.constantFrom('KeyW', 'KeyA', 'KeyS', 'KeyD'),
      (settings, screen, code) => {
        const camera = new Camera({ ...settings, pan: { speed: 5 } }, { screen });
        camera.signal({ kind: 'key', code, down: true, time: 0 });
        camera.advance(0);
        camera.advance(200_000);
        const still = bitsOf(camera);
        for (let frame = 1; frame < 60; frame++) {
          camera.advance(200_000 + frame * 16.7);
          expect(bitsOf(camera)).toBe(still);
        }
      },
    ),
  );
});

test('G5: frames at 30, 60, 144, 240 Hz and jittered see equal bits at every common time', () => {
  const jitter = fc.array(between(0, 3000), { maxLength: 200 });
  fc.assert(
    fc.property(anySteering, jitter, (steering, extra) => {
      const common = steady(6, 3);
      const seen = (times: readonly number[]): string[] => {
        const bits: string[] = [];
        drive(steering, times, (camera, time) => {
          if (common.some((moment) => Math.round(moment * 1000) === Math.round(time * 1000))) bits.push(bitsOf(camera));
        });
        return [...new Set(bits)];
      };
      const reference = seen(common);
      for (const rate of [30, 60, 144, 240]) expect(seen(steady(rate, 3))).toEqual(reference);
      expect(seen([...common, ...extra].toSorted((a, b) => a - b))).toEqual(reference);
    }),
  );
});

test('G7: the zoom range is never passed, by any delta however large, in any frame: exact', () => {
  fc.assert(
    fc.property(anySteering, (steering) => {
      drive(steering, SHORT, ({ view, goal, spanRange: { least, most } }) => {
        for (const span of [view.span, goal.span]) {
          expect(span).toBeGreaterThanOrEqual(least);
          expect(span).toBeLessThanOrEqual(most);
        }
      });
    }),
  );
});

test('G8: settled comes within the stated time after the last input, and then frames change nothing: exact', () => {
  fc.assert(
    fc.property(anySteering, (steering) => {
      const letGo = [
        { kind: 'release' as const, at: 1_500_000 },
        { kind: 'gap' as const, phase: 'end' as const, at: 1_500_000 },
      ];
      const camera = drive({ ...steering, signals: [...steering.signals, ...letGo] }, steady(60, 1.5));
      const { zoom, pan } = camera.settings;
      const { least, most } = camera.spanRange;
      const stated = Math.max(
        timeToRest(Math.log2(most / least), ZOOM_TOLERANCE, zoom.halfLife),
        timeToRest(FASTEST, VELOCITY_TOLERANCE, pan.stopHalfLife),
      );
      camera.advance(1500 + stated * 1000 + 1000 / 120);
      expect(camera.settled).toBe(true);
      const still = bitsOf(camera);
      for (const after of [1, 16.7, 250, 10_000]) {
        camera.advance(1500 + stated * 1000 + 1000 / 120 + after);
        expect(bitsOf(camera)).toBe(still);
      }
    }),
  );
});

test('G9: after a release nothing that was held moves the camera', () => {
  fc.assert(
    fc.property(steeringBy(hands.keys, settingsWith(false)), (steering) => {
      const released = { ...steering, signals: [...steering.signals, { kind: 'release' as const, at: 1_500_000 }] };
      const camera = drive(released, steady(60, 1.5));
      camera.advance(60_000);
      expect(camera.settled).toBe(true);
    }),
  );
});

test('G10: settled, a pan covers the same share of the screen a second at every zoom; diagonals are not faster: 1e-6', () => {
  const directions = fc.constantFrom<string[]>(
    ['KeyD'],
    ['KeyW'],
    ['KeyD', 'KeyS'],
    ['KeyA', 'ArrowUp'],
    ['KeyD', 'ShiftLeft'],
    ['KeyD', 'KeyS', 'ArrowUp'],
  );
  fc.assert(
    fc.property(settingsWith(false), screens, directions, (settings, screen, codes) => {
      const camera = new Camera(settings, { screen });
      codes.forEach((code) => camera.signal({ kind: 'key', code, down: true, time: 0 }));
      camera.advance(0);
      camera.advance(15_000);
      const { x, y, span } = camera.shown;
      camera.advance(16_000);
      const { pan } = camera.settings;
      const speed = pan.speed * (codes.includes('ShiftLeft') ? pan.fast : 1);
      const share = Math.hypot(camera.shown.x - x, camera.shown.y - y) / span;
      expect(Math.abs(share / speed - 1)).toBeLessThan(1e-6);
    }),
  );
});

test('G11: no number is ever NaN or infinite, whatever comes in', () => {
  const wild = fc.oneof(
    fc.double(),
    fc.constantFrom(NaN, Infinity, -Infinity, 1e308, -0, 5e-324, Number.MAX_SAFE_INTEGER),
  );
  const signal = fc.oneof(
    fc.record({ kind: fc.constant('wheel' as const), x: wild, y: wild, notches: wild, time: wild }),
    fc.record({ kind: fc.constant('screen' as const), width: wild, height: wild, time: wild }),
    fc.record({ kind: fc.constant('place' as const), x: wild, y: wild, span: wild, time: wild }),
    fc.record({
      kind: fc.constant('key' as const),
      code: fc.constantFrom('KeyA', 'KeyS'),
      down: fc.boolean(),
      time: wild,
    }),
  );
  const matrices = createMatrices();
  fc.assert(
    fc.property(
      anySettings,
      wild,
      wild,
      fc.array(fc.tuple(signal, wild), { maxLength: 30 }),
      (settings, width, height, list) => {
        const camera = new Camera(settings, { screen: { width, height } });
        camera.advance(0);
        for (const [one, time] of [[{ kind: 'release' as const }, 0] as const, ...list]) {
          camera.signal(one);
          const view = camera.advance(time);
          const { x, y, span } = camera.goal;
          const corner = view.toGround(view.width, view.height);
          fillMatrices(view, matrices);
          const numbers = [view.x, view.y, view.span, view.scale, x, y, span, corner.x, corner.y, ...matrices.inverse];
          expect(numbers.filter((value) => !Number.isFinite(value))).toEqual([]);
          expect(view.scale).toBeGreaterThan(0);
        }
      },
    ),
  );
});
