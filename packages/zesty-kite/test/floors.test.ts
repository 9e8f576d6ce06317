/** Floors: the plane that the camera goes by. And what is drawn of directing. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import { directing, Floors, follow, frame, travel } from '../src/direct/index.ts';
import { forAll } from './law.ts';
import { Camera } from './shapes.ts';
import { between, hills, pixelsBetween, play, screens, settingsWith } from './steering.ts';
import fc from 'fast-check';

test('on a floor everything is as on the ground, only higher: picks, grips and what shows where', () =>
  forAll(
    settingsWith(false),
    screens,
    between(-200, 200),
    between(0.1, 0.9),
    between(0.5, 0.9),
    fc.boolean(),
    (settings, screen, height, u, v, hilly) => {
      const terrain = hilly ? hills : null;
      const ground = { clearance: 0 };
      const low = new Camera({ ...settings, ground }, { screen, terrain });
      const high = new Camera({ ...settings, ground: { ...ground, floor: height } }, { screen, terrain });
      for (const camera of [low, high]) {
        camera.advance(0);
        camera.signal({ kind: 'wheel', x: u * screen.width, y: v * screen.height, notches: 2, time: 1 });
        camera.signal({ kind: 'turn', degrees: 20, time: 200 });
        play(camera, 0, 1200);
      }
      const risen = high.shown.focusHeight - low.shown.focusHeight;
      expect(Math.abs(risen - height) / low.view.span).toBeLessThan(1e-10);
      const below = low.view.toGround(u * screen.width, v * screen.height);
      const above = high.view.toGround(u * screen.width, v * screen.height);
      if (below === null || above === null) return;
      expect((above.x - below.x) / low.view.span).toBeCloseTo(0, 5);
      // A line of sight that grazes a slope meets it a little elsewhere: each height is compared with its own ground.
      for (const [spot, floor] of [
        [above, height],
        [below, 0],
      ] as const)
        expect(spot.height - floor - (terrain?.heightAt(spot.x, spot.y) ?? 0)).toBeCloseTo(0, 4);
    },
  ));

test('from floor to floor it goes eased, up and down, no farther than there are floors, and a session has it', () => {
  const camera = new Camera(
    { start: { x: 0, y: 0, span: 60 }, pitch: { degrees: 50 } },
    { screen: { width: 800, height: 600 } },
  );
  const floors = new Floors(camera, [-3, 0, 3, 6]);
  camera.advance(0);
  expect(floors.floor).toBe(1);
  const heights: number[] = [];
  floors.go(9);
  for (let time = 16; time < 6000; time += 16) heights.push(camera.advance(time).focusHeight);
  expect(floors.floor).toBe(3);
  expect(heights.every((height, i) => height >= (heights[i - 1] ?? 0) - 1e-9)).toBe(true);
  expect(Math.max(...heights.map((height, i) => height - (heights[i - 1] ?? 0)))).toBeLessThan(1.5);
  expect(camera.shown.focusHeight).toBe(6);
  floors.go(floors.floor - 2);
  play(camera, 6000, 12_000);
  expect(camera.shown.focusHeight).toBe(0);
  expect(camera.settled).toBe(true);
  expect(() => new Floors(camera, [3, 0])).toThrow(
    'floors.heights: expected heights that rise, such as [0, 3, 6], got [3,0]',
  );
});

test('the way of a journey, the zone of what is followed and the box of what is framed can be drawn', () => {
  const camera = new Camera({ start: { x: 0, y: 0, span: 60 } }, { screen: { width: 800, height: 600 } });
  camera.advance(0);
  expect(directing(camera)).toEqual([]);
  const { to, corners } = frame(camera, [
    { x: 100, y: 50, radius: 5 },
    { x: 140, y: 20 },
  ]);
  expect(corners).toEqual([
    { x: 95, y: 20 },
    { x: 140, y: 20 },
    { x: 140, y: 55 },
    { x: 95, y: 55 },
  ]);
  void travel(camera, to);
  camera.advance(100);
  const [way] = directing(camera);
  expect(way).toMatchObject({ on: 'ground', closed: false });
  expect(way?.points[0]).toMatchObject({ x: camera.shown.x, y: camera.shown.y });
  expect(way?.points[1]?.x).toBeCloseTo(to.x, 9);
  play(camera, 100, 5000);
  follow(camera, { x: to.x, y: to.y }, { deadZone: { diameter: 0.5 } });
  camera.advance(5020);
  const [zone] = directing(camera);
  expect(zone).toMatchObject({ on: 'screen', closed: true });
  for (const point of zone?.points ?? []) expect(pixelsBetween(point, { x: 400, y: 300 })).toBeCloseTo(150, 6);
});
