/** Motion has no jumps: not at the steps of the grid, not at signals, not at a wall. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import type { Pose, Spot } from '../src/index.ts';
import { forAll } from './law.ts';
import { Camera } from './shapes.ts';
import {
  between,
  bitsOf,
  drive,
  hands,
  hills,
  landmarks,
  pixelsBetween,
  play,
  steady,
  settingsWith,
  steeringBy,
  straightDown,
  type Steering,
} from './steering.ts';

const NOWHERE = { x: NaN, y: NaN };

/** On the smallest screen too. */
const wheel = fc.record({
  kind: fc.constant('wheel' as const),
  x: between(0, 120),
  y: between(0, 120),
  notches: between(-2, 2),
});

const turn = fc.record({ kind: fc.constantFrom('turn' as const, 'tilt' as const), degrees: between(-20, 20) });

/** A lens that zooms at a fixed distance widens with the span; and hills are not as high as twelve screens. */
function spans({ settings: { zoom, lens }, hilly }: Steering): { minSpan: number; maxSpan: number } {
  const minSpan = Math.max(Number(zoom?.minSpan ?? 0), hilly ? 60 : 0);
  const maxSpan = Math.min(Number(zoom?.maxSpan ?? 4096), hilly ? Infinity : (lens?.distance ?? Infinity));
  return { minSpan, maxSpan: Math.max(minSpan, maxSpan) };
}

/** Keys, notches and turns that move at a pace at which two microseconds are next to nothing. */
function gentle(halfLife: number, bounded: boolean): fc.Arbitrary<Steering> {
  return steeringBy(fc.oneof(hands.keys, wheel, turn), settingsWith(bounded), 12).map((steering) => ({
    ...steering,
    // The lens stays below twice the pitch, as a second look at settings asks for.
    settings: {
      ...steering.settings,
      pan: { speed: 1, fasterFactor: 2, startHalfLife: 0.1, stopHalfLife: 0.1 },
      // About the ground below an eye that is far away, every tilt swings the view by many screens; and a
      // grip that ends on a slope hands over to the ground that is followed.
      zoom: {
        ...steering.settings.zoom,
        notch: 1.2,
        halfLife,
        anchor: steering.hilly ? 'focus' : 'cursor',
        ...spans(steering),
      },
      pitch: { ...steering.settings.pitch, halfLife: 0.15, min: 30 },
      // Where a hill comes up to the eye, it is lifted from one moment to the next.
      lens: steering.hilly ? {} : { ...steering.settings.lens, halfLife: 0.15 },
      turn: { halfLife: 0.15 },
    },
  }));
}

/**
 * Where nine landmarks show, in pixels, at each of the times after the first; they are taken anew
 * from every fourth frame.
 */
function tracks(steering: Steering, times: readonly number[]): number[][] {
  let marks: Spot[] = [];
  const seen: number[][] = [];
  drive(steering, [0, ...times], ({ view }, time) => {
    if (time === 0) return;
    if (seen.length % 4 === 0) marks = landmarks(view);
    seen.push(marks.map(({ x, y, height }) => view.toScreen(x, y, height)).flatMap(({ x, y }) => [x, y]));
  });
  return seen;
}

test('at every step of the grid the motion goes on as it came, to 1e-3 px, and so it arrives', () => {
  // Without bounds: a wall may stop a pan within a microsecond.
  const steps = Array.from({ length: 760 }, (_, i) => Math.ceil(((i + 1) * 1e6) / 240));
  forAll(gentle(0.06, false), (steering) => {
    const calm = steps.filter((micros) => steering.signals.every(({ at }) => Math.abs(at - micros) > 10));
    const times = calm.flatMap((micros) => [-4, -2, 0, 2].map((offset) => (micros + offset) / 1000));
    const seen = tracks(steering, times);
    let worst = 0;
    for (let i = 3; i < seen.length; i += 4) {
      const [a = [], b = [], c = [], d = []] = seen.slice(i - 3, i + 1);
      a.forEach((_, k) => {
        const before = (b[k] ?? NaN) - (a[k] ?? NaN);
        worst = Math.max(worst, Math.abs((c[k] ?? NaN) - (b[k] ?? NaN) - before));
        worst = Math.max(worst, Math.abs((d[k] ?? NaN) - (c[k] ?? NaN) - before));
      });
    }
    expect(worst).toBeLessThan(1e-3);
  });
});

test('a key or a notch changes where the camera goes and not where it is: within 1e-4 screens in 2 µs', () =>
  forAll(
    fc.boolean().chain((bounded) => gentle(0.3, bounded)),
    (steering) => {
      for (const { at } of steering.signals) {
        if (at < 10) continue;
        const camera = drive(steering, [0, (at - 1) / 1000]);
        const before = camera.shown;
        const { width, height, projection: look } = camera.view;
        const across = Math.max(2, Math.hypot(width, height) / look.frameHeight);
        const earlier = drive(steering, [0, (at - 3) / 1000]).shown;
        const after = drive(steering, [0, (at + 1) / 1000]).shown;
        const way = (from: Pose, to: Pose): number => Math.hypot(to.x - from.x, to.y - from.y) / from.span;
        // What was fast already, as a view near the horizon may be, goes on as it was.
        const went = steering.signals.some((other) => other.at !== at && Math.abs(other.at - at) < 10)
          ? 0
          : way(earlier, before);
        expect((way(before, after) - 2 * went) / across).toBeLessThan(1e-4);
        expect(Math.abs(Math.log2(after.span / before.span))).toBeLessThan(2e-4);
      }
    },
  ));

test('whatever changes while anything moves or is held, the picture does not jump: to 1e-3 px', () => {
  const anySettings = fc.boolean().chain((bounded) => settingsWith(bounded));
  forAll(steeringBy(hands.everything, anySettings), anySettings, fc.boolean(), (before, other, dig) => {
    const camera = drive(before, [...steady(60, 1.4), 1501]);
    const marks = landmarks(camera.view);
    const were = marks.map(({ x, y, height }) => camera.view.toScreen(x, y, height));
    if (dig) camera.changeTerrain(before.hilly ? null : hills, 1501);
    camera.signal({
      kind: 'change',
      settings: { ...other, lens: { fieldOfView: null, distance: null, ...other.lens } },
      time: 1501,
    });
    const view = camera.advance(1501);
    const jumps = marks.map(({ x, y, height }, i) => pixelsBetween(view.toScreen(x, y, height), were[i] ?? NOWHERE));
    expect(Math.max(...jumps)).toBeLessThan(1e-3);
  });
});

test('pushed into a corner, however unevenly, it stands still to the bit', () => {
  let seen = 0;
  forAll(settingsWith(true, straightDown), between(0.2, 3), (settings, speed) => {
    const bounds = { left: -500, top: -400, right: 500, bottom: 400 };
    const pan = { ...settings.pan, speed };
    const camera = new Camera(
      { ...settings, pan, start: { x: 0, y: 0, span: 100 }, bounds },
      { screen: { width: 600, height: 400 } },
    );
    for (const code of ['KeyD', 'KeyS'] as const) camera.signal({ kind: 'key', code, down: true, time: 0 });
    camera.advance(0);
    play(camera, 0, 200_000);
    camera.signal({ kind: 'key', code: 'KeyD', down: false, time: 200_000 });
    play(camera, 200_000, 200_700);
    const still = bitsOf(camera);
    // One key pushes at its full speed, the other begins to.
    camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 200_700 });
    for (let time = 200_705; time < 202_000; time += 9) {
      camera.advance(time);
      expect(bitsOf(camera)).toBe(still);
      seen += 1;
    }
  });
  expect(seen).toBeGreaterThan(1000);
});

test('what pushed against a wall or into a corner turns back at once, as if from rest', () => {
  forAll(settingsWith(true, straightDown), fc.boolean(), fc.boolean(), (settings, zooming, inCorner) => {
    const screen = { width: 600, height: 400 };
    const bounds = { left: -500, top: -400, right: 500, bottom: 400 };
    const zoom = { minSpan: 10, maxSpan: 200, halfLife: 0.3, anchor: settings.zoom?.anchor ?? 'cursor' };
    const make = (): Camera => new Camera({ ...settings, start: { x: 0, y: 0, span: 100 }, bounds, zoom }, { screen });
    const pushing = make();
    const into = inCorner ? (['KeyD', 'KeyS'] as const) : (['KeyD'] as const);
    const back = inCorner ? (['KeyA', 'KeyW'] as const) : (['KeyA'] as const);
    for (const code of into) pushing.signal({ kind: 'key', code, down: true, time: 0 });
    pushing.advance(0);
    play(pushing, 0, 200_000);
    const resting = make();
    resting.place(pushing.shown);
    resting.advance(0);
    resting.advance(200_000);
    for (const camera of [pushing, resting]) {
      // The view grows against the wall, with the key still pushing or not.
      if (zooming && !inCorner) camera.signal({ kind: 'wheel', x: 300, y: 200, notches: -2, time: 200_000 });
      camera.advance(201_000);
      for (const code of into) camera.signal({ kind: 'key', code, down: false, time: 201_000 });
      for (const code of back) camera.signal({ kind: 'key', code, down: true, time: 201_000 });
      camera.advance(201_150);
    }
    expect(pushing.shown.x).toBeLessThan(425);
    expect(pushing.shown.x).toBeCloseTo(resting.shown.x, 6);
    expect(pushing.shown.y).toBeCloseTo(resting.shown.y, 6);
  });
});

test('what a pan pushes over a wall while the cursor holds a point is lost: once the key is up, the point stays', () => {
  const way = fc.constantFrom(['KeyA', 30] as const, ['KeyD', 570] as const);
  forAll(way, between(0.2, 3), between(40, 360), between(0.3, 1.5), ([code, x], speed, y, seconds) => {
    const camera = new Camera(
      {
        bounds: { left: -500, top: -400, right: 500, bottom: 400 },
        start: { x: code === 'KeyA' ? -500 : 500, y: 0, span: 200 },
        pan: { speed, stopHalfLife: 0 },
        zoom: { minSpan: 10, maxSpan: 200, halfLife: 1 },
      },
      { screen: { width: 600, height: 400 } },
    );
    camera.signal({ kind: 'wheel', x, y, notches: 20, time: 0 });
    camera.signal({ kind: 'key', code, down: true, time: 0 });
    camera.advance(0);
    play(camera, 0, seconds * 1000);
    camera.signal({ kind: 'key', code, down: false, time: seconds * 1000 });
    play(camera, seconds * 1000, seconds * 1000 + 50);
    const { view } = camera;
    const point = view.toGround(x, y);
    const { span } = view;
    camera.advance(seconds * 1000 + 1000);
    expect(camera.view.span).toBeLessThan(0.9 * span);
    expect(pixelsBetween(camera.view.toScreen(point?.x ?? NaN, point?.y ?? NaN, 0), { x, y })).toBeLessThan(1e-3);
  });
});

test('what slides along a circle turns back at once, too', () => {
  forAll(between(0.2, 1.4), between(0.1, 0.5), (angle, startHalfLife) => {
    const make = (): Camera =>
      new Camera(
        {
          bounds: { circle: { x: 0, y: 0, radius: 10_000 }, keep: 'focus' },
          start: { x: 1e4 * Math.cos(angle), y: 1e4 * Math.sin(angle), span: 100 },
          pan: { speed: 1, startHalfLife },
        },
        { screen: { width: 600, height: 400 } },
      );
    const sliding = make();
    sliding.signal({ kind: 'key', code: 'KeyD', down: true, time: 0 });
    sliding.advance(0);
    play(sliding, 0, 2000);
    const resting = make();
    resting.place(sliding.shown);
    resting.advance(0);
    resting.advance(2000);
    const inward: number[] = [];
    for (const camera of [sliding, resting]) {
      if (camera === sliding) camera.signal({ kind: 'key', code: 'KeyD', down: false, time: 2000 });
      camera.signal({ kind: 'key', code: 'KeyA', down: true, time: 2000 });
      camera.advance(2150);
      const { x, y } = camera.shown;
      inward.push(1e4 - Math.sqrt(x * x + y * y));
    }
    const [slid = NaN, rested = NaN] = inward;
    expect(rested).toBeGreaterThan(0.1);
    expect(slid).toBeGreaterThan(0.95 * rested);
  });
});
