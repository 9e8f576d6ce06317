/** What the program calls: pans and zooms, what shows at once, and when it takes effect. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { Camera, type Settings } from '../src/index.ts';
import { LENGTH_TOLERANCE } from '../src/motion/index.ts';
import { record } from '../src/session/index.ts';
import { forAll, forRuns } from './law.ts';
import { playAgain, read } from './sessions.ts';
import { between, bitsOf, hills, pixelsBetween } from './steering.ts';

const screen = { width: 800, height: 600 };
const settings: Settings = {
  start: { x: 3, y: -7, span: 300, heading: 30 },
  zoom: { minSpan: 1e-3, maxSpan: 1e6 },
  pitch: { degrees: 60 },
};

type Call = (camera: Camera) => void;
const degrees = between(-90, 90);
const pixels = between(-400, 400);
const point = fc.record({ screenX: between(0, 800), screenY: between(100, 600) });
const calls: fc.Arbitrary<Call> = fc.oneof(
  fc.tuple(degrees, fc.option(point, { nil: undefined })).map(
    ([by, about]): Call =>
      (camera) =>
        camera.turn(by, about),
  ),
  degrees.map(
    (by): Call =>
      (camera) =>
        camera.tilt(by),
  ),
  fc.tuple(between(0.2, 5), fc.option(point, { nil: undefined })).map(
    ([factor, about]): Call =>
      (camera) =>
        camera.zoom({ factor }, about),
  ),
  between(-9, 9).map(
    (notches): Call =>
      (camera) =>
        camera.zoom({ notches }),
  ),
  fc.tuple(pixels, pixels).map(
    ([x, y]): Call =>
      (camera) =>
        camera.pan({ x, y }),
  ),
  fc.constant<Call>((camera) => camera.home()),
  between(-99, 99).map(
    (x): Call =>
      (camera) =>
        camera.place({ x }),
  ),
  between(0.1, 3).map(
    (speed): Call =>
      (camera) =>
        camera.change({ pan: { speed } }),
  ),
);

test('pan moves the focus by so many pixels, zoom by the factor about its point; both ease, and calls add up', () => {
  forAll(pixels, pixels, between(0.2, 5), point, (x, y, factor, about) => {
    const camera = new Camera(settings, { screen });
    camera.advance(0);
    const under = camera.view.toGround(400 + x, 300 + y);
    camera.pan({ x: x / 2, y: y / 4 });
    camera.pan({ x: x / 2, y: (3 * y) / 4 });
    expect(pixelsBetween(camera.goal, under ?? { x: NaN, y: NaN })).toBeLessThan(1e-6);
    expect(camera.advance(0)).toMatchObject({ x: 3, y: -7 });
    const half = camera.advance(90); // zoom.halfLife
    const way = { x: (under?.x ?? NaN) - 3, y: (under?.y ?? NaN) + 7 };
    // What is left is nothing when it is less than the tolerance of rest.
    const arrives = Math.max(Math.abs(way.x), Math.abs(way.y)) / 2 < LENGTH_TOLERANCE * 300;
    expect(half.x - 3).toBeCloseTo(arrives ? way.x : way.x / 2, 6);
    expect(pixelsBetween(camera.advance(9000), under ?? { x: NaN, y: NaN })).toBeLessThan(1e-4);
    const held = camera.view.toGround(about.screenX, about.screenY);
    camera.zoom({ factor }, about);
    camera.advance(9000);
    expect(camera.goal.span).toBeCloseTo(300 / factor, 6);
    for (const time of [9100, 9300, 20_000]) {
      const shown = camera.advance(time).toScreen(held?.x ?? NaN, held?.y ?? NaN, 0);
      expect(Math.hypot(shown.x - about.screenX, shown.y - about.screenY)).toBeLessThan(1e-3);
    }
    expect(camera.view.span * factor).toBeCloseTo(300, 6);
  });
  expect(() => {
    new Camera().zoom({} as { factor: number });
  }).toThrow('zoom: expected an object with notches, factor, got {}');
});

test('what a call changes shows in goal and settings when it returns, and in shown with the next frame', () => {
  const camera = new Camera(settings, { screen });
  camera.advance(0);
  camera.turn(90);
  camera.zoom({ factor: 3 });
  camera.change({ pan: { speed: 2.5 } });
  expect(camera.goal).toMatchObject({ heading: 120, span: 100 });
  expect([camera.settings.pan.speed, camera.settled]).toEqual([2.5, false]);
  camera.place({ x: 50 });
  expect([camera.goal.x, camera.shown.x, camera.shown.heading]).toEqual([50, 3, 30]);
  expect(camera.advance(0).x).toBe(50);
  expect(new Camera({ start: camera.shown }, { screen }).shown.x).toBe(50);
});

test('a call to a camera that rests and draws no frames begins with the next frame, however late that is', () => {
  forAll(calls, between(1000, 9000), (call, idle) => {
    const [slept, awake] = [0, 1].map(() => new Camera(settings, { screen }));
    for (const camera of [slept, awake]) camera?.advance(0);
    for (let time = 16; time < idle; time += 16) awake?.advance(time);
    for (const camera of [slept, awake]) {
      if (camera === awake) camera?.advance(idle);
      if (camera) call(camera);
      camera?.advance(idle);
    }
    for (const ahead of [17, 100, 300]) {
      const [one, other] = [slept, awake].map((camera) => camera?.advance(idle + ahead));
      // The one that drew all the time was called a grid step before.
      for (const key of ['x', 'y', 'span', 'heading', 'pitch'] as const)
        expect(Math.abs((one?.[key] ?? NaN) - (other?.[key] ?? NaN))).toBeLessThan(
          0.25 * Math.max(100, one?.span ?? 0),
        );
    }
  });
});

test('a call that a recording’s write makes is one more signal of the session, and not one inside another', () => {
  const camera = new Camera(settings, { screen });
  let lines = '';
  record(camera, (line) => {
    lines += line;
    if (line.includes('"key"')) camera.tilt(5);
  });
  camera.advance(0);
  camera.turn(20);
  camera.advance(16);
  camera.signal({ kind: 'key', code: 'KeyW', down: true, time: 20 });
  camera.advance(50);
  camera.signal({ kind: 'release', time: 400 });
  camera.advance(20_000);
  expect(lines.split('\n').filter((line) => line.includes('"kind":"tilt"'))).toHaveLength(1);
  const replay = playAgain(read(lines));
  replay.camera.advance(1e7);
  expect(bitsOf(replay.camera)).toBe(bitsOf(camera));
  expect(camera.shown).toMatchObject({ heading: 50, pitch: 65 });
});

test('G5, G6: calls between frames, at rest and in motion, play again to the same bits at any frame rate', () => {
  const steps = fc.array(fc.tuple(fc.option(calls), fc.constantFrom(0, 3, 16, 16, 170, 2600)), { maxLength: 25 });
  forRuns(200, steps, fc.boolean(), (list, hilly) => {
    const terrain = hilly ? hills : null;
    const camera = new Camera(settings, { screen, terrain });
    const recording = record(camera);
    let time = 0;
    camera.advance(0);
    for (const [call, wait] of list) {
      call?.(camera);
      expect(camera.goal.span).toBeGreaterThan(0);
      if (wait > 0) camera.advance((time += wait));
    }
    camera.advance(time);
    camera.advance(time + 20_000);
    const replay = playAgain(read(recording.text()), { terrain, rate: 83 });
    replay.camera.advance(1e7);
    expect(bitsOf(replay.camera)).toBe(bitsOf(camera));
  });
});

test('reduced motion: what is called is there in the next frame, keys stop at once, and nothing glides', () => {
  forAll(calls, (call) => {
    const camera = new Camera([settings, { reducedMotion: true }], { screen });
    camera.advance(0);
    call(camera);
    const { goal } = camera;
    camera.advance(17);
    expect(camera.shown).toEqual(goal);
    for (const down of [true, false]) camera.signal({ kind: 'key', code: 'KeyD', down, time: down ? 100 : 300 });
    const { x, y } = camera.advance(301);
    expect(camera.advance(340)).toMatchObject({ x, y });
    expect(camera.settled).toBe(true);
  });
  expect(new Camera({ reducedMotion: true }).settings.zoom.halfLife).toBe(0.09);
});
