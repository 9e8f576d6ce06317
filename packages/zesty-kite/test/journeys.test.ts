/** Journeys and calls in time: they arrive where a placing does, and no frame goes back. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { tilted, tiles, trueIsometric, type Pose, type Settings } from '../src/index.ts';
import { follow, play, travel } from '../src/direct/index.ts';
import { forAll, forRuns } from './law.ts';
import { Camera } from './shapes.ts';
import { between, bitsOf } from './steering.ts';

const screen = { width: 1280, height: 800 };

const shapes = fc.constantFrom(
  { left: -800, top: -600, right: 800, bottom: 600 },
  { circle: { x: 0, y: 0, radius: 700 } },
  {
    polygon: [
      [-900, -200],
      [-300, -700],
      [600, -600],
      [900, 100],
      [400, 700],
      [-500, 600],
    ] as [number, number][],
  },
);

const looks = fc.constantFrom<Settings>(
  tilted(60, 800),
  tiles({ width: 64, height: 32 }),
  trueIsometric(),
  {},
  { pitch: { degrees: 35 }, lens: { fieldOfView: 50 } },
  { pitch: { degrees: { near: 40, far: 70, at: 200, slack: 0.3 } }, lens: { fieldOfView: 40 } },
  { ...tilted(60, 800), zoom: { stops: [40, 80, 160, 320] } },
);

const journeys = fc.record({
  look: looks,
  bounds: fc
    .record({
      shape: shapes,
      keep: fc.constantFrom('view' as const, 'view' as const, 'focus' as const),
      whenViewIsLarger: fc.constantFrom('limit-zoom' as const, 'centre' as const),
    })
    .map(({ shape, ...rest }) => ({ ...shape, ...rest })),
  start: fc.record({
    x: between(-800, 800),
    y: between(-800, 800),
    span: between(20, 900),
    heading: between(-89, 89),
  }),
  to: fc.record(
    {
      x: between(-1000, 1000),
      y: between(-1000, 1000),
      span: between(15, 1200),
      heading: between(-89, 89),
      pitch: between(25, 85),
    },
    { requiredKeys: ['y'] },
  ),
  change: fc.constantFrom<Settings | null>(
    null,
    { safeFrame: { left: 300, bottom: 100 } },
    { zoom: { maxSpan: 100 } },
    { lens: { fieldOfView: 30 } },
  ),
  straight: fc.boolean(),
});

/** How fast the picture goes from one pose to the next, in screen heights. */
function eyeMoved(from: Pose, to: Pose): number {
  const pan = Math.hypot(to.x - from.x, to.y - from.y) / to.span;
  const zoom = Math.log(to.span / from.span) / 2;
  const turn = ((Math.abs(to.heading - from.heading) + Math.abs(to.pitch - from.pitch)) * Math.PI) / 360;
  return Math.hypot(pan, zoom) + turn;
}

/** How far a pose is from another, in spans, octaves and degrees. */
function movedTo(from: Pose, to: Pose): number {
  const moved = Math.hypot(to.x - from.x, to.y - from.y) / to.span + Math.abs(Math.log2(to.span / from.span));
  return moved + Math.abs(to.heading - from.heading) + Math.abs(to.pitch - from.pitch);
}

test('a journey arrives where a placing does, to the bit, in all bounds and looks, with panels and limits that change on the way', async () => {
  const cases: Promise<void>[] = [];
  let along = 0;
  forAll(journeys, ({ look, bounds, start, to, change, straight }) => {
    const settings = [look, { bounds, start, turn: { stops: null } }];
    const camera = new Camera(settings, { screen });
    const placed = new Camera(settings, { screen });
    camera.advance(0);
    placed.advance(0);
    const arrival = travel(camera, to, { maxSeconds: 20, way: straight ? 'straight' : 'shortest' });
    placed.place(to);
    let last = camera.shown;
    let peak = 0;
    for (let frame = 1; frame < 240 * 21; frame++) {
      const time = (frame * 1000) / 240;
      if (frame === 120 && change !== null) {
        camera.change(change);
        placed.change(change);
      }
      camera.advance(time);
      const { shown } = camera;
      // An offset of a change is no part of the journey.
      if (change === null) peak = Math.max(peak, eyeMoved(last, shown) * 240);
      last = shown;
      if (camera.settled && frame > 240) break;
    }
    camera.advance(60_000);
    placed.advance(60_000);
    placed.advance(120_000);
    if (change?.safeFrame === undefined) expect(bitsOf(camera)).toBe(bitsOf(placed));
    else {
      // Panels ease in steps of their own.
      expect(movedTo(camera.shown, placed.shown)).toBeLessThan(1e-6);
    }
    if (change !== null || peak < 1e-3) return;
    along += 1;
    cases.push(
      arrival.then(({ peakSpeed, outcome }) => {
        expect(outcome).toBe('arrived');
        expect(peak / peakSpeed).toBeLessThan(1.1);
      }),
    );
  });
  await Promise.all(cases);
  expect(along).toBeGreaterThan(5);
});

test('a journey along bounds goes evenly: no frame moves by more than 1.5 times one of the two before, and a pixel', () => {
  forRuns(20, journeys, ({ look, bounds, start, to }) => {
    const camera = new Camera([look, { bounds: { ...bounds, whenViewIsLarger: 'limit-zoom' }, start }], { screen });
    camera.advance(0);
    void travel(camera, to, { maxSeconds: 3 });
    let last = camera.shown;
    // Where a limit turns the way back, a frame goes there and back.
    let [before, earlier] = [0, 0];
    for (let frame = 1; frame < 240 * 4; frame++) {
      camera.advance((frame * 1000) / 240);
      const moved = eyeMoved(last, camera.shown) * 800;
      if (frame > 6) expect(moved).toBeLessThan(1.5 * Math.max(before, earlier) + 1);
      [before, earlier] = [moved, before];
      last = camera.shown;
    }
  });
});

test('a limit that comes on the way holds at the end: no journey passes it', () => {
  const camera = new Camera({ start: { x: 0, y: 0, span: 60 }, zoom: { minSpan: 5, maxSpan: 1000 } }, { screen });
  camera.advance(0);
  void travel(camera, { x: 300, span: 140 }, { minSeconds: 1 });
  for (let time = 0; time < 500; time += 16) camera.advance(time);
  camera.change({ zoom: { maxSpan: 100 } });
  expect(camera.goal.span).toBe(100);
  camera.advance(30_000);
  expect(camera.shown.span).toBe(100);
});

const calls: [string, (camera: Camera) => void][] = [
  ['hold', (camera): void => camera.hold(1, 640, 400)],
  ['another journey', (camera): void => void travel(camera, { x: 50_000 })],
  ['turn', (camera): void => camera.turn(3)],
  ['change', (camera): void => camera.change({ pan: { speed: 2 } })],
  ['zoom', (camera): void => camera.zoom({ notches: -1 })],
];

test.each(calls)(
  '%s in the middle of a journey takes effect at the last frame: the picture never goes back',
  (_, call) => {
    forAll(between(4, 34), between(0.3, 2.5), (frame, seconds) => {
      const settings = { start: { x: 20_000, y: 20_000, span: 400 }, zoom: { minSpan: 5, maxSpan: 4000 } };
      const camera = new Camera(settings, { screen });
      camera.advance(0);
      void travel(camera, { x: 30_000 });
      let time = 0;
      for (; time < seconds * 1000; time += frame) camera.advance(time);
      call(camera);
      let { x } = camera.shown;
      for (let i = 0; i < 12; i++) {
        camera.advance((time += frame));
        expect(camera.shown.x).toBeGreaterThanOrEqual(x - 1e-9 * 400);
        ({ x } = camera.shown);
      }
    });
  },
);

test.each(['travel', 'play'] as const)(
  'keys that are held when `%s` begins wait until they are pressed again',
  (how) => {
    forAll(between(4, 20), fc.constantFrom('KeyD', 'KeyE', 'PageDown'), (frame, code) => {
      const camera = new Camera([tilted(), { start: { x: 20_000, y: 20_000, span: 400 } }], { screen });
      camera.advance(0);
      camera.signal({ kind: 'key', code, down: true });
      let time = 0;
      for (; time < 400; time += frame) camera.advance(time);
      const { heading, span } = camera.goal;
      const keyframes = [{ at: 0 }, { at: 1.5, x: 10_000, y: 20_000, span: 400, heading: 0 }];
      if (how === 'travel') void travel(camera, { x: 10_000, heading, span });
      else play(camera, { keyframes });
      let { x } = camera.shown;
      for (let i = 0; i < 20; i++) {
        camera.advance((time += frame));
        expect(camera.shown.x).toBeLessThanOrEqual(x + 1e-6);
        ({ x } = camera.shown);
      }
      camera.advance((time += 60_000));
      expect([camera.settled, Math.round(camera.shown.x)]).toEqual([true, 10_000]);
      // Pressed again it steers, and ends what is under way.
      void travel(camera, { x: 30_000 });
      camera.advance((time += 50));
      camera.signal({ kind: 'key', code, down: false });
      camera.signal({ kind: 'key', code, down: true });
      camera.advance((time += 50));
      expect(camera.settled).toBe(false);
      camera.advance(time + 1000);
      expect(camera.shown.x).not.toBe(30_000);
    });
  },
);

test('a journey that is called right after the last finger went up is not refused for that finger', async () => {
  const camera = new Camera({ start: { x: 0, y: 0, span: 400 } }, { screen });
  camera.advance(0);
  camera.signal({ kind: 'press', id: 1, x: 600, y: 400, input: 'Touch', time: 10 });
  camera.signal({ kind: 'move', id: 1, x: 660, y: 400, time: 20 });
  camera.advance(32);
  camera.signal({ kind: 'lift', id: 1, time: 40 });
  const arrival = travel(camera, { x: 500 });
  for (let time = 48; time < 20_000; time += 16) camera.advance(time);
  expect((await arrival).outcome).toBe('arrived');
});

test('while something is followed, a turn goes about it right after a pan, whatever the anchor', () => {
  forAll(
    between(0, 400),
    fc.constantFrom('cursor' as const, 'focus' as const),
    between(-80, 80),
    (wait, anchor, degrees) => {
      const camera = new Camera([tilted(), { start: { x: 0, y: 0, span: 300 }, turn: { anchor } }], { screen });
      camera.advance(0);
      const target = { x: 20, y: 30 };
      follow(camera, target, { onPan: 'offset' });
      for (let time = 0; time < 1000; time += 16) camera.advance(time);
      camera.signal({ kind: 'key', code: 'KeyD', down: true });
      for (let time = 1000; time < 1200; time += 16) camera.advance(time);
      camera.signal({ kind: 'release' });
      let time = 1200;
      for (; time < 1200 + wait; time += 8) camera.advance(time);
      camera.advance(time);
      // Its velocity may go on after the keys; where it shows then, it shows with and without a turn.
      const other = camera.view.toScreen(target.x, target.y);
      camera.turn(degrees);
      let last = { x: other.x, y: other.y };
      for (let i = 0; i < 120; i++) {
        camera.advance((time += 8));
        const at = camera.view.toScreen(target.x, target.y);
        // It goes on as the pan goes: straight along the screen.
        expect(Math.abs(at.y - last.y)).toBeLessThan(0.5);
        last = { x: at.x, y: at.y };
      }
    },
  );
});
