/** Signals without an effect change nothing, and neither do calls that wait. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { Camera, tilted, type Settings, type Signal } from '../src/index.ts';
import { forAll } from './law.ts';
import { between, hills } from './steering.ts';

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
  forAll(neutral, between(5, 90), (signal, rate) => {
    const headingWith = (signals: readonly Signal[]): number => {
      const camera = new Camera([tilted(), { start: { x: 0, y: 0, span: 100 }, turn: { rate } }], { screen });
      camera.advance(0);
      camera.signal({ kind: 'key', code: 'KeyE', down: true, time: 5 });
      camera.advance(10);
      camera.turn(90);
      camera.advance(50);
      for (const one of signals) camera.signal(one);
      camera.advance(100);
      return camera.goal.heading;
    };
    expect(headingWith([signal])).toBeCloseTo(headingWith([]), 9);
    expect(headingWith([signal])).toBeGreaterThan(90);
  });
});

test('what a call changes shows when it returns, whatever waits', () => {
  const waiting: Signal[] = [
    { kind: 'screen', ...screen, time: 3 },
    { kind: 'key', code: 'KeyW', down: true, time: 105 },
    { kind: 'wheel', x: 1, y: 1, notches: -1, time: 1e6 },
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
