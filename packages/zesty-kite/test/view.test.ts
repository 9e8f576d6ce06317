/** The view: there and back, matrices against a general matrix package, picks, tiles, culling. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { mat4, vec4 } from 'gl-matrix';
import {
  aim,
  createMatrices,
  fillMatrices,
  frustumPlanes,
  showsBox,
  showsCircle,
  terrainOfGrid,
  View,
  visibleTiles,
  type Matrices,
} from '../src/index.ts';
import { forAll, forRuns } from './law.ts';
import { between, hills, pixelsBetween, screens } from './steering.ts';
import { heightOf, poses, under, unit, views } from './views.ts';

test('screen → ground → screen returns within 1e-6 px, in any pose, with any lens, anywhere on any screen', () => {
  let hits = 0;
  forRuns(2000, views, unit, unit, (view, u, v) => {
    const ground = view.toGround(u * view.width, v * view.height);
    if (ground === null) return;
    hits += 1;
    const back = view.toScreen(ground.x, ground.y, ground.height);
    expect(pixelsBetween(back, { x: u * view.width, y: v * view.height })).toBeLessThan(1e-6);
    expect(back.inFront).toBe(true);
  });
  expect(hits).toBeGreaterThan(1200);
});

test('at coordinates of 10⁷ and a span of 10, picks are right to 1e-3 px, and float32 counted from the eye does not shake', () => {
  const m = createMatrices('y', '0..1', 'eye');
  forAll(poses, screens, unit, between(0.4, 1), (pose, screen, u, v) => {
    const view = aim(new View(), { ...pose, x: 1e7 + pose.x, y: -1e7 - pose.y, span: 10 }, screen);
    const at = { x: u * screen.width, y: v * screen.height };
    const ground = view.toGround(at.x, at.y);
    if (ground === null || Math.hypot(ground.x - view.x, ground.y - view.y) > 100) return;
    expect(pixelsBetween(view.toScreen(ground.x, ground.y, ground.height), at)).toBeLessThan(1e-3);
    fillMatrices(view, m);
    const from = [ground.x, ground.height, ground.y].map((value, i) => Math.fround(value - (m.origin[i] ?? NaN)));
    const small = Float32Array.from(m.viewProjection);
    const [x = NaN, y = NaN, , w = NaN] = vec4.transformMat4(
      vec4.create(),
      [from[0] ?? 0, from[1] ?? 0, from[2] ?? 0, 1],
      small,
    );
    const shown = { x: ((x / w + 1) / 2) * screen.width, y: ((1 - y / w) / 2) * screen.height };
    // Counted from the origin it would be off by whole units.
    expect(pixelsBetween(shown, at)).toBeLessThan(
      0.05 * (1 + (view.fieldOfView === 0 ? 1 / view.projection.sinPitch : 0)),
    );
  });
});

test('the middle of the safe frame is the focus, the span is its height, and eye, axes, rays and scale agree', () =>
  forAll(views, unit, unit, (view, u, v) => {
    const { projection: look, span } = view;
    const middle = view.toScreen(view.x, view.y);
    expect(pixelsBetween(middle, { x: look.middleX, y: look.middleY })).toBeLessThan(1e-6);
    const up = view.up();
    const top = view.toScreen(
      view.x + (up.x * span) / 2,
      view.y + (up.y * span) / 2,
      view.focusHeight + (up.height * span) / 2,
    );
    expect(pixelsBetween(top, { x: look.middleX, y: look.middleY - look.frameHeight / 2 })).toBeLessThan(1e-6);
    expect(view.scaleAt(view.x, view.y)).toBeCloseTo(look.frameHeight / span, 6);
    const ray = view.ray(u * view.width, v * view.height);
    for (const far of [0.5, 2]) {
      const distance = far * view.depth().far;
      const { start, along } = ray;
      const shown = view.toScreen(
        start.x + along.x * distance,
        start.y + along.y * distance,
        start.height + along.height * distance,
      );
      expect(pixelsBetween(shown, { x: u * view.width, y: v * view.height })).toBeLessThan(1e-4);
    }
    const forward = view.forward();
    const right = view.right();
    expect(forward.x * right.x + forward.y * right.y).toBeCloseTo(0, 12);
    expect(right.height).toBe(0);
  }));

test('an orthographic view is an affine map of the ground; a tilted perspective one says that it is not', () =>
  forAll(views, unit, unit, (view, u, v) => {
    if (view.fieldOfView > 0 && view.pitch < 90) {
      expect(() => view.affine()).toThrow(/^affine: expected an orthographic lens.* got a field of view of/);
      return;
    }
    const x = u * view.width;
    const y = v * view.height;
    const ground = view.toGround(x, y) ?? { x: NaN, y: NaN };
    const { a, b, c, d, e, f } = view.affine();
    expect(
      pixelsBetween({ x: a * ground.x + c * ground.y + e, y: b * ground.x + d * ground.y + f }, { x, y }),
    ).toBeLessThan(1e-6);
  }));

const conventions: [Matrices['up'], Matrices['depth'], Matrices['from']][] = [
  ['y', '-1..1', 'origin'],
  ['z', '-1..1', 'eye'],
  ['y', '0..1', 'eye'],
  ['z', '0..1', 'origin'],
  ['y', '1..0', 'origin'],
  ['z', '1..0', 'eye'],
];

test.each(conventions)(
  'matrices for %s up, depth %s, from the %s: products, inverses and screen are right, and no ground is clipped',
  (up, depth, from) => {
    const out = createMatrices(up, depth, from);
    const identity = mat4.create();
    forAll(views, unit, unit, unit, (view, u, v, rise) => {
      fillMatrices(view, out);
      const product = (a: Float64Array, b: Float64Array): Float64Array =>
        mat4.multiply(new Float64Array(16), a, b) as Float64Array;
      const same = (ours: ArrayLike<number>, theirs: ArrayLike<number>, size: number): void => {
        for (let i = 0; i < 16; i++)
          expect(Math.abs((ours[i] ?? NaN) - (theirs[i] ?? NaN))).toBeLessThan(1e-9 * Math.max(size, 1));
      };
      const largest = (m: Float64Array): number => Math.max(...m.map(Math.abs));
      same(out.viewProjection, product(out.projection, out.view), largest(out.projection) * largest(out.view));
      same(product(out.viewInverse, out.view), identity, largest(out.view));
      same(product(out.inverse, out.viewProjection), identity, largest(out.inverse) * largest(out.viewProjection));

      const height = heightOf(view, rise);
      const ground = under(view, u, v, height);
      if (ground === null) return;
      const world = up === 'y' ? [ground.x, height, ground.y] : [ground.x, -ground.y, height];
      const [x = NaN, y = NaN, z = NaN] = world.map((value, i) => value - (out.origin[i] ?? NaN));
      const clip = vec4.transformMat4(new Float64Array(4), [x, y, z, 1], out.viewProjection);
      const w = clip[3];
      const shown = { x: ((clip[0] / w + 1) / 2) * view.width, y: ((1 - clip[1] / w) / 2) * view.height };
      expect(pixelsBetween(shown, { x: u * view.width, y: v * view.height })).toBeLessThan(1e-3);
      const near = view.depth().far * 1e-4;
      if (view.toScreen(ground.x, ground.y, height).depth < near * 1.01 && view.fieldOfView > 0) return;
      expect(clip[2] / w).toBeGreaterThan((depth === '-1..1' ? -1 : 0) - 1e-7);
      expect(clip[2] / w).toBeLessThan(1 + 1e-7);
    });
  },
);

test('a pick on terrain is on the terrain, under the pixel, and nothing of a feature’s size stands before it', () => {
  const heights = Float64Array.from({ length: 40 * 30 }, (_, i) => ((i * 7919) % 97) / 3);
  const grid = terrainOfGrid({ id: 'grid', columns: 40, rows: 30, step: 8, heights, left: -160, top: -120 });
  let hits = 0;
  forRuns(300, poses, screens, unit, unit, fc.boolean(), (pose, screen, u, v, hilly) => {
    const terrain = hilly ? hills : grid;
    const tall = { lowest: terrain.lowest, highest: terrain.highest, terrain };
    const view = aim(
      new View(),
      { ...pose, x: pose.x / 80, y: pose.y / 80, pitch: Math.max(10, pose.pitch) },
      screen,
      tall,
    );
    const at = { x: u * screen.width, y: v * screen.height };
    const found = view.toGround(at.x, at.y);
    if (found === null) return;
    const eye = view.eye();
    if (view.fieldOfView > 0 && eye.height < terrain.heightAt(eye.x, eye.y)) return;
    hits += 1;
    expect(Math.abs(terrain.heightAt(found.x, found.y) - found.height)).toBeLessThan(1e-6 * (view.span + 100));
    expect(pixelsBetween(view.toScreen(found.x, found.y, found.height), at)).toBeLessThan(1e-3);
    const { start } = view.ray(at.x, at.y);
    for (let i = 1; i < 60; i++) {
      const s = (i / 60) ** 2;
      const east = found.x + (start.x - found.x) * s;
      const south = found.y + (start.y - found.y) * s;
      const height = found.height + (start.height - found.height) * s;
      const deep = terrain.heightAt(east, south) - height;
      // Only what is thinner than a feature along the line may stick out.
      if (deep > 0) expect(deep).toBeLessThan(terrain.feature * 4);
    }
  });
  expect(hits).toBeGreaterThan(150);
});

test('a row of visible tiles has every tile that shows, and no column beyond what shows in that row', () => {
  forAll(views, between(0.02, 2), unit, unit, unit, (view, share, u, v, rise) => {
    // Seen along the ground, or from high above it, there are very many tiles.
    const size =
      (view.span + Math.abs(view.focusHeight) + view.ground.highest + 50) * share * (view.pitch < 20 ? 30 : 1);
    const { lowest, highest } = view.ground;
    const rows = visibleTiles(view, size);
    const ground = under(view, u, v, heightOf(view, rise));
    if (ground === null) return;
    const column = Math.floor(ground.x / size);
    const row = Math.floor(ground.y / size);
    expect(row).toBeGreaterThanOrEqual(rows.top);
    expect(row).toBeLessThan(rows.bottom);
    expect(column).toBeGreaterThanOrEqual(rows.from[row - rows.top] ?? Infinity);
    expect(column).toBeLessThan(rows.to[row - rows.top] ?? -Infinity);
    if (lowest !== highest || view.focusHeight !== lowest || rows.bottom - rows.top > 200) return;
    const planes = frustumPlanes(view);
    for (let r = rows.top; r < rows.bottom; r++)
      for (const tile of [rows.from[r - rows.top] ?? 0, (rows.to[r - rows.top] ?? 0) - 1]) {
        const box = { left: tile * size, right: (tile + 1) * size, top: r * size, bottom: (r + 1) * size };
        expect(showsBox(planes, { ...box, low: lowest, high: lowest })).toBe(true);
      }
  });
});

test('turned by 45°, the rows of tiles are less than 60 % of the box around the view', () => {
  const view = aim(new View(), { x: 0, y: 0, span: 200, heading: 45 }, { width: 800, height: 800 });
  const { top, bottom, from, to } = visibleTiles(view, 4);
  let shown = 0;
  for (let row = 0; row < bottom - top; row++) shown += (to[row] ?? 0) - (from[row] ?? 0);
  const wide = Math.max(...to.slice(0, bottom - top)) - Math.min(...from.slice(0, bottom - top));
  expect(shown / (wide * (bottom - top))).toBeLessThan(0.6);
});

test('whatever has a part on the screen shows, as a box and as a circle; what is far beside it does not', () =>
  forAll(views, unit, unit, between(0.001, 1), between(0, 50), (view, u, v, share, tall) => {
    const ground = under(view, u, v, view.focusHeight);
    if (ground === null) return;
    const planes = frustumPlanes(view);
    const { x, y, height } = ground;
    const size = share * view.span;
    const box = { left: x - size, right: x, top: y, bottom: y + size, low: height - tall, high: height };
    const { depth } = view.toScreen(x, y, height);
    if (depth < view.depth().near && view.fieldOfView > 0) return;
    if (height < view.ground.lowest || height > view.ground.highest) return;
    expect(showsBox(planes, box)).toBe(true);
    expect(showsCircle(planes, x + size, y, height, size * 1.001)).toBe(true);
    const right = view.right();
    const away = 1e6 * view.span;
    expect(showsCircle(planes, view.x + right.x * away, view.y + right.y * away, view.focusHeight, view.span)).toBe(
      false,
    );
  }));

test('upright sprites sorted by their depth key are sorted by their depth', () => {
  let sorted = 0;
  const away = between(-0.5, 0.5);
  forAll(
    views.filter(({ pitch }) => pitch < 89),
    away,
    away,
    away,
    away,
    (view, x1, y1, x2, y2) => {
      const keyOf = (x: number, y: number): number => view.depthKey(view.x + x * view.span, view.y + y * view.span);
      const depthOf = (x: number, y: number): number =>
        view.toScreen(view.x + x * view.span, view.y + y * view.span, view.focusHeight).depth;
      const nearer = depthOf(x1, y1) - depthOf(x2, y2);
      if (Math.abs(nearer) <= 1e-6 * view.span) return;
      expect(keyOf(x1, y1) < keyOf(x2, y2)).toBe(nearer > 0);
      sorted += 1;
    },
  );
  expect(sorted).toBeGreaterThan(20);
});

test('in a world that repeats itself, what is picked is inside the first copy and shows where it was picked', () =>
  forAll(poses, screens, unit, between(0.5, 1), (pose, screen, u, v) => {
    const ground = { lowest: 0, highest: 0, periodX: pose.span * 9, periodY: pose.span * 9 };
    const view = aim(
      new View(),
      { ...pose, pitch: Math.max(30, pose.pitch), fieldOfView: Math.min(50, pose.fieldOfView) },
      { width: screen.height, height: screen.height },
      ground,
    );
    expect(view.x).toBeGreaterThanOrEqual(0);
    expect(view.x).toBeLessThanOrEqual(ground.periodX);
    const at = { x: u * view.width, y: v * view.height };
    const found = view.toGround(at.x, at.y);
    if (found === null) return;
    for (const value of [found.x, found.y]) {
      expect(value).toBeGreaterThanOrEqual(0);
      expect(value).toBeLessThanOrEqual(ground.periodX);
    }
    expect(pixelsBetween(view.toScreen(found.x, found.y), at)).toBeLessThan(1e-3);
  }));
