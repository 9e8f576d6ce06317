/** The view: there and back, matrices against a general matrix package, tiles, resizing. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { mat4, vec4 } from 'gl-matrix';
import { aim, Camera, createMatrices, fillMatrices, View, visibleTiles, type Matrices } from '../src/index.ts';
import { between, rectangles, screens } from './steering.ts';

const poses = fc.record({ x: between(-1e4, 1e4), y: between(-1e4, 1e4), span: between(1, 5000) });
const heights = fc
  .tuple(between(-50, 50), between(0, 200))
  .map(([lowest, tall]) => ({ lowest, highest: lowest + tall }));
const views = fc.tuple(poses, screens, heights).map(([pose, screen, range]) => aim(new View(), pose, screen, range));
const unit = between(0, 1);

test('screen → ground → screen returns within 1e-6 px, anywhere on any screen', () => {
  fc.assert(
    fc.property(views, unit, unit, (view, u, v) => {
      const ground = view.toGround(u * view.width, v * view.height);
      const back = view.toScreen(ground.x, ground.y);
      expect(Math.abs(back.x - u * view.width)).toBeLessThan(1e-6);
      expect(Math.abs(back.y - v * view.height)).toBeLessThan(1e-6);
    }),
    { numRuns: 1000 },
  );
});

test('the middle is the focus, top to bottom is the span, and the affine transform and footprint agree', () => {
  fc.assert(
    fc.property(views, unit, unit, (view, u, v) => {
      const near = (a: number | undefined, b: number): void => {
        expect(Math.abs((a ?? NaN) - b)).toBeLessThan(1e-6);
      };
      const top = view.toGround(view.width / 2, 0);
      near(top.x, view.x);
      near(view.y - top.y, view.span / 2);
      const corners = view.footprint();
      [
        [0, 0],
        [view.width, 0],
        [view.width, view.height],
        [0, view.height],
      ].forEach(([x = 0, y = 0], i) => {
        const corner = view.toGround(x, y);
        near(corners[i * 2], corner.x);
        near(corners[i * 2 + 1], corner.y);
      });
      const ground = view.toGround(u * view.width, v * view.height);
      const { a, b, c, d, e, f } = view.affine();
      near(a * ground.x + c * ground.y + e, u * view.width);
      near(b * ground.x + d * ground.y + f, v * view.height);
    }),
  );
});

const conventions: [Matrices['up'], Matrices['depth']][] = [
  ['y', '-1..1'],
  ['z', '-1..1'],
  ['y', '0..1'],
  ['z', '0..1'],
  ['y', '1..0'],
  ['z', '1..0'],
];

test.each(conventions)(
  'matrices for %s up and depth %s: product, inverse, screen and clipping are right',
  (up, depth) => {
    const out = createMatrices(up, depth);
    fc.assert(
      fc.property(views, unit, unit, unit, (view, u, v, rise) => {
        fillMatrices(view, out);
        const close = (ours: ArrayLike<number>, theirs: ArrayLike<number>, scale: number): void => {
          for (let i = 0; i < 16; i++)
            expect(Math.abs((ours[i] ?? NaN) - (theirs[i] ?? NaN))).toBeLessThan(1e-9 * scale);
        };
        const product = mat4.multiply(new Float64Array(16), out.projection, out.view);
        close(out.viewProjection, product, 1e4);
        const identity = mat4.multiply(new Float64Array(16), out.inverse, out.viewProjection);
        close(identity, mat4.create(), 1e6);

        const ground = view.toGround(u * view.width, v * view.height);
        const height = view.lowest + rise * (view.highest - view.lowest);
        const world = up === 'y' ? [ground.x, height, ground.y] : [ground.x, -ground.y, height];
        const clip = vec4.transformMat4(
          new Float64Array(4),
          [world[0] ?? 0, world[1] ?? 0, world[2] ?? 0, 1],
          out.viewProjection,
        );
        expect(Math.abs(((clip[0] + 1) / 2) * view.width - u * view.width)).toBeLessThan(1e-6);
        expect(Math.abs(((1 - clip[1]) / 2) * view.height - v * view.height)).toBeLessThan(1e-6);
        const least = depth === '-1..1' ? -1 : 0;
        expect(clip[2]).toBeGreaterThan(least);
        expect(clip[2]).toBeLessThan(1);
      }),
    );
  },
);

test('the view matrix is what a general look-at from straight above makes', () => {
  const view = aim(
    new View(),
    { x: 512, y: 384, span: 200 },
    { width: 1280, height: 800 },
    { lowest: -6, highest: 60 },
  );
  const ours = fillMatrices(view, createMatrices()).view;
  const theirs = mat4.lookAt(mat4.create(), [512, 260, 384], [512, 0, 384], [0, 0, -1]);
  for (let i = 0; i < 16; i++) expect(ours[i]).toBeCloseTo(theirs[i] ?? NaN, 4);
});

test('visible tiles are those and only those of which a part shows', () => {
  fc.assert(
    fc.property(views, between(5, 500), unit, unit, (view, size, u, v) => {
      const { left, top, right, bottom } = visibleTiles(view, size);
      const ground = view.toGround(u * view.width, v * view.height);
      const column = Math.floor(ground.x / size);
      const row = Math.floor(ground.y / size);
      expect(column).toBeGreaterThanOrEqual(left);
      expect(column).toBeLessThan(Math.max(right, left + 1));
      expect(row).toBeGreaterThanOrEqual(top);
      expect(row).toBeLessThan(Math.max(bottom, top + 1));
      const slack = 1e-6 * size;
      const first = view.toGround(0, 0);
      const last = view.toGround(view.width, view.height);
      expect((left + 1) * size).toBeGreaterThan(first.x - slack);
      expect((right - 1) * size).toBeLessThan(last.x + slack);
      expect((top + 1) * size).toBeGreaterThan(first.y - slack);
      expect((bottom - 1) * size).toBeLessThan(last.y + slack);
    }),
  );
});

test.each(['span', 'width', 'scale'] as const)(
  'on resize the %s is kept, there and back, and no size keeps the last view',
  (keep) => {
    fc.assert(
      fc.property(screens, screens, (one, two) => {
        const camera = new Camera({ resize: { keep }, zoom: { leastSpan: 1e-3, mostSpan: 1e6 } }, { screen: one });
        const measure = (): number => {
          const { span, scale, width } = camera.view;
          return { span, width: width / scale, scale }[keep];
        };
        camera.advance(0);
        const before = measure();
        camera.signal({ kind: 'screen', ...two });
        camera.advance(10);
        expect(measure() / before).toBeCloseTo(1, 9);
        camera.signal({ kind: 'screen', width: 0, height: 300 });
        camera.advance(20);
        expect([camera.view.width, camera.view.height]).toEqual([two.width, two.height]);
        camera.signal({ kind: 'screen', ...one });
        camera.advance(30);
        expect(camera.view.span).toBeCloseTo(100, 6);
      }),
      { numRuns: 40 },
    );
  },
);

test('a narrow screen limits the zoom for as long as it is narrow; what was wanted comes back', () => {
  fc.assert(
    fc.property(rectangles, (rectangle) => {
      const high = rectangle.bottom - rectangle.top;
      const wide = rectangle.right - rectangle.left;
      const screen = { width: 400 * (wide / high), height: 400 };
      fc.pre(screen.width > 4);
      const bounds = { ...rectangle, whenSmaller: 'limit-zoom' as const };
      const camera = new Camera({ bounds, zoom: { leastSpan: 1, mostSpan: high } }, { screen });
      camera.advance(0);
      const whole = camera.view.span;
      camera.signal({ kind: 'screen', width: screen.width * 2, height: 400 });
      camera.advance(100);
      expect(camera.view.span / whole).toBeCloseTo(0.5, 9);
      camera.signal({ kind: 'wheel', x: 0, y: 0, notches: 3, time: 100 });
      camera.advance(200);
      camera.signal({ kind: 'screen', ...screen });
      camera.advance(300);
      camera.advance(9000);
      expect(camera.view.span / whole).toBeCloseTo(1, 9);
    }),
    { numRuns: 50 },
  );
});

test('the first size of the screen finds the camera where the settings, or the program, put it', () => {
  const bounds = { left: 0, top: 0, right: 1000, bottom: 1000 };
  const camera = new Camera({ bounds, start: { x: 60, y: 500, span: 100 } });
  camera.signal({ kind: 'screen', width: 500, height: 500 });
  expect(camera.advance(0).x).toBe(60);
  const placed = new Camera({ bounds, start: { span: 100 } });
  placed.place({ x: 950, y: 50 });
  placed.advance(0);
  placed.signal({ kind: 'screen', width: 500, height: 500 });
  placed.advance(1);
  expect(placed.shown).toEqual({ x: 950, y: 50, span: 100 });
});
