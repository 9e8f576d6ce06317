/** Near and far planes as a graphics card has them: matrices and points in 32-bit floats. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import {
  aim,
  createMatrices,
  fillMatrices,
  View,
  visibleTiles,
  type ClipDepth,
  type CountedFrom,
} from '../src/index.ts';
import { forRuns } from './law.ts';
import { between, screens } from './steering.ts';
import { under, unit } from './views.ts';

const depths = fc.constantFrom<ClipDepth>('-1..1', '0..1', '1..0');
const froms = fc.constantFrom<CountedFrom>('origin', 'eye');
const round = Math.fround;

/** In spans from the origin: as far as the origin may be counted from; plateaus, straight down and flat pitches too. */
const scenes = fc.record({
  span: between(1, 3000),
  away: between(-1e4, 1e4),
  heading: between(-720, 720),
  pitch: fc.oneof(fc.constant(90), between(1, 90)),
  fieldOfView: fc.oneof(fc.constant(0), between(1, 120)),
  low: between(0, 2),
  high: fc.oneof(fc.constant(0), between(0, 2)),
  plateau: fc.boolean(),
  screen: screens,
});

/** A matrix of 32-bit floats times a point, as a shader computes. */
function times(matrix: Float64Array, [x = 0, y = 0, z = 0, w = 1]: readonly number[]): number[] {
  return [0, 1, 2, 3].map((row) => {
    const term = (column: number, value: number): number => round(round(matrix[column * 4 + row] ?? 0) * round(value));
    return round(round(term(0, x) + term(1, y)) + round(term(2, z) + term(3, w)));
  });
}

test('no ground that shows is clipped, with any lens and clip depth, in 32-bit floats, up to 10⁴ spans from the origin', () => {
  let seen = 0;
  forRuns(20_000, scenes, depths, froms, unit, unit, unit, (scene, depth, from, u, v, rise) => {
    const { span, away, screen, low, high, plateau, ...angles } = scene;
    const ground = { lowest: -low * span, highest: high * span };
    const focusHeight = plateau ? ground.highest : 0;
    const view = aim(new View(), { x: away * span, y: -away * span, span, focusHeight, ...angles }, screen, ground);
    const matrices = fillMatrices(view, createMatrices('y', depth, from));
    const corners = [0, 1].flatMap((a) => [0, 1].map((b) => [a, b] as const));
    for (const [a, b] of [[u, v] as const, ...corners]) {
      for (const height of [ground.lowest, ground.highest, ground.lowest + rise * (ground.highest - ground.lowest)]) {
        const at = view.toLevel(a * view.width, b * view.height, height, { x: 0, y: 0 });
        if (at === null || Math.hypot(at.x - view.x, at.y - view.y) > 63 * span) continue;
        const { depth: deep } = view.toScreen(at.x, at.y, height);
        // What touches the eye is no longer seen, and rounding alone may put it behind.
        if (view.fieldOfView > 0 && deep < (from === 'eye' ? 1e-4 + 1e-8 * Math.abs(away) : 0.01) * span) continue;
        seen += 1;
        const point = [at.x, height, at.y].map((value, i) => round(value - (matrices.origin[i] ?? 0)));
        const inEye = times(matrices.view, point);
        for (const [, , z = NaN, w = NaN] of [
          times(matrices.viewProjection, point),
          times(matrices.projection, inEye),
        ]) {
          // Plain comparisons: there are half a million.
          if (w > 0 && z >= (depth === '-1..1' ? -w : 0) && z <= w) continue;
          throw new Error(`clipped: z ${String(z)}, w ${String(w)}, ${String(deep / span)} spans from the eye`);
        }
      }
    }
  });
  expect(seen).toBeGreaterThan(50_000);
}, 120_000);

test('by default nothing up to a quarter of a span high whose foot shows is clipped, in every lens, at every pitch', () => {
  let seen = 0;
  forRuns(5000, scenes, depths, unit, unit, unit, (scene, depth, u, v, share) => {
    const { span, screen, heading, pitch, fieldOfView } = scene;
    const view = aim(new View(), { x: 0, y: 0, span, heading, pitch, fieldOfView }, screen);
    const foot = view.toLevel(u * view.width, v * view.height, 0, { x: 0, y: 0 });
    if (foot === null || Math.hypot(foot.x, foot.y) > 63 * span) return;
    const height = (share * span) / 4;
    // What reaches up to the eye cannot show whole.
    if (fieldOfView > 0 && view.toScreen(foot.x, foot.y, height).depth < 0.01 * span) return;
    const { viewProjection } = fillMatrices(view, createMatrices('y', depth));
    const [, , z = NaN, w = NaN] = times(viewProjection, [foot.x, height, foot.y].map(round));
    if (!(w > 0 && z >= (depth === '-1..1' ? -w : 0) && z <= w))
      throw new Error(`clipped: z ${String(z)}, w ${String(w)}`);
    seen += 1;
  });
  expect(seen).toBeGreaterThan(2000);
});

test('visible tiles never go beyond the map, nor beyond 64 spans, and have every tile of it that shows', () => {
  forRuns(
    500,
    scenes,
    fc.integer({ min: 1, max: 400 }),
    between(0.005, 2),
    fc.integer({ min: 1, max: 200 }),
    fc.integer({ min: 1, max: 200 }),
    unit,
    unit,
    ({ span, screen, low, high, plateau, ...angles }, x, share, columns, rows, u, v) => {
      const ground = { lowest: -low * span * 5, highest: high * span * 5 };
      const size = span * share;
      const pose = { x: x * size, y: x * size, span, focusHeight: plateau ? ground.highest : 0, ...angles };
      const view = aim(new View(), pose, screen, ground);
      const shown = visibleTiles(view, size, { columns, rows });
      expect(shown.top).toBeGreaterThanOrEqual(0);
      expect(shown.bottom).toBeLessThanOrEqual(Math.max(rows, shown.top));
      for (let i = 0; i < shown.bottom - shown.top; i++) {
        expect(shown.from[i]).toBeGreaterThanOrEqual(0);
        expect(shown.to[i]).toBeLessThanOrEqual(Math.max(columns, shown.from[i] ?? 0));
      }
      for (const height of [ground.lowest, 0, ground.highest]) {
        const at = under(view, u, v, height);
        if (at === null) continue;
        const [column, row] = [Math.floor(at.x / size), Math.floor(at.y / size)];
        if (column < 0 || row < 0 || column >= columns || row >= rows) continue;
        expect(shown.top <= row && row < shown.bottom).toBe(true);
        expect(column).toBeGreaterThanOrEqual(shown.from[row - shown.top] ?? NaN);
        expect(column).toBeLessThan(shown.to[row - shown.top] ?? NaN);
      }
      if (share < 0.2) return;
      // Without a map: what shows of the ground up to 64 spans away, wherever the eye is among heights.
      const free = visibleTiles(view, size);
      const reach = (64 + 4 * (screen.width / screen.height) + low * 5 + high * 5) / share;
      const deepest = view.fieldOfView > 0 ? 64 * Math.tan((view.fieldOfView * Math.PI) / 360) * 5 : 0;
      expect(free.bottom - free.top).toBeLessThan(5 * (reach + (deepest * (screen.width / screen.height)) / share) + 8);
    },
  );
  const view = aim(new View(), { x: 0, y: 0, span: 100 }, { width: 800, height: 600 });
  for (const size of [0, -1, NaN, Infinity])
    expect(() => visibleTiles(view, size)).toThrow(
      `visibleTiles.size: expected world units above 0, such as 16, got ${String(size)}`,
    );
  expect(() => visibleTiles(view, 1e-9)).toThrow(
    'size: expected one with at most 1048576 rows on the screen, got 1e-9',
  );
  expect(visibleTiles(view, 1e-3, { columns: 9, rows: 9 }).bottom).toBe(9);
});
