/** Framing: everything shows, just so; and what kept it from that is named. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { Camera, createMatrices, fillMatrices, terrainOf, type Settings, type View } from '../src/index.ts';
import { followGroup, frame, travel, type Framed, type Thing } from '../src/direct/index.ts';
import { forRuns } from './law.ts';
import { between, hills } from './steering.ts';

const lenses = fc.oneof(
  fc.constant<Settings['lens']>({}),
  fc.record({ fieldOfView: between(5, 50) }),
  fc.record({ distance: between(300, 4000) }),
  fc.constant<Settings['lens']>({
    fieldOfView: [
      [10, 20],
      [800, 50],
    ],
  }),
);
const pitches = fc.oneof(
  fc.record({ degrees: between(35, 90) }),
  fc.constant<Settings['pitch']>({
    degrees: [
      [10, 40],
      [500, 85],
    ],
  }),
  fc.constant<Settings['pitch']>({ degrees: { near: 45, far: 80, at: 300 } }),
);
const coordinate = between(-400, 400);
const some = fc.array(
  fc.oneof(
    fc.record({ x: coordinate, y: coordinate }),
    fc.record({ x: coordinate, y: coordinate, height: between(0, 60), radius: between(0, 80) }),
    fc.record({ x: between(-50, 50), y: between(-50, 50), height: between(0, 60), radius: between(0, 200) }),
    fc
      .tuple(coordinate, coordinate, between(1, 80), between(1, 80), between(1, 40))
      .map(([left, top, wide, deep, high]) => ({ left, top, right: left + wide, bottom: top + deep, low: 0, high })),
    fc.array(fc.tuple(coordinate, coordinate), { minLength: 3, maxLength: 6 }).map((ring) => ({
      type: 'Feature',
      geometry: { type: 'Polygon', coordinates: [ring] },
    })),
  ),
  { minLength: 1, maxLength: 4 },
);
/** A crowd around the middle, which surrounds some of the things, or none. */
const crowds = fc
  .tuple(fc.boolean(), between(1, 300), between(0, 60), between(0, 60))
  .map(([isThere, wide, low, high]): Thing[] =>
    Array.from({ length: isThere ? 96 : 0 }, (_, i) => ({
      x: wide * Math.cos(i),
      y: wide * Math.sin(i),
      height: low + (high * (i % 7)) / 7,
    })),
  );
const things = fc.tuple(some, crowds).map(([few, crowd]): Thing[] => [...few, ...crowd]);
const paddings = fc.record({
  left: between(0, 100),
  top: between(0, 60),
  right: between(0, 100),
  bottom: between(0, 60),
});
const screens = fc.record({ width: fc.integer({ min: 300, max: 1600 }), height: fc.integer({ min: 300, max: 1000 }) });

/** Points that stand for a thing: corners, and the rim of a circle. */
function pointsOf(thing: Thing, heightAt: (x: number, y: number) => number): (readonly [number, number, number])[] {
  if ('left' in thing)
    return [thing.left, thing.right].flatMap((x) =>
      [thing.top, thing.bottom].flatMap((y) => [thing.low, thing.high].map((height) => [x, y, height] as const)),
    );
  if ('type' in thing) {
    const { coordinates } = thing.geometry as { coordinates: [number, number][][] };
    return coordinates.flat().map(([x, y]) => [x, y, heightAt(x, y)] as const);
  }
  const { x, y, radius = 0, height = heightAt(x, y) } = thing;
  return Array.from({ length: radius > 0 ? 720 : 1 }, (_, i) => {
    const angle = (i * Math.PI) / 360;
    return [x + radius * Math.cos(angle), y + radius * Math.sin(angle), height] as const;
  });
}

/** How much room is left at each side of the padded safe frame, CSS pixels; below 0: how far the outermost point is outside. */
function roomOf(view: View, points: readonly (readonly [number, number, number])[], padding: Padding): Padding {
  const { middleX, middleY, frameWidth, frameHeight } = view.projection;
  const shown = points.map(([x, y, height]) => view.toScreen(x, y, height));
  const most = shown.every(({ inFront }) => inFront) ? 1 : NaN;
  return {
    left: most * (Math.min(...shown.map(({ x }) => x)) - (middleX - frameWidth / 2 + padding.left)),
    right: most * (middleX + frameWidth / 2 - padding.right - Math.max(...shown.map(({ x }) => x))),
    top: most * (Math.min(...shown.map(({ y }) => y)) - (middleY - frameHeight / 2 + padding.top)),
    bottom: most * (middleY + frameHeight / 2 - padding.bottom - Math.max(...shown.map(({ y }) => y))),
  };
}

function outside(view: View, points: readonly (readonly [number, number, number])[], padding: Padding): number {
  return -Math.min(...Object.values(roomOf(view, points, padding)));
}
/** Whether a point is neither before the near plane nor beyond the far plane, as matrices have it. */
function isBetweenPlanes(view: View, [x, y, height]: readonly [number, number, number]): boolean {
  const { viewProjection, origin } = fillMatrices(view, matrices);
  const point = [x - (origin[0] ?? 0), height - (origin[1] ?? 0), y - (origin[2] ?? 0), 1];
  const [z = NaN, w = NaN] = [2, 3].map((row) =>
    point.reduce((sum, value, column) => sum + (viewProjection[4 * column + row] ?? NaN) * value, 0),
  );
  return w > 0 && z >= 0 && z <= w;
}
const matrices = createMatrices('y', '0..1');

type Padding = Readonly<Record<'left' | 'top' | 'right' | 'bottom', number>>;

test('everything shows to 1e-6 px, in the middle to 0.01 px, whole, and touches two sides of the padded safe frame', () => {
  let [middle, tight] = [0, 0];
  forRuns(
    500,
    things,
    lenses,
    pitches,
    paddings,
    screens,
    between(-180, 180),
    fc.boolean(),
    (list, lens, pitch, padding, screen, heading, named) => {
      const settings = {
        zoom: { minSpan: 0.1, maxSpan: 1e5 },
        pitch: { ...pitch, min: 35, max: 90 },
        lens,
        safeFrame: { left: 40, bottom: 30 },
        start: { heading, span: 300 },
      };
      const camera = new Camera(settings, { screen });
      camera.advance(0);
      const { to, fits, limitedBy } = frame(camera, list, { padding, ...(named ? { heading: 30, pitch: 55 } : {}) });
      const points = list.flatMap((thing) => pointsOf(thing, () => 0));
      camera.place(to);
      const view = camera.advance(1);
      expect(fits).toBe(true);
      const { left, right, top, bottom } = roomOf(view, points, padding);
      expect(Math.min(left, right, top, bottom)).toBeGreaterThan(-1e-6);
      expect(points.every((point) => isBetweenPlanes(view, point))).toBe(true);
      // Above the line of four spans beyond the focus nothing is framed.
      if (view.projection.v(padding.top) <= view.projection.reachV) return;
      expect(Math.abs(left - right)).toBeLessThan(0.01);
      expect(Math.abs(top - bottom)).toBeLessThan(0.01);
      middle += 1;
      if (limitedBy.length > 0) {
        expect([limitedBy, to.span]).toEqual([['zoom'], expect.closeTo(camera.spanRange.min, 6)]);
        return;
      }
      tight += Math.min(left, top) < 1e-3 ? 1 : 0;
    },
  );
  expect(middle).toBeGreaterThan(450);
  // A few are as high as the way to the eye: they are framed from farther off.
  expect(tight).toBeGreaterThan(450);
});

/** Circles on a disc, in a square or on a ring: of one height, of few or of many; of one radius, of two or of many. */
const hosts = fc.record({
  seed: fc.integer({ min: 1, max: 1e6 }),
  count: fc.constantFrom(60, 400, 3000),
  shape: fc.constantFrom('disc', 'square', 'circle'),
  storeys: fc.constantFrom(1, 2, 3, 1e6),
  storey: between(0, 800),
  radii: fc.constantFrom(1, 2, 1e6),
  radius: fc.integer({ min: 0, max: 60 }),
});
function hostOf({ seed, count, shape, storeys, storey, radii, radius }: Host): readonly Circle[] {
  let state = seed;
  const random = (): number => (state = (state * 48271) % 0x7fffffff) / 0x7fffffff;
  const step = (steps: number): number => Math.floor(random() * steps) / steps;
  return Array.from({ length: count }, () => {
    const angle = 2 * Math.PI * random();
    const away = shape === 'circle' ? 300 : 300 * Math.sqrt(random());
    const place =
      shape === 'square'
        ? { x: 600 * random(), y: 400 * random() }
        : { x: away * Math.cos(angle), y: away * Math.sin(angle) };
    return { ...place, height: storey * step(storeys), radius: radius * (1 + step(radii)) };
  });
}
type Host = typeof hosts extends fc.Arbitrary<infer T> ? T : never;
type Circle = Readonly<Record<'x' | 'y' | 'height' | 'radius', number>>;

test('of thousands everyone shows, and the outermost touch two sides', () => {
  forRuns(96, hosts, between(35, 90), between(-180, 180), (host, degrees, heading) => {
    const circles = hostOf(host);
    const camera = new Camera(
      { zoom: { minSpan: 0.1, maxSpan: 1e5 }, pitch: { degrees, min: 35, max: 90 }, start: { heading, span: 300 } },
      { screen: { width: 1280, height: 800 } },
    );
    const { to } = frame(camera, circles);
    camera.place(to);
    const view = camera.advance(0);
    const { width, height: high } = view;
    const at = { x: 0, y: 0, depth: 0, inFront: true };
    const least = { left: Infinity, top: Infinity, right: Infinity, bottom: Infinity };
    for (const { x, y, height, radius } of circles)
      for (const [cosine, sine] of RIM) {
        view.toScreen(x + radius * cosine, y + radius * sine, height, at);
        least.left = Math.min(least.left, at.x);
        least.top = Math.min(least.top, at.y);
        least.right = Math.min(least.right, width - at.x);
        least.bottom = Math.min(least.bottom, high - at.y);
      }
    expect(Math.min(...Object.values(least))).toBeGreaterThan(-1e-3);
    // The rim of 36 points is up to half a unit short of a circle.
    expect(Math.min(least.left, least.top)).toBeLessThan(0.01 + (0.5 * 800) / to.span);
  });
});
const RIM = Array.from({ length: 36 }, (_, i) => [Math.cos((i * Math.PI) / 18), Math.sin((i * Math.PI) / 18)] as const);

test('one point, and one that is followed, shows in the middle in every lens', () => {
  forRuns(60, lenses, pitches, between(-300, 300), between(0, 30), fc.boolean(), (lens, pitch, x, height, together) => {
    const camera = new Camera(
      { pitch: { ...pitch, min: 35, max: 90 }, lens, safeFrame: { left: 200, bottom: 90 }, start: { span: 200 } },
      { screen: { width: 1280, height: 800 } },
    );
    camera.advance(0);
    if (together) {
      followGroup(camera, () => [{ x, y: 20 }]);
      for (let time = 0; time < 12_000; time += 16) camera.advance(time);
    } else camera.place(frame(camera, [{ x, y: 20, height }]).to);
    const view = camera.advance(12_000);
    const { middleX, middleY } = view.projection;
    const at = view.toScreen(x, 20, together ? 0 : height);
    expect(Math.hypot(at.x - middleX, at.y - middleY)).toBeLessThan(1);
  });
});

test('whatever is framed shows whole, however high: no point of it is before the near plane', () => {
  forRuns(200, lenses, between(20, 90), between(0.1, 20), between(1, 4000), (lens, degrees, radius, high) => {
    const camera = new Camera(
      { pitch: { degrees, min: 20, max: 90 }, lens, zoom: { minSpan: 1, maxSpan: 1e6 }, start: { span: 100 } },
      { screen: { width: 1280, height: 800 } },
    );
    camera.advance(0);
    const tower = { left: -radius, top: -radius, right: radius, bottom: radius, low: 0, high };
    const { to, fits } = frame(camera, [tower]);
    camera.place(to);
    const view = camera.advance(1);
    expect(fits).toBe(true);
    expect(pointsOf(tower, () => 0).every((point) => isBetweenPlanes(view, point))).toBe(true);
  });
});

test('over hills heights count from the ground where the focus comes to be', () => {
  forRuns(200, things, between(40, 80), screens, (list, degrees, screen) => {
    const camera = new Camera(
      { zoom: { minSpan: 250, maxSpan: 1e5 }, pitch: { degrees, min: 30, max: 90 }, lens: { fieldOfView: 30 } },
      { screen, terrain: hills },
    );
    camera.advance(0);
    const { to, fits } = frame(camera, list);
    camera.place(to);
    const points = list.flatMap((thing) => pointsOf(thing, (x, y) => hills.heightAt(x, y)));
    const off = outside(camera.advance(1), points, { left: 0, top: 0, right: 0, bottom: 0 });
    expect(fits).toBe(off < 1e-3);
    expect(off).toBeLessThan(0.01 * screen.height);
  });
});

test('with zoom stops it is a stop; at an end of the zoom or of the bounds it says so', () => {
  const screen = { width: 800, height: 600 };
  const of = (settings: Settings) => {
    const camera = new Camera(settings, { screen });
    camera.advance(0);
    return camera;
  };
  const pair = [
    { x: -100, y: 0 },
    { x: 100, y: 0 },
  ];
  const stopped = frame(
    of({ zoom: { minSpan: 10, maxSpan: 1000, stops: [40, 100, 180, 400], stopUnit: 'span' } }),
    pair,
  );
  expect(stopped).toMatchObject({ fits: true, limitedBy: ['stops'], to: { span: 180 } });
  expect(frame(of({ zoom: { minSpan: 10, maxSpan: 100 } }), pair)).toMatchObject({
    fits: false,
    limitedBy: ['zoom'],
    to: { span: 100 },
  });
  const inner = { left: -120, top: -300, right: 500, bottom: 300 };
  const bounded = frame(of({ zoom: { minSpan: 10, maxSpan: 400 }, bounds: inner }), pair, { padding: 100 });
  expect(bounded.limitedBy).toEqual(['bounds']);
  const camera = of({ zoom: { minSpan: 10, maxSpan: 400 }, bounds: inner });
  camera.place(bounded.to);
  expect(
    outside(
      camera.advance(1),
      [
        [-100, 0, 0],
        [100, 0, 0],
      ],
      { left: 0, top: 0, right: 0, bottom: 0 },
    ),
  ).toBeLessThan(1e-3);
});

test('what is framed is travelled to, and shows', async () => {
  const camera = new Camera({ zoom: { minSpan: 10, maxSpan: 1000 } }, { screen: { width: 800, height: 600 } });
  camera.advance(0);
  const pair = [
    { x: 300, y: 200, radius: 20 },
    { x: 400, y: -100 },
  ];
  const arrival = travel(camera, frame(camera, pair, { padding: 30 }).to);
  for (let time = 16; time < 6000; time += 16) camera.advance(time);
  expect((await arrival).outcome).toBe('arrived');
  const off = outside(
    camera.view,
    pair.flatMap((thing) => pointsOf(thing, () => 0)),
    { left: 30, top: 30, right: 30, bottom: 30 },
  );
  expect(Math.abs(off)).toBeLessThan(1e-3);
});

test('what is no thing is refused with its place', () => {
  const camera = new Camera({}, { screen: { width: 800, height: 600 } });
  const refused =
    (list: unknown, options = {}) =>
    () =>
      frame(camera, list as Thing[], options);
  expect(refused([])).toThrow('frame.things: expected at least one with a place, got []');
  expect(refused({ x: 1, y: 2 })).toThrow(
    'frame.things: expected a list of points, circles, boxes or GeoJSON, got {"x":1,"y":2}',
  );
  expect(
    refused([
      { x: 1, y: 2 },
      { x: 1, y: NaN },
    ]),
  ).toThrow(/frame\.things\[1\]: expected .*, got /);
  expect(refused([{ type: 'Polygon', coordinates: [[[0, 0], 'x']] }])).toThrow(
    /frame\.things\[0\]\.coordinates\[0\]\[1\]: expected .*, got "x"/,
  );
  expect(refused([{ x: 1, y: 2 }], { padding: 500 })).toThrow(
    'frame.options.padding: expected less than the safe frame, 800 × 600 pixels, got 500',
  );
});

test('over steep hills, where the eye is lifted, what is said to fit shows', () => {
  const crags = terrainOf({
    id: 'crags',
    lowest: 0,
    highest: 120,
    feature: 2,
    heightAt: (x, y) => 60 + 30 * Math.sin(x / 19) + 30 * Math.sin(y / 23 + x / 90),
  });
  const spots = fc.array(fc.record({ x: between(-60, 60), y: between(-60, 60) }), { minLength: 1, maxLength: 4 });
  let lifted = 0;
  let fitting = 0;
  forRuns(
    400,
    spots,
    between(20, 60),
    between(20, 60),
    between(-180, 180),
    between(0, 60),
    (list, pitch, fieldOfView, heading, clearance) => {
      const camera = new Camera(
        {
          zoom: { minSpan: 5, maxSpan: 3000 },
          pitch: { degrees: pitch },
          lens: { fieldOfView },
          ground: { clearance },
          start: { heading, span: 60 },
        },
        { screen: { width: 1280, height: 800 }, terrain: crags },
      );
      camera.advance(0);
      const { to, fits } = frame(camera, list);
      camera.place(to);
      const view = camera.advance(1);
      if (view.focusHeight - crags.heightAt(view.x, view.y) > 1) lifted += 1;
      const off = outside(
        view,
        list.flatMap((thing) => pointsOf(thing, (x, y) => crags.heightAt(x, y))),
        { left: 0, top: 0, right: 0, bottom: 0 },
      );
      if (!fits) return;
      fitting += 1;
      expect(off).toBeLessThan(0.5);
    },
  );
  expect(lifted).toBeGreaterThan(60);
  expect(fitting).toBeGreaterThan(300);
});

test('in a world that wraps things are framed over the seam, each in the copy that is nearest to the others', () => {
  const around = (camera: Camera, list: readonly Thing[]): Framed => frame(camera, list).to;
  forRuns(
    200,
    between(0, 1000),
    between(0, 1000),
    between(-40, 40),
    between(-40, 40),
    fc.boolean(),
    (x, y, east, south, both) => {
      const settings = { zoom: { minSpan: 1, maxSpan: 3000 }, start: { x: 500, y: 500, span: 300 } };
      const wrapping = new Camera(
        {
          ...settings,
          bounds: { left: 0, top: both ? 0 : -5000, right: 1000, bottom: both ? 1000 : 5000, keep: 'focus' },
          wrap: { x: 1000, y: both ? 1000 : null },
        },
        { screen: { width: 800, height: 600 } },
      );
      wrapping.advance(0);
      const flat = new Camera(settings, { screen: { width: 800, height: 600 } });
      flat.advance(0);
      const inside = (value: number): number => ((value % 1000) + 1000) % 1000;
      const other = { x: inside(x + east), y: both ? inside(y + south) : y + south, radius: 3 };
      const box = { left: x - 5, right: x + 5, top: y - 5, bottom: y + 5, low: 0, high: 0 };
      const found = around(wrapping, [box, other]);
      const wanted = around(flat, [box, { x: x + east, y: y + south, radius: 3 }]);
      expect(found.span).toBeCloseTo(wanted.span, 6);
      expect(inside(found.x)).toBeCloseTo(inside(wanted.x), 6);
    },
  );
});
