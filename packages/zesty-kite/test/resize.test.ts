/** Windows and panels that change: what keeps the scale, what keeps the span, and what a hand holds. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import './patience.ts';
import fc from 'fast-check';
import { travel } from '../src/direct/index.ts';
import type { Settings } from '../src/index.ts';
import { record } from '../src/session/index.ts';
import { forAll } from './law.ts';
import { Camera } from './shapes.ts';
import { between, looks, pixelsBetween, settingsWith } from './steering.ts';

const screen = { width: 900, height: 600 };
const panels = fc.record({
  left: between(0, 200),
  top: between(0, 200),
  right: between(0, 200),
  bottom: between(0, 200),
});

/** Frames until it has come to rest. */
function rest(camera: Camera, from: number): number {
  let time = from;
  do camera.advance((time += 16));
  while (!camera.settled && time < from + 60_000);
  return time;
}

test('by default an orthographic map keeps its scale when the window changes, and a perspective its span', () => {
  forAll(between(200, 2000), between(200, 2000), fc.boolean(), (width, height, isFlat) => {
    const camera = new Camera(
      { start: { span: 200 }, zoom: { minSpan: 1, maxSpan: 5000 }, lens: { fieldOfView: isFlat ? null : 40 } },
      { screen },
    );
    const { scale } = camera.advance(0);
    camera.signal({ kind: 'screen', width, height });
    camera.advance(16);
    const { view, goal } = camera;
    if (isFlat) expect(view.scale / scale).toBeCloseTo(1, 12);
    else expect(view.span).toBeCloseTo(200, 9);
    expect(goal.span).toBeCloseTo(view.span, 9);
  });
});

test('a panel never changes the scale, in no frame; limits, stops and curves compare with the span without it', () => {
  forAll(panels, fc.constantFrom(null, 40), fc.boolean(), (safeFrame, fieldOfView, hasStops) => {
    const settings: Settings = {
      start: { span: 200 },
      zoom: { minSpan: 50, maxSpan: 800, stops: hasStops ? [50, 100, 200, 400, 800] : null },
      pitch: {
        degrees: [
          [50, 40],
          [800, 80],
        ],
      },
      lens: { fieldOfView },
    };
    const bare = new Camera(settings, { screen });
    const panelled = new Camera(settings, { screen });
    bare.advance(0);
    const { scale } = panelled.advance(0);
    panelled.change({ safeFrame });
    let time = 0;
    do {
      panelled.advance((time += 16));
      expect(panelled.view.scale / scale).toBeCloseTo(1, 9);
    } while (!panelled.settled);
    expect(panelled.shown.pitch).toBeCloseTo(bare.shown.pitch, 6);
    // Out, and in, to the ends of the zoom: the same scales and pitches as without panels.
    let other = 0;
    for (const notches of [-3, -100, 7, 200]) {
      for (const camera of [bare, panelled]) camera.zoom({ notches });
      time = rest(panelled, time);
      other = rest(bare, other);
      expect(panelled.view.scale / bare.view.scale).toBeCloseTo(1, 6);
      expect(panelled.view.pitch).toBeCloseTo(bare.view.pitch, 4);
      expect(panelled.view.span).toBeCloseTo((panelled.view.projection.frameHeight / 600) * bare.view.span, 5);
    }
    // And back, without the panel.
    panelled.change({ safeFrame: { left: 0, top: 0, right: 0, bottom: 0 } });
    rest(panelled, time);
    expect(panelled.view.scale / bare.view.scale).toBeCloseTo(1, 6);
  });
});

test('what a hand holds stays under it to 1e-3 px while windows and panels change', () => {
  const change = fc.oneof(
    fc.record({ width: between(300, 1500), height: between(300, 1500), density: fc.constantFrom(1, 1.5, 2) }),
    fc.record({ safeFrame: panels }),
  );
  forAll(looks, fc.array(change, { minLength: 1, maxLength: 4 }), fc.boolean(), (look, changes, isPair) => {
    const pitch = { ...look.pitch, min: 30 };
    const free = { zoom: { minSpan: 1e-3, maxSpan: 1e6 }, twoFingers: { turn: true }, turn: {}, bounds: null };
    const camera = new Camera({ ...look, ...free, pitch, start: { span: 300 } }, { screen });
    let time = 0;
    camera.advance(time);
    camera.hold(1, 300, 350);
    if (isPair) camera.hold(2, 600, 400);
    time += 16;
    camera.advance(time);
    const held = camera.grips.map(({ x, y, height }) => ({ x, y, height }));
    expect(held).toHaveLength(isPair ? 2 : 1);
    for (const some of changes) {
      if ('safeFrame' in some) camera.change(some);
      else camera.signal({ kind: 'screen', ...some });
      for (let frame = 0; frame < 20; frame++) {
        const view = camera.advance((time += 16));
        camera.grips.forEach((grip, i) => {
          if (grip.limited) return;
          const ground = held[i] ?? { x: NaN, y: NaN, height: NaN };
          const at = view.toScreen(ground.x, ground.y, ground.height);
          expect(pixelsBetween(at, { x: grip.screenX, y: grip.screenY })).toBeLessThan(1e-3);
          expect([grip.screenX, grip.screenY]).toEqual(i === 0 ? [300, 350] : [600, 400]);
        });
      }
    }
  });
});

test('a screen without a size, as of a map that is hidden, changes neither the goal nor what shows', () => {
  const sizes = fc.constantFrom(0, 0.5, -3);
  forAll(sizes, sizes, between(20, 400), fc.boolean(), (width, height, span, isDrawn) => {
    const camera = new Camera({ start: { x: 5, y: 6, span }, turn: { halfLife: 0 } });
    if (isDrawn) camera.advance(0);
    camera.turn(30);
    const there = { x: 5, y: 6, span, heading: 30 };
    camera.signal({ kind: 'screen', width, height });
    expect(camera.goal).toMatchObject(there);
    camera.advance(16);
    camera.advance(32);
    expect(camera.shown).toMatchObject(there);
    camera.signal({ kind: 'screen', width: 800, height: 600 });
    expect(camera.goal).toMatchObject(there);
  });
});

test('a camera that is never given a screen remembers a thousand calls, not all of them', () => {
  const camera = new Camera();
  for (let i = 0; i < 3000; i++) camera.turn(1);
  const [header = ''] = record(camera).text().split('\n');
  expect((JSON.parse(header) as { state: { dispatcher: { early: unknown[] } } }).state.dispatcher.early.length).toBe(
    1000,
  );
});

const CALLS: readonly ((camera: Camera, by: number) => void)[] = [
  (camera, by) => camera.turn(by),
  (camera, by) => camera.tilt(by / 4),
  (camera, by) => camera.zoom({ notches: by / 40 }),
  (camera, by) => camera.pan({ x: by, y: 40 }),
  (camera, by) => camera.place({ x: 2 * by }),
  (camera, by) => camera.place({ span: 310 + by, heading: by }),
  (camera, by) => camera.place({ pitch: 50 + by / 8 }),
  (camera, by) => void travel(camera, { y: 2 * by }, { maxSeconds: 1 }),
  (camera) => camera.home(),
];
const someCalls = fc.array(fc.tuple(fc.constantFrom(...CALLS), between(-300, 300)), { maxLength: 6 });

test('calls before the size of the screen is known come to the same as after, in their order', () => {
  forAll(settingsWith(true), someCalls, fc.nat({ max: 3 }), (settings, list, frames) => {
    const [early, late] = [new Camera(settings), new Camera(settings)];
    late.signal({ kind: 'screen', ...screen, time: 0 });
    for (const camera of [early, late])
      for (const [i, [call, by]] of list.entries()) {
        if (camera === early && i < frames) camera.advance(0);
        call(camera, by);
      }
    early.signal({ kind: 'screen', ...screen });
    expect(early.goal).toEqual(late.goal);
    for (const camera of [early, late]) rest(camera, 0);
    expect(early.shown).toEqual(late.shown);
  });
});
