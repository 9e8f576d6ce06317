/** The player for tests of games: hands without a browser, and what it expects of the camera. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import { Camera, tilted, type Settings } from '../src/index.ts';
import { SimulatedPlayer } from '../src/simulation/index.ts';
import { forRuns } from './law.ts';
import { between } from './steering.ts';

const bounds = { left: 0, top: 0, right: 1024, bottom: 768 };

function playerWith(settings: Settings, rate = 60): SimulatedPlayer {
  return new SimulatedPlayer(new Camera([{ bounds, start: { span: 300 } }, settings]), { rate });
}

test('the held points stay under pointer and fingers, whatever is dragged (1e-3 px) and pinched (0.01 px after a second)', () => {
  let pinched = 0;
  forRuns(40, between(350, 900), between(250, 550), between(60, 140), between(20, 88), (x, y, apart, degrees) => {
    // Nearer it is no drag.
    if (Math.hypot(x - 640, y - 400) <= 4) return;
    const player = playerWith({ ...tilted(), pitch: { degrees }, bounds: null });
    const [held] = player.drag({ from: { x: 640, y: 400 }, to: { x, y } });
    expect(held?.limited).toBe(false);
    player.settle();
    player.expectUnder(held, { x, y });
    const to = [
      { x: 640 - apart, y: 400 },
      { x: 640 + apart, y: 420 },
    ] as const;
    const from = [
      { x: 560, y: 380 },
      { x: 720, y: 420 },
    ] as const;
    const grips = player.pinch({ from, to, rest: 1 });
    player.settle();
    expect(grips).toHaveLength(2);
    if (grips.some(({ limited }) => limited)) return;
    pinched += 1;
    grips.forEach((grip, i) => {
      player.expectUnder(grip, to[i] ?? to[0], 0.01);
    });
  });
  expect(pinched).toBeGreaterThan(20);
});

test('keys, wheel, taps and edges steer as they do in a page, at any rate; the motion does not depend on it', () => {
  const ends = [30, 60, 144].map((rate) => {
    const frames: number[] = [];
    const camera = new Camera({ bounds, start: { span: 300 }, edge: true });
    const player = new SimulatedPlayer(camera, { rate, onFrame: ({ x }) => frames.push(x) });
    const before = player.view.x;
    player.hold(['KeyD', 'ShiftLeft'], 0.5);
    expect(player.view.x).toBeGreaterThan(before + 100);
    player.wheel(3, { x: 200, y: 200 });
    expect(player.settle().span).toBeCloseTo(300 / 1.1 ** 3, 6);
    player.press('Minus');
    player.tap({ x: 640, y: 400 });
    player.point({ x: 2, y: 400 });
    player.wait(1);
    player.point();
    player.settle();
    player.expectInsideBounds();
    expect(frames.length).toBeGreaterThan(rate);
    return player.view.span;
  });
  expect(Math.max(...ends) / Math.min(...ends)).toBeCloseTo(1, 9);
});

test('an expectation that is not met says what was found and what would do', () => {
  const player = playerWith({ bindings: { drag: ['Touch'] } });
  expect(player.drag({ from: { x: 300, y: 300 }, to: { x: 500, y: 300 } })).toEqual([]);
  expect(() => {
    player.expectUnder(undefined, { x: 1, y: 2 });
  }).toThrow(/SimulatedPlayer\.expectUnder\.point: expected .*, got nothing/);
  expect(() => {
    player.expectUnder({ x: 512, y: 384 }, { x: 600, y: 400 });
  }).toThrow('expectUnder: expected (600.000, 400.000), within 0.001 px, got (640.000, 400.000), 40.0 px off');
  player.hold('KeyD', 0.1);
  expect(() => {
    player.expectAtRest();
  }).toThrow(/^expectAtRest: expected one at rest, got a camera that moves at \d+\.\d\d s$/);
  expect(() => new SimulatedPlayer({} as never)).toThrow(/SimulatedPlayer\.camera: expected .*, got \{\}/);
  expect(() => player.wheel(NaN, { x: 1, y: 1 })).toThrow(/SimulatedPlayer\.wheel\.notches: expected .*, got NaN/);
});
