/** Travelling: the shortest path, the promise, and what ends it. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { Camera } from '../src/index.ts';
import { follow, play, travel } from '../src/direct/index.ts';
import { shortestPath } from '../src/direct/path.ts';
import { when } from '../src/events/index.ts';
import { record } from '../src/session/index.ts';
import { forAll, forRuns } from './law.ts';
import { conforms, playAgain, read } from './sessions.ts';
import { between, bitsOf } from './steering.ts';

const RHO_SQUARED = 2;

/** The length of a chain of straight pieces by the paper's metric. */
function lengthOf(along: readonly number[], span: readonly number[]): number {
  let sum = 0;
  for (let i = 1; i < along.length; i++) {
    const pan = (along[i] ?? 0) - (along[i - 1] ?? 0);
    const [before = NaN, after = NaN] = [span[i - 1], span[i]];
    const zoom = after - before;
    // Exact for a straight piece: the mean of 1 / w over it is ln(w1 / w0) / (w1 - w0).
    const middle = Math.abs(zoom) < 1e-6 * before ? (before + after) / 2 : zoom / Math.log(after / before);
    sum += Math.sqrt(RHO_SQUARED * pan * pan + (zoom * zoom) / RHO_SQUARED) / middle;
  }
  return sum;
}

/** The shortest chain over a grid of log spans at every step over the ground: what no path can be much shorter than. */
function shortestOf(distance: number, from: number, to: number, max: number): number {
  // A chain is relaxed, coordinate by coordinate, from a plain one.
  const count = 80;
  const path = shortestPath(distance, from, to, max);
  const along: number[] = [];
  const span: number[] = [];
  const point = { along: 0, span: 0 };
  for (let i = 0; i <= count; i++) {
    const share = i / count;
    path.at(share, point);
    // Begin off the answer, and let it come back if it is one.
    const off = Math.sin(Math.PI * share);
    along.push(distance * share * 0.3 + point.along * 0.7);
    span.push(Math.min(max, point.span * (1 - 0.2 * off)));
  }
  const piece = (i: number): number => lengthOf(along.slice(i - 1, i + 2), span.slice(i - 1, i + 2));
  for (let step = 0.2; step > 1e-4; step *= 0.8)
    for (let round = 0; round < 12; round++)
      for (let i = 1; i < count; i++)
        for (const [right, up] of [
          [1, 0],
          [-1, 0],
          [0, 1],
          [0, -1],
        ] as const) {
          const before = piece(i);
          const [a = 0, s = 0] = [along[i], span[i]];
          along[i] = a + right * step * s * 0.1;
          span[i] = Math.min(max, s * (1 + up * step * 0.1));
          if (piece(i) < before) continue;
          along[i] = a;
          span[i] = s;
        }
  return lengthOf(along, span);
}

/** The most that rounding makes of a thousand chords: a path may be shorter than a float64 tells apart. */
const ROUNDED = 1000 * Number.EPSILON;

test('the path is as long as it says, ends where it should, and keeps under the ceiling', () => {
  forRuns(
    300,
    between(0, 5000),
    between(1, 500),
    between(1, 500),
    fc.constantFrom(1.01, 2, 10, Infinity),
    (distance, from, to, head) => {
      const max = Math.max(from, to) * head;
      const path = shortestPath(distance, from, to, max);
      const along: number[] = [];
      const span: number[] = [];
      const point = { along: 0, span: 0 };
      let highest = 0;
      for (let i = 0; i <= 1000; i++) {
        path.at(i / 1000, point);
        along.push(point.along);
        span.push(point.span);
        highest = Math.max(highest, point.span);
      }
      expect(highest).toBeLessThan(max * (1 + 1e-9));
      expect([along[0], along[1000]]).toEqual([expect.closeTo(0, 6), expect.closeTo(distance, 5)]);
      expect((span[0] ?? 0) / from).toBeCloseTo(1, 9);
      expect((span[1000] ?? 0) / to).toBeCloseTo(1, 9);
      expect(Math.abs(lengthOf(along, span) - path.length)).toBeLessThan(1e-3 * path.length + ROUNDED);
      // Evenly: as much in the first half as in the second.
      const half = lengthOf(along.slice(0, 501), span.slice(0, 501));
      expect(Math.abs(half - path.length / 2)).toBeLessThan(5e-4 * path.length + ROUNDED);
    },
  );
});

test('no chain of poses is shorter than the path, with a ceiling or without, by more than 0.1 %', () => {
  forRuns(12, between(0.5, 40), between(0.2, 3), fc.constantFrom(1.2, 2, Infinity), (distance, to, head) => {
    const max = Math.max(1, to) * head;
    const { length } = shortestPath(distance, 1, to, max);
    expect(shortestOf(distance, 1, to, max) / length).toBeGreaterThan(0.999);
  });
});

const screen = { width: 800, height: 600 };
const world = { zoom: { minSpan: 10, maxSpan: 900 }, start: { x: 0, y: 0, span: 100 } };
const bounds = { left: -2000, top: -2000, right: 2000, bottom: 2000, keep: 'focus' as const };
const pitches = fc.constantFrom<number | [number, number][]>(60, [
  [20, 40],
  [400, 80],
]);
const looks = fc.constantFrom({}, { fieldOfView: 35 }, { distance: 900 });
const eases = fc.constantFrom('in-out' as const, 'in' as const, 'out' as const, 'none' as const);
const ways = fc.constantFrom('shortest' as const, 'straight' as const);

const destinations = fc.record({
  x: between(-3000, 3000),
  y: between(-3000, 3000),
  span: between(5, 1200),
  heading: between(-400, 400),
});

test('it arrives at just the pose that a placing comes to, and no frame is faster than it says', async () => {
  const cases: Promise<void>[] = [];
  forAll(destinations, pitches, looks, eases, ways, between(30, 150), (to, degrees, lens, ease, way, rate) => {
    const settings = { ...world, bounds, pitch: { degrees, min: 30, max: 85 }, lens };
    const camera = new Camera(settings, { screen });
    const placed = new Camera(settings, { screen });
    camera.advance(0);
    placed.place(to);
    placed.advance(0);
    let fastest = 0;
    cases.push(
      travel(camera, to, { ease, way, maxSeconds: 3 }).then((arrival) => {
        const { outcome, by, limitedBy, peakSpeed } = arrival;
        expect([outcome, by]).toEqual(['arrived', null]);
        expect(limitedBy.includes('bounds')).toBe(Math.max(Math.abs(to.x), Math.abs(to.y)) > 2000);
        expect(limitedBy.includes('zoom')).toBe(to.span < 10 || to.span > 900);
        expect(fastest).toBeLessThan(peakSpeed * (1 + 1e-3));
        expect(fastest).toBeGreaterThan(0.1 * peakSpeed);
      }),
    );
    expect(camera.goal.x).toBeCloseTo(placed.shown.x, 6);
    expect(camera.goal.span).toBeCloseTo(placed.shown.span, 6);
    let last = camera.shown;
    for (let time = 1000 / rate; time < 5000; time += 1000 / rate) {
      camera.advance(time);
      const { shown } = camera;
      const moved = Math.hypot(shown.x - last.x, shown.y - last.y);
      // Along a curve the pitch comes with the span.
      const tilted = Array.isArray(degrees) ? 0 : Math.abs(shown.pitch - last.pitch);
      const turned = Math.abs(shown.heading - last.heading) + tilted;
      // The shortest arc between two frames by the paper's metric.
      const apart = Math.hypot(RHO_SQUARED * moved, shown.span - last.span);
      const length = Math.asinh(apart / (2 * Math.sqrt(last.span * shown.span)));
      fastest = Math.max(fastest, (length + (turned * Math.PI) / 360) * rate);
      const { min, max } = camera.spanRange;
      expect(shown.span >= min && shown.span <= max).toBe(true);
      last = shown;
    }
    expect(camera.settled).toBe(true);
    const turns = 360 * Math.round((camera.shown.heading - placed.shown.heading) / 360);
    expect({ ...camera.shown, heading: camera.shown.heading - turns }).toEqual(placed.shown);
  });
  await Promise.all(cases);
});

test('whatever steers interrupts it, and it says so; another journey takes its place', async () => {
  const over = async (act: (camera: Camera) => void): Promise<string> => {
    const camera = new Camera({ ...world, bindings: { panLeft: ['KeyA'] } }, { screen });
    camera.advance(0);
    const arrival = travel(camera, { x: 900, y: 200, span: 60 });
    for (let time = 16; time < 400; time += 16) camera.advance(time);
    act(camera);
    for (let time = 400; time < 9000; time += 100) camera.advance(time);
    const { outcome, by } = await arrival;
    return `${outcome} ${String(by)}`;
  };
  expect(await over(() => undefined)).toBe('arrived null');
  expect(await over((camera) => camera.signal({ kind: 'wheel', x: 1, y: 1, notches: -1 }))).toBe('interrupted notch');
  expect(await over((camera) => camera.signal({ kind: 'key', code: 'KeyA', down: true }))).toBe('interrupted panKeys');
  expect(await over((camera) => camera.hold(1, 5, 5))).toBe('interrupted drag');
  expect(await over((camera) => camera.place({ span: 40 }))).toBe('interrupted placeSpan');
  expect(await over((camera) => camera.home())).toBe('replaced mover');
  expect(await over((camera) => void travel(camera, { x: 0, y: 0 }))).toBe('replaced mover');
  expect(await over((camera) => camera.signal({ kind: 'release' }))).toBe('arrived null');
  expect(await over((camera) => camera.change({ pan: { speed: 2 } }))).toBe('arrived null');
});

test('interrupted, the zoom and the turn stay where they were seen, without a jump', () => {
  forAll(destinations, between(50, 1500), (to, when) => {
    const camera = new Camera({ ...world, bounds, pitch: { degrees: 60, min: 30, max: 85 } }, { screen });
    camera.advance(0);
    void travel(camera, to, { maxSeconds: 3 });
    for (let time = 16; time < when; time += 16) camera.advance(time);
    camera.advance(when);
    const { shown, settled } = camera;
    if (settled) return;
    camera.signal({ kind: 'hold', id: 1, x: 400, y: 300, time: when });
    camera.advance(when);
    for (const name of ['x', 'y', 'span', 'heading', 'pitch'] as const)
      expect(Math.abs(camera.shown[name] - shown[name])).toBeLessThan(1e-6 * (1 + Math.abs(shown[name])));
    camera.advance(when + 3000);
    expect([camera.settled, camera.shown.span]).toEqual([true, expect.closeTo(shown.span, 6)]);
  });
});

test('a target on the move is arrived at, whatever its way', () => {
  forAll(between(-80, 80), between(-80, 80), between(200, 900), between(10, 60), (east, south, away, frame) => {
    const camera = new Camera(world, { screen });
    const barge = { x: away, y: 0 };
    camera.advance(0);
    let arrived = NaN;
    void travel(camera, { span: 80, target: () => barge });
    for (let time = frame; time < 6000; time += frame) {
      barge.x = away + (east * time) / 1000;
      barge.y = (south * time) / 1000;
      camera.advance(time);
      if (!camera.settled) continue;
      arrived = Math.hypot(camera.shown.x - barge.x, camera.shown.y - barge.y);
      break;
    }
    // It stands where the target was a frame ago.
    expect(arrived).toBeLessThan((Math.hypot(east, south) * 2 * frame) / 1000 + 1e-6);
  });
});

test('it is the same journey at every frame rate, it arrives at the same time, and a session plays it again to the bit', () => {
  forRuns(20, destinations, fc.integer({ min: 8, max: 200 }), between(0, 3000), (to, rate, until) => {
    const run = (frames: number): { bits: string; ends: string; text: string } => {
      const camera = new Camera({ ...world, bounds, pitch: { degrees: 60, min: 30, max: 85 } }, { screen });
      camera.advance(0);
      const ends: string[] = [];
      when(camera, 'end', ({ time, what, by }) => ends.push(`${what} ${by} ${String(time)}`));
      const recording = record(camera);
      camera.advance(0);
      // Something moves already: else the call counts from the next frame.
      camera.signal({ kind: 'wheel', x: 400, y: 300, notches: -3, time: 100 });
      camera.advance(100);
      void travel(camera, to, { maxSeconds: 3 });
      for (let time = 100 + 1000 / frames; time < 100 + until; time += 1000 / frames) camera.advance(time);
      camera.advance(100 + until);
      const bits = bitsOf(camera);
      camera.advance(9000);
      recording.stop();
      return { bits, ends: ends.join(), text: recording.text() };
    };
    const [slow, fast] = [run(rate), run(240)];
    expect(slow.bits).toBe(fast.bits);
    expect(slow.ends).toBe(fast.ends);
    expect(slow.ends).toContain('travel arrival');
    for (const line of slow.text.trim().split('\n')) expect([conforms(JSON.parse(line)), line]).toEqual([true, line]);
    const replay = playAgain(read(slow.text), { rate: 37 });
    replay.camera.advance(1e6);
    const other = playAgain(read(fast.text), { rate: 240 });
    other.camera.advance(1e6);
    expect(bitsOf(replay.camera)).toBe(bitsOf(other.camera));
  });
});

test('what is no destination is refused with its place', () => {
  const camera = new Camera(world, { screen });
  expect(() => travel(camera, { x: NaN })).toThrow('travel.to.x: expected a finite number, got NaN');
  expect(() => travel(camera, { x: 1 }, { speed: Infinity })).toThrow(
    /travel\.options\.speed: expected .*, got Infinity/,
  );
  expect(() => travel(camera, { x: 1 }, { way: 'fly' as 'cut' })).toThrow(
    'travel.options.way: expected one of shortest, straight, cut, got "fly"',
  );
});

test('what no journey can be is refused: a span of 0, speeds and seconds below 0', () => {
  const camera = new Camera(world, { screen });
  for (const to of [{ span: 0 }, { span: -3 }, { pitch: 200 }, { x: 1e13 }])
    expect(() => travel(camera, to)).toThrow(/^travel\.to\.(span|pitch|x): /);
  for (const options of [{ speed: -1 }, { speed: 0 }, { minSeconds: -1 }, { maxSeconds: -1 }])
    expect(() => travel(camera, { x: 1 }, options)).toThrow(/^travel\.options\.(speed|minSeconds|maxSeconds): /);
});

test('a cut has no peak speed, and neither has a journey to where the camera is', async () => {
  const camera = new Camera(world, { screen });
  camera.advance(0);
  for (const [to, options] of [
    [{ x: 900 }, { way: 'cut' }],
    [{}, { way: 'cut' }],
    [{}, { minSeconds: 0, maxSeconds: 0 }],
  ] as const) {
    const arrival = travel(camera, to, options);
    camera.advance(2000);
    expect((await arrival).peakSpeed).toBe(0);
  }
});

test('before the size of the screen is known a journey, a scene and following wait', async () => {
  const camera = new Camera(world);
  const arrival = travel(camera, { x: 900, span: 80 }, { minSeconds: 1, maxSeconds: 1 });
  const scene = new Camera(world);
  const played = play(scene, { keyframes: [{ at: 1, x: 40 }] });
  const hunter = new Camera(world);
  const followed = follow(hunter, { x: 333, y: 44 });
  for (const each of [camera, scene, hunter]) {
    each.advance(0);
    each.advance(50);
    each.signal({ kind: 'screen', ...screen });
    for (let time = 66; time < 6000; time += 16) each.advance(time);
  }
  expect(await arrival).toMatchObject({ outcome: 'arrived' });
  expect(camera.shown).toMatchObject({ x: 900, span: 80 });
  expect(await played.ended).toMatchObject({ outcome: 'played' });
  expect(scene.shown.x).toBe(40);
  expect(hunter.shown.x).toBeCloseTo(333, 6);
  followed.end();
});

test('while a finger holds, a journey and a scene are refused, and say so', async () => {
  const camera = new Camera(world, { screen });
  camera.advance(0);
  camera.hold(1, 100, 100);
  const arrival = travel(camera, { x: 1 });
  const { ended } = play(camera, { keyframes: [{ at: 1, x: 40 }] });
  camera.advance(16);
  expect(await arrival).toMatchObject({ outcome: 'refused', by: 'drag' });
  expect(await ended).toMatchObject({ outcome: 'refused', by: 'drag' });
});

test('the program stops a journey where it is; replayed, it stops there as well', async () => {
  const camera = new Camera(world, { screen });
  camera.advance(0);
  const recording = record(camera);
  const controller = new AbortController();
  const arrival = travel(camera, { x: 900 }, { stop: controller.signal, minSeconds: 2, maxSeconds: 2 });
  for (let time = 16; time < 1000; time += 16) camera.advance(time);
  const { x } = camera.shown;
  controller.abort();
  for (let time = 1000; time < 5000; time += 16) camera.advance(time);
  expect(await arrival).toMatchObject({ outcome: 'ended', by: null });
  expect(Math.abs(camera.shown.x - x)).toBeLessThan(0.05 * camera.shown.span);
  expect(camera.settled).toBe(true);
  expect(playAgain(read(recording.text())).camera.shown).toEqual(camera.shown);
  const already = AbortSignal.abort();
  const never = travel(camera, { x: 5 }, { stop: already });
  camera.advance(5016);
  expect((await never).outcome).toBe('ended');
});

test('for those who want less motion it is a cut', async () => {
  const camera = new Camera({ ...world, reducedMotion: true }, { screen });
  camera.advance(0);
  const arrival = travel(camera, { x: 700, y: 100, span: 50 });
  camera.advance(16);
  expect(camera.shown).toMatchObject({ x: 700, y: 100, span: 50 });
  expect(await arrival).toMatchObject({ outcome: 'arrived' });
});
