/** Edge scrolling: bands, corners, dwell and rest. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { when } from '../src/events/index.ts';
import { Camera, type Settings } from '../src/index.ts';
import { forAll } from './law.ts';
import { between } from './steering.ts';

const screen = { width: 800, height: 600 };
type Edge = Exclude<NonNullable<Settings['edge']>, true>;

function resting(edge: Edge, x: number, y: number, after = 3000): Camera {
  const pan = { startHalfLife: 0, stopHalfLife: 0 };
  const camera = new Camera({ start: { x: 0, y: 0, span: 600 }, pan, edge }, { screen });
  camera.advance(0);
  camera.signal({ kind: 'hover', x, y, time: 0 });
  for (let time = 0; time <= after; time += 100) camera.advance(time);
  return camera;
}

test('in a band it goes toward that edge, in a corner both ways and no faster, and elsewhere nowhere: for any bands', () => {
  const size = between(1, 200);
  const bands = fc.record({
    left: size,
    top: size,
    right: size,
    bottom: size,
    speedByDepth: fc.constantFrom('constant', 'linear'),
  });
  forAll(bands, between(0, 800), between(0, 600), (sides, x, y) => {
    const edge = { ...sides, unit: 'pixels', dwell: 0 } as Edge;
    const { shown, settled } = resting(edge, x, y, 1000);
    const { left, top, right, bottom, speedByDepth } = sides;
    const depth = (inward: number, band: number): number =>
      inward >= band ? 0 : speedByDepth === 'constant' ? 1 : 1 - inward / band;
    const across = depth(800 - x, right) - depth(x, left);
    const down = depth(600 - y, bottom) - depth(y, top);
    const max = Math.max(1, Math.hypot(across, down));
    // A screen height a second, for a second.
    expect(shown.x).toBeCloseTo((600 * across) / max, 6);
    expect(shown.y).toBeCloseTo((600 * down) / max, 6);
    expect(settled).toBe(across === 0 && down === 0);
  });
});

test('edges have a speed of their own; with keys both add up, and are no faster than the faster of the two', () => {
  forAll(between(0, 4), fc.boolean(), fc.boolean(), (speed, inCorner, withKey) => {
    const pan = { startHalfLife: 0, stopHalfLife: 0 };
    const edge: Edge = { dwell: 0, speedByDepth: 'constant', speed };
    const camera = new Camera({ start: { x: 0, y: 0, span: 600 }, pan, edge }, { screen });
    camera.advance(0);
    camera.signal({ kind: 'hover', x: 800, y: inCorner ? 600 : 300, time: 0 });
    if (withKey) camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 0 });
    camera.advance(100);
    const right = (inCorner ? Math.SQRT1_2 * speed : speed) + (withKey ? 1 : 0);
    const down = inCorner ? Math.SQRT1_2 * speed : 0;
    const most = withKey ? Math.max(1, speed) : speed;
    const kept = Math.min(1, most / Math.max(Math.hypot(right, down), 1e-300));
    // A screen height a second, for a tenth of one.
    expect(camera.shown.x).toBeCloseTo(60 * right * kept, 6);
    expect(camera.shown.y).toBeCloseTo(60 * down * kept, 6);
  });
});

test('a share counts the shorter side and is capped; it starts after the dwell and goes on while the pointer rests', () => {
  expect(resting({ right: 0.05 }, 800 - 31, 300).shown.x).toBe(0);
  expect(resting({ right: 0.05 }, 800 - 29, 300).shown.x).toBeGreaterThan(0);
  expect(resting({ right: 0.2, maxWidth: 40 }, 800 - 41, 300).shown.x).toBe(0);
  const camera = resting({ dwell: 0.25, speedByDepth: 'constant' }, 799, 300, 200);
  expect([camera.shown.x, camera.settled]).toEqual([0, false]);
  camera.advance(1250);
  expect(camera.shown.x).toBeCloseTo(600, 6);
  camera.signal({ kind: 'hover', time: 1250 });
  camera.advance(1300);
  expect(camera.settled).toBe(true);
  // Through a band and out again before the dwell is over: nothing.
  const passing = resting({ dwell: 0.25 }, 799, 300, 100);
  passing.signal({ kind: 'hover', x: 400, y: 300, time: 150 });
  passing.advance(1000);
  expect([passing.shown.x, passing.settled]).toEqual([0, true]);
  expect(passing.signal({ kind: 'hover', x: 401, y: 300 })).toBe(false);
});

test('G9: a release takes the pointer from the edge; keys and edge add up to one vector that is capped once', () => {
  const camera = resting({ dwell: 0, speedByDepth: 'constant' }, 799, 300, 0);
  camera.signal({ kind: 'key', code: 'KeyS', down: true, time: 0 });
  camera.advance(1000);
  expect([camera.shown.x, camera.shown.y].map((at) => at / 600)).toEqual([
    expect.closeTo(Math.SQRT1_2, 9),
    expect.closeTo(Math.SQRT1_2, 9),
  ]);
  camera.signal({ kind: 'release', time: 1000 });
  camera.advance(1100);
  expect(camera.settled).toBe(true);
});

/** How far it goes in a second of resting at the middle of each side: left, top, right, bottom; world units. */
function pushes(edge: Edge, settings: Settings = {}): number[] {
  return (
    [
      [0, 300],
      [400, 0],
      [800, 300],
      [400, 600],
    ] as const
  ).map(([x, y]) => {
    const pan = { startHalfLife: 0, stopHalfLife: 0 };
    const all = { start: { x: 0, y: 0, span: 600 }, pan, ...settings, edge: { dwell: 0, ...edge } };
    const camera = new Camera(all, { screen });
    camera.advance(0);
    camera.signal({ kind: 'hover', x, y, time: 0 });
    camera.advance(1000);
    return Math.round(Math.abs(camera.shown.x) + Math.abs(camera.shown.y));
  });
}

test('one width does for all sides, a named side switches the others off, and each side may have a speed', () => {
  expect(pushes({})).toEqual([600, 600, 600, 600]);
  expect(pushes({ width: 20, unit: 'pixels' })).toEqual([600, 600, 600, 600]);
  expect(pushes({ left: 20, unit: 'pixels' })).toEqual([600, 0, 0, 0]);
  expect(pushes({ left: 0, width: 0.05 })).toEqual([0, 600, 600, 600]);
  expect(pushes({ speed: 0.5, sideSpeeds: { top: 2, bottom: 0 } })).toEqual([300, 600, 300, 0]);
  const on = new Camera({ edge: true });
  expect(on.settings.edge).toEqual(new Camera({ edge: {} }).settings.edge);
  on.change({ edge: { left: 0 } });
  on.change({ edge: true });
  expect(on.settings.edge?.left).toBe(0);
  expect(() => new Camera({ edge: { width: 'x' as never } })).toThrow('edge.width');
});

test('along the safe frame, the bands lie beside the panels', () => {
  const at = (x: number, along: 'screen' | 'safe-frame'): number => {
    const settings: Settings = { start: { x: 0, y: 0, span: 600 }, safeFrame: { left: 200 } };
    const camera = new Camera({ ...settings, edge: { dwell: 0, along, speedByDepth: 'constant' } }, { screen });
    camera.advance(0);
    const from = camera.shown.x;
    camera.signal({ kind: 'hover', x, y: 300, time: 0 });
    camera.advance(1000);
    return Math.sign(Math.round(camera.shown.x - from)) + 0;
  };
  expect([at(210, 'safe-frame'), at(230, 'safe-frame'), at(210, 'screen'), at(5, 'screen')]).toEqual([-1, 0, 0, -1]);
});

test('an event says at which sides the pointer pans', () => {
  const camera = new Camera({ edge: { dwell: 0.1 } }, { screen });
  const seen: string[] = [];
  when(camera, 'edge', ({ time, sides }) => seen.push(`${String(time)} ${sides.join('+')}`));
  camera.advance(0);
  const hover = (time: number, x?: number, y?: number): void => {
    camera.signal({ kind: 'hover', time, ...(x === undefined || y === undefined ? {} : { x, y }) });
  };
  hover(100, 799, 300);
  camera.advance(400);
  hover(500, 799, 599);
  hover(600);
  camera.advance(700);
  // What ends the pan without the pointer is told, too.
  hover(800, 799, 300);
  camera.advance(1000);
  camera.signal({ kind: 'release', time: 1050 });
  camera.advance(1100);
  hover(1200, 799, 300);
  camera.advance(1400);
  camera.change({ locked: ['pan'] });
  camera.advance(1500);
  expect(seen).toEqual(['200 right', '500 right+bottom', '600 ', '900 right', '1050 ', '1300 right', '1400 ']);
});
