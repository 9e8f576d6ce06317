/** One practitioner's way: one ability after another, each run and looked at before the next is added. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import { Camera, tiles, tilted, type Settings } from '../src/index.ts';
import { travel } from '../src/direct/index.ts';
import { SimulatedPlayer } from '../src/simulation/index.ts';

test('from panning by keys to panels: each step does what it adds, and what was there goes on', async () => {
  const camera = new Camera({
    start: { x: 500, y: 400, span: 400 },
    bindings: { panUp: ['KeyW'], panRight: ['KeyD'] },
  });
  const player = new SimulatedPlayer(camera);
  const add = (settings: Settings): void => {
    camera.change(settings);
    player.settle();
  };
  /** How far a key held for a second goes, world units. */
  const went = (codes: Parameters<SimulatedPlayer['hold']>[0], seconds = 1): { x: number; y: number } => {
    const { x, y } = player.settle();
    player.hold(codes, seconds);
    const end = player.settle();
    return { x: end.x - x, y: end.y - y };
  };

  // Pan by keys: along the screen's own directions.
  expect(went('KeyD').x).toBeGreaterThan(300);
  expect(went('KeyW').y).toBeLessThan(-300);
  // Speed, in units a second, and the same on every zoom.
  add({ pan: { speed: 150, speedUnit: 'world-units', startHalfLife: 0, stopHalfLife: 0 } });
  expect(went('KeyD').x).toBeCloseTo(150, 0);
  // Speed by height: in screen heights again, it follows the zoom.
  add({ pan: { speed: 0.5, speedUnit: 'screen-heights' } });
  expect(went('KeyD').x).toBeCloseTo(0.5 * 400, 0);
  camera.place({ span: 800 });
  expect(went('KeyD').x).toBeCloseTo(0.5 * 800, 0);
  camera.place({ span: 400 });
  // Fast mode.
  add({ pan: { fasterFactor: 3 } });
  expect(went(['KeyD', 'ShiftLeft']).x).toBeCloseTo(0.5 * 400 * 3, 0);
  // Edges, one side first.
  add({ edge: { unit: 'pixels', right: 30, dwell: 0 } });
  const atEdge = (x: number): number => {
    const before = player.settle().x;
    player.point({ x, y: 400 });
    player.wait(0.5);
    player.point();
    return player.settle().x - before;
  };
  expect([atEdge(1278) > 50, atEdge(2)]).toEqual([true, 0]);
  add({ edge: { width: 30, right: null } });
  expect(atEdge(2)).toBeLessThan(-50);
  // Smooth start and stop.
  add({ pan: { startHalfLife: 0.1, stopHalfLife: 0.1 } });
  const eased = player.hold('KeyD', 0.2).x;
  expect(player.settle().x).toBeGreaterThan(eased + 10);
  // Zoom between limits, eased, and to the cursor.
  add({ zoom: { minSpan: { pixelsPerUnit: 8 }, maxSpan: { pixelsPerUnit: 0.5 }, notch: 1.2 } });
  const under = player.view.toGround(900, 200);
  player.wheel(4, { x: 900, y: 200 });
  expect(player.settle().span).toBeCloseTo(400 / 1.2 ** 4, 6);
  player.expectUnder(under ?? undefined, { x: 900, y: 200 });
  player.wheel(-40, { x: 900, y: 200 });
  expect(player.settle().scale).toBeCloseTo(0.5, 9);
  // Drag: the map sticks to the hand.
  add({ bindings: { drag: ['MouseRight', 'Touch'] } });
  const [held] = player.drag({ from: { x: 500, y: 300 }, to: { x: 800, y: 500 }, input: 'MouseRight' });
  player.settle();
  player.expectUnder(held, { x: 800, y: 500 });
  // Turn and tilt, inside limits, with the horizon level.
  add({ bindings: { turnRight: ['KeyE'], tiltUp: ['KeyF'] }, pitch: { degrees: 60, min: 30, max: 80 } });
  const heading = player.view.heading;
  player.hold('KeyE', 1);
  expect(player.settle().heading - heading).toBeCloseTo(90, 0);
  player.hold('KeyF', 3);
  expect(player.settle().pitch).toBe(30);
  // Limits of the map.
  add({ bounds: { left: 0, top: 0, right: 2000, bottom: 1500 } });
  player.hold('KeyD', 3);
  player.settle();
  player.expectInsideBounds();
  // Isometric, by a preset, and back to a pitch that follows the zoom, and a lens.
  add(tiles({ width: 64, height: 32, side: 16 }));
  expect(player.view.pitch).toBeCloseTo(30, 9);
  expect(Math.abs(player.view.heading % 90)).toBe(45);
  add({ ...tilted({ eyeHeight: 100 }, { eyeHeight: 900 }), zoom: { stops: null }, turn: { stops: null } });
  camera.place({ span: { eyeHeight: 100 }, pitch: 40 }); // and forget what the player tilted
  expect(player.settle().pitch).toBeCloseTo(40, 6);
  camera.place({ span: { eyeHeight: 900 } });
  expect(player.settle().pitch).toBeCloseTo(70, 6);
  // Touch.
  camera.place({ x: 1000, y: 700, span: 300 });
  player.settle();
  const fingers = player.pinch({
    from: [
      { x: 600, y: 400 },
      { x: 700, y: 400 },
    ],
    to: [
      { x: 560, y: 380 },
      { x: 740, y: 420 },
    ],
    rest: 1,
  });
  expect(fingers.map(({ error }) => error < 0.01)).toEqual([true, true]);
  // Look at a thing, and back.
  player.settle();
  const before = camera.shown;
  const going = travel(camera, { x: 700, y: 500, span: 150 });
  player.settle();
  expect((await going).outcome).toBe('arrived');
  player.expectUnder({ x: 700, y: 500 }, { x: 640, y: 400 });
  void travel(camera, before);
  const back = player.settle();
  expect([back.x, back.y, back.span]).toEqual([expect.closeTo(before.x, 6), expect.closeTo(before.y, 6), before.span]);
  // Panels: the middle is that of what they leave.
  add({ safeFrame: { left: 280 } });
  player.expectUnder({ x: player.view.x, y: player.view.y }, { x: 280 + 500, y: 400 });
});
