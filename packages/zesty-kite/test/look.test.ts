/** Looks, anchors, stops, ranges and worlds that repeat, as a program meets them. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { straightDown, terrainOf, terrainOfGrid, tilted, tiles, trueIsometric, type Settings } from '../src/index.ts';
import { reviewSettings } from '../src/review/index.ts';
import { forRuns } from './law.ts';
import { Camera } from './shapes.ts';
import { between, pixelsBetween, screens } from './steering.ts';

const screen = { width: 1280, height: 800 };

function settle(camera: Camera, from: number): void {
  for (let time = from; time <= from + 6000; time += 50) camera.advance(time);
}

test('tiles of w × h pixels land on exactly that many device pixels at a scale of 1, whatever their side', () => {
  forRuns(
    40,
    fc.integer({ min: 8, max: 256 }),
    between(0.1, 1),
    between(0.5, 64),
    fc.constantFrom(1, 1.5, 2),
    (width, flat, side, density) => {
      const height = width * flat;
      const look = tiles({ width, height, side, scales: [1] });
      const camera = new Camera(
        { ...look, zoom: { ...look.zoom, minSpan: 1e-3, maxSpan: 1e6 } },
        { screen: { ...screen, density } },
      );
      camera.signal({ kind: 'wheel', x: 640, y: 400, notches: -1, time: 0 });
      camera.signal({ kind: 'wheel', x: 640, y: 400, notches: 2, time: 1000 });
      settle(camera, 0);
      const { view } = camera;
      const [west, east] = [view.toScreen(0, 0), view.toScreen(side, side)];
      const [north, south] = [view.toScreen(side, 0), view.toScreen(0, side)];
      expect((Math.abs(east.x - west.x) * density) / width).toBeCloseTo(1, 6);
      expect((Math.abs(south.y - north.y) * density) / height).toBeCloseTo(1, 6);
    },
  );
  expect(() => tiles({ width: 32, height: 64 })).toThrow(
    'tiles: expected a width above 0 and a height up to the width, got 32 × 64 pixels',
  );
});

test('the x axis of tiles points to the upper right, or to the lower right where that is asked for; y a quarter turn on', () => {
  for (const [xToward, down] of [
    ['upper-right', -1],
    ['lower-right', 1],
  ] as const)
    for (const look of [tiles({ width: 64, height: 32, xToward }), trueIsometric({ xToward })]) {
      const camera = new Camera(look, { screen });
      const view = camera.advance(0);
      const origin = view.toScreen(view.x, view.y);
      const alongX = view.toScreen(view.x + 1, view.y);
      const alongY = view.toScreen(view.x, view.y + 1);
      expect(alongX.x - origin.x).toBeGreaterThan(0);
      expect(Math.sign(alongX.y - origin.y)).toBe(down);
      expect(alongY.y - origin.y).toBeGreaterThan(0);
      expect(Math.sign(alongY.x - origin.x)).toBe(-down);
      // Quarters from there.
      camera.turn(90);
      for (let time = 0; time < 3000; time += 16) camera.advance(time);
      expect(camera.shown.heading).toBe(down < 0 ? 135 : 45);
    }
  expect(() => trueIsometric({ xToward: 'left' as 'upper-right' })).toThrow(
    'xToward: expected one of upper-right, lower-right, got "left"',
  );
});
test('true isometric shows the three axes equally long; straight down shows a plan; tilted follows the zoom', () => {
  const at = (settings: Settings): Camera => {
    const camera = new Camera({ ...settings, start: { ...settings.start, span: 600 } }, { screen });
    camera.advance(0);
    return camera;
  };
  const { view } = at(trueIsometric());
  const middle = view.toScreen(0, 0, 0);
  const lengths = [view.toScreen(100, 0, 0), view.toScreen(0, 100, 0), view.toScreen(0, 0, 100)].map((end) =>
    pixelsBetween(end, middle),
  );
  expect(lengths[1]).toBeCloseTo(lengths[0] ?? NaN, 6);
  expect(lengths[2]).toBeCloseTo(lengths[0] ?? NaN, 6);
  expect(at(straightDown()).view.affine().b).toBe(-0);
  expect(at(tilted()).view.pitch).toBe(70);
});

test('zoom about the ground below the eye leaves it there; about the focus leaves the focus; out and in may differ', () =>
  forRuns(
    40,
    between(20, 80),
    between(20, 60),
    between(-4, 4),
    between(-180, 180),
    (pitch, fieldOfView, notches, heading) => {
      const zoom = { anchor: 'below-eye' as const, outAnchor: 'focus' as const };
      const camera = new Camera(
        { zoom, pitch: { degrees: pitch }, lens: { fieldOfView }, start: { heading } },
        { screen },
      );
      const before = camera.advance(0).eye();
      const { x, y } = camera.shown;
      camera.signal({ kind: 'wheel', x: 100, y: 100, notches: -notches, time: 0 });
      for (let time = 16; time < 1500; time += 16) {
        const eye = camera.advance(time).eye();
        if (notches < 0) expect(Math.hypot(eye.x - before.x, eye.y - before.y)).toBeLessThan(1e-6);
        else expect([camera.shown.x, camera.shown.y]).toEqual([x, y]);
      }
    },
  ));

test('three quick quarter turns turn 270°, about a point of the ground that stays where it shows; a range turns the inside way', () => {
  const camera = new Camera({ pitch: { degrees: 40 }, lens: { fieldOfView: 40 } }, { screen });
  const was = { ...camera.advance(0).toScreen(20, 12) };
  for (let i = 0; i < 3; i++) camera.turn(90, { x: 20, y: 12 });
  for (let time = 0; time < 4000; time += 16)
    expect(pixelsBetween(camera.advance(time).toScreen(20, 12), was)).toBeLessThan(1e-3);
  expect(camera.shown.heading).toBe(270);
  camera.change({ turn: { min: -100, max: 100 } });
  settle(camera, 4000);
  expect(camera.shown.heading).toBeCloseTo(-90, 9);
  camera.signal({ kind: 'turn', degrees: -5000, time: 10_000 });
  settle(camera, 10_000);
  settle(camera, 16_000);
  expect(camera.shown.heading).toBe(-100);
});

test('a narrow place limits the zoom only for as long as the view is turned across it', () => {
  const bounds = { left: 0, top: 0, right: 3000, bottom: 500, whenViewIsLarger: 'limit-zoom' as const };
  const camera = new Camera({ bounds, start: { span: 480 } }, { screen: { width: 1600, height: 800 } });
  const wide = camera.advance(0).span;
  camera.turn(90);
  settle(camera, 0);
  expect(camera.view.span).toBeCloseTo(250, 6);
  camera.turn(90);
  settle(camera, 6000);
  expect(camera.view.span).toBeCloseTo(wide, 6);
});

test('zoom ranges and stops in pixels per unit mean what shows, on any screen', () =>
  forRuns(15, screens, (size) => {
    const zoom = {
      minSpan: { pixelsPerUnit: 8 },
      maxSpan: { pixelsPerUnit: 0.5 },
      stops: [0.5, 1, 2, 4, 8],
      stopUnit: 'pixels-per-unit' as const,
    };
    const camera = new Camera({ zoom, resize: { keep: 'scale' } }, { screen: size });
    camera.signal({ kind: 'wheel', x: 0, y: 0, notches: -99, time: 0 });
    settle(camera, 0);
    expect(camera.view.scale).toBeCloseTo(0.5, 9);
    for (const [i, scale] of [1, 2, 4, 8, 8].entries()) {
      camera.signal({ kind: 'wheel', x: 9, y: 9, notches: 0.5, time: 6000 + i * 7000 });
      camera.signal({ kind: 'wheel', x: 9, y: 9, notches: 0.5, time: 6000 + i * 7000 });
      settle(camera, 6001 + i * 7000);
      expect(camera.view.scale).toBeCloseTo(scale, 9);
    }
  }));

test('in a world that repeats itself a camera goes on and on, and is handed out inside the first copy', () => {
  const camera = new Camera(
    {
      wrap: { x: 400 },
      bounds: { left: 0, top: 0, right: 400, bottom: 300 },
      start: { x: 390, y: 150, span: 80 },
      zoom: { maxSpan: 9000 },
    },
    { screen },
  );
  camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 0 });
  const seen: number[] = [];
  for (let time = 0; time < 9000; time += 20) {
    const { x, y } = camera.advance(time);
    seen.push(x);
    expect(y).toBeLessThanOrEqual(260.001);
  }
  expect(Math.max(...seen)).toBeLessThanOrEqual(400);
  expect(Math.min(...seen)).toBeGreaterThanOrEqual(0);
  expect(seen.filter((x, i) => i > 0 && x < (seen[i - 1] ?? 0)).length).toBeGreaterThan(1);
  camera.signal({ kind: 'wheel', x: 0, y: 0, notches: -99, time: 9000 });
  camera.advance(12_000);
  expect(camera.view.span).toBeLessThanOrEqual(400);
});

test('in a world that repeats itself, a turn about a point of the next copy leaves that point where it shows', () => {
  const camera = new Camera({ wrap: { x: 400, y: 400 }, start: { x: 395, y: 200, span: 100 } }, { screen });
  camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 0 });
  camera.signal({ kind: 'key', code: 'KeyD', down: false, time: 2000 });
  for (let time = 0; time < 6000; time += 20) camera.advance(time);
  const { x, y } = camera.view;
  const point = { x: (x + 20) % 400, y };
  const was = { ...camera.view.toScreen(point.x, point.y) };
  camera.signal({ kind: 'turn', degrees: 70, about: point, time: 6000 });
  for (let time = 6000; time < 9000; time += 20) {
    camera.advance(time);
    expect(pixelsBetween(camera.view.toScreen(point.x, point.y), was)).toBeLessThan(1e-3);
  }
  expect(camera.shown.heading).toBeCloseTo(70, 3);
});

test('what a hand pulls over an elastic edge is capped, and comes back when it lets go', () => {
  const bounds = { left: 0, top: 0, right: 1000, bottom: 1000, elastic: 0.2 };
  const camera = new Camera({ bounds, start: { x: 100, y: 500, span: 200 } }, { screen: { width: 800, height: 800 } });
  camera.advance(0);
  camera.hold(1, 100, 400);
  let last = 0;
  for (let x = 100; x <= 5000; x += 100) {
    camera.hold(1, x, 400);
    camera.advance(x);
    expect(camera.boundsExcess).toBeGreaterThanOrEqual(last);
    expect(camera.boundsExcess).toBeLessThanOrEqual(0.2 * 200);
    last = camera.boundsExcess;
  }
  expect(last).toBeGreaterThan(20);
  camera.unhold();
  settle(camera, 6000);
  expect([camera.settled, camera.shown.x]).toEqual([true, 100]);
});

test('insets ease, the focus stays in the middle of what is left, and nothing else moves', () => {
  const camera = new Camera({ resize: { keep: 'scale' }, safeFrame: { halfLife: 0.1 } }, { screen });
  const { scale } = camera.advance(0);
  camera.change({ safeFrame: { left: 400, top: 0, right: 0, bottom: 200 } });
  let last = 640;
  for (let time = 0; time < 3000; time += 16) {
    const view = camera.advance(time);
    const middle = view.toScreen(camera.shown.x, camera.shown.y);
    expect(middle.x).toBeCloseTo(view.projection.middleX, 6);
    expect(middle.x).toBeGreaterThanOrEqual(last - 1e-9);
    expect(middle.x - last).toBeLessThan(40);
    expect(view.scale).toBeCloseTo(scale, 9);
    last = middle.x;
  }
  expect([last, camera.settled]).toEqual([840, true]);
});

test('terrain that cannot be is refused by what is wrong with it, and odd heights count as the end of the range', () => {
  const odd = terrainOf({
    id: 'odd',
    lowest: 0,
    highest: 9,
    feature: 1,
    heightAt: (x) => [NaN, Infinity, -4, 40, 3][x] ?? 0,
  });
  expect([0, 1, 2, 3, 4].map((x) => odd.heightAt(x, 0))).toEqual([0, 0, 0, 9, 3]);
  expect(() => terrainOf({ ...odd, feature: 0 })).toThrow(
    'terrain.feature: expected a length above 0, such as 2, got 0',
  );
  expect(() => terrainOfGrid({ id: 'g', columns: 2, rows: 2, step: 1, heights: [1, 2, 3] })).toThrow(
    'terrain.heights: expected columns · rows, 4, got 3 samples',
  );
  expect(() => terrainOfGrid({ id: 'g', columns: 2, rows: 2, step: 1, heights: [1, 2, NaN, 4] })).toThrow(
    'terrain.heights[2]: expected a finite number from -1e12 to 1e12, got NaN',
  );
});

const doubtful: [string, Settings, RegExp][] = [
  [
    'a horizon',
    { pitch: { degrees: 20 }, lens: { fieldOfView: 60 } },
    /^lens.fieldOfView: at spans from 12 to 4096 the horizon shows, up to 147.\d px below the top of a 1280 × 800 screen/,
  ],
  [
    'a view beyond what bounds keep',
    { pitch: { degrees: 13 }, lens: { fieldOfView: 25 }, bounds: { left: 0, top: 0, right: 9e5, bottom: 9e5 } },
    /^bounds.keep: at the flattest pitch \(13, field of view 25, span .*\) the top 25.\d* % of the view may show what lies beyond the bounds, as they guard 2 spans beyond the focus\. Set a pitch of 27 or more/,
  ],
  [
    'a lens over 2 × pitch',
    { pitch: { degrees: 20 }, lens: { fieldOfView: 50 } },
    /the lens is wider than twice the pitch, 50 at a pitch of 20; use at most 40/,
  ],
  [
    'a curve too steep for two fingers',
    {
      pitch: {
        degrees: [
          [100, 20],
          [110, 80],
        ],
      },
    },
    /^pitch.degrees: at spans from 10\d.* the pitch rises faster than two fingers can follow/,
  ],
  [
    'a view wider than the map',
    { zoom: { maxSpan: 4096 }, bounds: { left: 0, top: 0, right: 400, bottom: 900 } },
    /^bounds.whenViewIsLarger: at spans from 25\d.* to 4096 the view is up to 16.38 times larger than the bounds/,
  ],
  [
    'broken pixels',
    { zoom: { stops: [0.5, 1.4, 2], stopUnit: 'device-pixels-per-unit' } },
    /^zoom.stops\[1\]: 1.4 device pixels per unit is not a whole number.*use 1/,
  ],
  [
    'needle-sharp corners',
    {
      bounds: {
        polygon: [
          [0, 0],
          [1000, 0],
          [900, 90],
        ],
      },
    },
    /^bounds.polygon: the corner at \(0, 0\) is 5.711 degrees sharp/,
  ],
  [
    'hardly any zoom',
    { zoom: { minSpan: 100, maxSpan: 120 } },
    /^zoom.notch: only 1.913 notches lead from the nearest zoom \(100\) to the farthest \(120\); at least 3 feel smooth/,
  ],
  ['bands of 200 px', { edge: { width: 200, unit: 'pixels' } }, /^edge.width: a band of 200 px pans/],
  ['one wide band', { edge: { left: 0.4, maxWidth: 300 } }, /^edge.left: a band of 300 px pans/],
  ['a band on one side', { edge: { top: 20, unit: 'pixels' } }, /^edge.top: no other side has a band/],
  ['a notch of 3', { zoom: { notch: 3 } }, /^zoom.notch: three notches show 27 times as much\. Set 1.04 to 1.2/],
  ['a speed of 20', { pan: { speed: 20 } }, /^pan.speed: at spans from 12 to 4096 held keys pan 20 screen heights/],
  [
    'units a second that race near by',
    { pan: { speed: 200, speedUnit: 'world-units' } },
    /^pan.speed: at spans from 12 to 39\.\d+ held keys pan 16.67 screen heights a second/,
  ],
  [
    'a start outside of the zoom',
    { start: { span: 900 }, zoom: { maxSpan: 600 } },
    /^start.span: the span at the start, 900, is outside the zoom range, .*; set zoom.maxSpan to 900/,
  ],
  ['stops outside of the zoom', { zoom: { stops: [5, 50], minSpan: 10 } }, /^zoom.stops\[0\]: 5 is never reached/],
  [
    'a look whose corners are never seen',
    {
      ...trueIsometric(),
      zoom: { minSpan: 150 },
      bounds: { left: 0, top: 0, right: 500, bottom: 500, keep: 'view' },
    },
    /^bounds.keep: \d+(\.\d+)? % of the map can never be seen/,
  ],
];

test.each(doubtful)('a second look at settings warns of %s, with numbers', (_what, settings, expected) => {
  const lines = reviewSettings(settings, screen).map(({ path, message }) => `${path}: ${message}`);
  expect(lines.some((line) => expected.test(line)) ? 'warned' : lines).toBe('warned');
});

test.each<Settings>([
  // As in the README.
  { bounds: { left: 0, top: 0, right: 1024, bottom: 768 } },
  { ...tilted(), bounds: { left: 0, top: 0, right: 9000, bottom: 9000 }, zoom: { maxSpan: 900 } },
])('a second look at good settings has nothing to say', (settings) => {
  expect(reviewSettings(settings, screen)).toEqual([]);
});
