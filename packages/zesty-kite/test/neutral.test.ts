/** Signals without an effect, calls that wait, and a recording change nothing. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { Camera, tilted, type Settings, type Signal } from '../src/index.ts';
import { record } from '../src/session/index.ts';
import { forAll, forRuns } from './law.ts';
import { playAgain, read } from './sessions.ts';
import { between, bitsOf, hills } from './steering.ts';

const screen = { width: 1280, height: 800 };

const neutral = fc.constantFrom<Signal>(
  { kind: 'lift', id: 77 },
  { kind: 'unhold', id: 9 },
  { kind: 'hover', x: 600, y: 400 },
  { kind: 'move', id: 55, x: 3, y: 4 },
  { kind: 'screen', ...screen },
  { kind: 'change', settings: { edge: { speed: 0.5 } } },
  { kind: 'change', settings: { start: { x: 5 } } },
);
const steering = fc.oneof(
  fc.record({
    kind: fc.constant('key' as const),
    code: fc.constantFrom('KeyD', 'KeyE', 'KeyF', 'KeyW'),
    down: fc.boolean(),
  }),
  fc.record({
    kind: fc.constant('wheel' as const),
    x: between(0, 1280),
    y: between(0, 800),
    notches: between(-2, 2),
  }),
  fc.record({ kind: fc.constant('turn' as const), degrees: between(-90, 90) }),
);
const at = fc.integer({ min: 0, max: 1500 });

test('signals without an effect change nothing: over hills, while all moves, by less than 0.01 px', () => {
  const list = fc.array(fc.tuple(at, steering), { minLength: 2, maxLength: 6 });
  const others = fc.array(fc.tuple(at, neutral), { minLength: 10, maxLength: 40 });
  forAll(list, others, between(20, 300), fc.boolean(), (steers, nothings, span, hilly) => {
    const settings: Settings[] = [tilted(), { start: { x: 0, y: 0, span }, zoom: { minSpan: 5, maxSpan: 2000 } }];
    const [one, other] = [1, 2].map(() => new Camera(settings, { screen, terrain: hilly ? hills : null }));
    if (one === undefined || other === undefined) return;
    for (const [time, signal] of steers) for (const camera of [one, other]) camera.signal({ ...signal, time });
    // Never at the same time as one that has an effect.
    for (const [time, signal] of nothings) other.signal({ ...signal, time: time + 0.5 });
    for (let time = 0; time < 3000; time += 7) {
      one.advance(time);
      const view = other.advance(time);
      for (const [x, y] of [
        [640, 400],
        [200, 600],
        [1100, 600],
      ] as const) {
        const ground = one.view.toLevel(x, y, one.view.focusHeight, { x: 0, y: 0 });
        const seen = ground && view.toScreen(ground.x, ground.y, one.view.focusHeight);
        if (seen) expect(Math.abs(seen.x - x) + Math.abs(seen.y - y)).toBeLessThan(0.01);
      }
    }
  });
});

test('what is no news ends no turn of a call while a turn key is held', () => {
  forAll(neutral, (signal) => {
    const camera = new Camera([tilted(), { start: { x: 0, y: 0, span: 100 }, turn: { rate: 0 } }], { screen });
    camera.advance(0);
    camera.signal({ kind: 'key', code: 'KeyE', down: true });
    camera.advance(10);
    camera.turn(90);
    camera.advance(50);
    camera.signal(signal);
    camera.advance(60);
    expect(camera.goal.heading).toBe(90);
  });
});

test('what a call changes shows when it returns, whatever waits', () => {
  const waiting: Signal[] = [
    { kind: 'screen', ...screen, time: 3 },
    { kind: 'key', code: 'KeyW', down: true, time: 105 },
    { kind: 'wheel', x: 1, y: 1, notches: 1, time: 1e6 },
  ];
  forAll(fc.constantFrom(...waiting), fc.boolean(), (signal, drawn) => {
    const camera = new Camera({ start: { x: 0, y: 0, span: 100 } }, drawn ? { screen } : {});
    if (drawn) for (let time = 0; time < 100; time += 16) camera.advance(time);
    camera.signal(signal);
    camera.place({ x: 40, span: 200 });
    camera.turn(30);
    camera.change({ pan: { speed: 3 }, zoom: { maxSpan: 150 } });
    expect(camera.settings.pan.speed).toBe(3);
    expect(camera.goal).toMatchObject({ x: 40, span: 150, heading: 30 });
    camera.change({ pan: { speed: 2 } });
    expect(camera.settings.pan.speed).toBe(2);
  });
});

test('a recording changes no settings and loses no call: Home goes where it did, in the game and in the replay', () => {
  forRuns(20, between(-300, 300), between(50, 500), fc.boolean(), (x, span, moves) => {
    const camera = new Camera({ start: { x: 10, y: 20, span: 100 } }, { screen });
    camera.advance(0);
    if (moves) camera.zoom({ notches: 2 });
    camera.advance(20);
    const { settings } = camera;
    camera.place({ x, span });
    const recording = record(camera);
    expect(camera.settings).toEqual(settings);
    camera.advance(0);
    expect(camera.shown).toMatchObject({ x, span });
    camera.signal({ kind: 'home', time: 100 });
    for (let time = 16; time < 30_000; time += 160) camera.advance(time);
    camera.advance(60_000);
    expect(camera.shown.x).toBeCloseTo(10, 9);
    expect(camera.shown.span).toBeCloseTo(100, 9);
    const replay = playAgain(read(recording.text()), { rate: 37 });
    replay.camera.advance(60_000);
    expect(bitsOf(replay.camera)).toBe(bitsOf(camera));
  });
});
