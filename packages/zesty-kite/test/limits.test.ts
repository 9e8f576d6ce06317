/** Bounds of every shape, against the answer found by trying everything. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import { Disc } from '../src/limits/disc.ts';
import type { Point } from '../src/index.ts';
import type { Outline } from '../src/limits/index.ts';
import { PolygonBounds } from '../src/polygons/polygonBounds.ts';
import { Convex } from '../src/polygons/convex.ts';
import { forAll, forRuns } from './law.ts';
import { Camera } from './shapes.ts';
import { awayFromGoal, between, convexPolygons, pixelsBetween } from './steering.ts';

/** A view's corners round the focus, in spans: a turned trapezium, from which panels may push the focus aside. */
const cornersOf = fc
  .tuple(between(0.4, 2.5), between(0.4, 3), between(0.3, 2), between(0, 7), between(-0.9, 0.9))
  .map(([bottom, top, deep, turn, aside]) =>
    Float64Array.from(
      [
        [(aside - 1) * top, -deep],
        [(aside + 1) * top, -deep],
        [(aside + 1) * bottom, 0.5],
        [(aside - 1) * bottom, 0.5],
      ].flatMap(([u = 0, v = 0]) => [u * Math.cos(turn) - v * Math.sin(turn), u * Math.sin(turn) + v * Math.cos(turn)]),
    ),
  );
const place = between(-6000, 6000);
type Corner = [number, number];
const nowhere = { x: NaN, y: NaN };

function outlineOf(corners: Float64Array): Outline {
  const [x, y] = [0, 1].map((axis) => [0, 2, 4, 6].map((k) => corners[k + axis] ?? 0));
  const extents = { left: Math.min(...(x ?? [])), right: Math.max(...(x ?? [])) };
  const down = { top: Math.min(...(y ?? [])), bottom: Math.max(...(y ?? [])) };
  return { corners, reach: { ...extents, ...down }, isWithin: () => false };
}

/** The greatest span at which the corners fit. */
function fittingIn(shape: Convex | Disc, corners: Float64Array, max: number): number {
  return shape.maxSpan(outlineOf(corners), 0, 0, max, null);
}

/** How far the corners reach over the farthest edge, seen from a focus. */
function over(
  polygon: readonly Corner[],
  corners: Float64Array,
  span: number,
  { x, y }: { x: number; y: number },
): number {
  let max = -Infinity;
  polygon.forEach(([ax, ay], i) => {
    const [bx, by] = polygon[(i + 1) % polygon.length] ?? [0, 0];
    const length = Math.hypot(bx - ax, by - ay);
    for (let k = 0; k < 8; k += 2) {
      const px = x + span * (corners[k] ?? 0);
      const py = y + span * (corners[k + 1] ?? 0);
      max = Math.max(max, ((px - ax) * (by - ay) - (py - ay) * (bx - ax)) / length);
    }
  });
  return max;
}

test('G4: in a convex polygon the kept focus is inside, none that is inside is nearer, and inside nothing moves', () => {
  forRuns(
    1000,
    convexPolygons,
    cornersOf,
    between(1, 300),
    place,
    place,
    between(0, 1),
    between(0, 7),
    (polygon, corners, span, x, y, t, way) => {
      const convex = new Convex(polygon);
      fc.pre(fittingIn(convex, corners, 1e4) > span);
      const kept = { x: 0, y: 0 };
      convex.keep(outlineOf(corners), span, 0, { x, y }, nowhere, kept);
      expect(over(polygon, corners, span, kept) / span).toBeLessThan(1e-6);
      const near = pixelsBetween(kept, { x, y });
      // A convex set: were another point nearer, one right next to the kept one would be.
      const other = { x: kept.x + t * Math.cos(way), y: kept.y + t * Math.sin(way) };
      if (over(polygon, corners, span, other) < 0) expect(pixelsBetween(other, { x, y })).toBeGreaterThan(near - 1e-6);
      const again = { x: 0, y: 0 };
      convex.keep(outlineOf(corners), span, 0, kept, nowhere, again);
      expect(pixelsBetween(again, kept) / span).toBeLessThan(1e-6);
    },
  );
});

test('G4: where the polygon is too small, no focus reaches out less, and the greatest span that fits just fits', () =>
  forRuns(
    500,
    convexPolygons,
    cornersOf,
    between(1, 20),
    place,
    between(0, 1),
    between(0, 7),
    (polygon, corners, factor, x, t, way) => {
      const convex = new Convex(polygon);
      const fits = fittingIn(convex, corners, 1e5);
      const kept = { x: 0, y: 0 };
      convex.keep(outlineOf(corners), fits * (1 - 1e-7), 0, { x, y: -x }, nowhere, kept);
      expect(over(polygon, corners, fits * (1 - 1e-7), kept) / fits).toBeLessThan(1e-6);
      const span = fits * (1 + factor / 10);
      convex.keep(outlineOf(corners), span, 0, { x, y: -x }, nowhere, kept);
      const min = over(polygon, corners, span, kept);
      expect(min).toBeGreaterThan(0);
      const other = { x: kept.x + t * span * Math.cos(way), y: kept.y + t * span * Math.sin(way) };
      expect(over(polygon, new Float64Array(8), 0, kept)).toBeLessThan(1e-6 * span);
      // None of the foci inside does.
      if (over(polygon, new Float64Array(8), 0, other) <= 0)
        expect(over(polygon, corners, span, other)).toBeGreaterThan(min - 1e-6 * span);
    },
  ));

test('G4: in a circle the kept focus is inside and nearest, or reaches out the least', () => {
  const onRims = { count: 0 };
  forRuns(
    1000,
    cornersOf,
    between(1, 2000),
    place,
    place,
    between(0, 1),
    between(0, 7),
    (corners, span, x, y, t, way) => {
      const radius = 500;
      const out = ({ x: px, y: py }: { x: number; y: number }): number =>
        Math.max(
          ...[0, 2, 4, 6].map((k) =>
            Math.hypot(px + span * (corners[k] ?? 0) - 7, py + span * (corners[k + 1] ?? 0) + 9),
          ),
        ) - radius;
      const kept = { x: 0, y: 0 };
      const disc = new Disc(7, -9, radius);
      disc.keep(outlineOf(corners), span, 0, { x, y }, nowhere, kept);
      const other = { x: kept.x + t * span * Math.cos(way), y: kept.y + t * span * Math.sin(way) };
      if (span < fittingIn(disc, corners, 1e6)) {
        expect(out(kept) / span).toBeLessThan(1e-6);
        if (out(other) < 0)
          expect(pixelsBetween(other, { x, y })).toBeGreaterThan(pixelsBetween(kept, { x, y }) - 1e-6 * span);
        return;
      }
      const away = Math.hypot(kept.x - 7, kept.y + 9);
      expect((away - radius) / span).toBeLessThan(1e-9);
      onRims.count += away > radius - 1e-6 ? 1 : 0;
      // How far it reaches out is convex: were another focus better, one next to the kept one would be.
      for (const step of [t * span, 1e-3 * span]) {
        const [east, south] = [kept.x + step * Math.cos(way) - 7, kept.y + step * Math.sin(way) + 9];
        const share = Math.min(1, radius / Math.hypot(east, south));
        const near = { x: 7 + share * east, y: -9 + share * south };
        expect(out(near)).toBeGreaterThan(out(kept) - 1e-6 * span);
      }
    },
  );
  expect(onRims.count).toBeGreaterThan(50);
});

/** The focus goes along a coast. */
function slide(coast: PolygonBounds, from: Point, to: Point, out: Point): void {
  coast.keep(outlineOf(new Float64Array(8)), 1, 0, to, from, out);
}

/** Two ends an edge. */
function endsOf(rings: readonly (readonly Corner[])[]): Float64Array {
  return Float64Array.from(
    rings.flatMap((ring) => ring.flatMap((from, i) => [...from, ...(ring[(i + 1) % ring.length] ?? from)])),
  );
}

/** A ragged coast of many bays round an island hole. */
const coasts = fc.array(between(200, 1000), { minLength: 5, maxLength: 120 }).map((radii) => {
  const ring = radii.map((radius, i): Corner => {
    const angle = (i / radii.length) * 2 * Math.PI;
    return [radius * Math.cos(angle), radius * Math.sin(angle)];
  });
  const hole = [0, 1, 2, 3, 4].map((i): Corner => [90 * Math.cos(i * 1.2566), 90 * Math.sin(i * 1.2566)]);
  return [ring, hole];
});

test('G4: along a coast with bays and a hole the focus never leaves, slides on, and stands still when it is pushed on', () => {
  const pushes = fc.array(fc.tuple(between(-1500, 1500), between(-1500, 1500)), { minLength: 1, maxLength: 12 });
  forAll(coasts, pushes, (rings, list) => {
    const coast = new PolygonBounds(endsOf(rings));
    const at = { x: NaN, y: NaN };
    slide(coast, nowhere, { x: 130, y: 20 }, at);
    for (const [x, y] of list) {
      const from = { ...at };
      slide(coast, from, { x, y }, at);
      expect(coast.excessAt(at.x, at.y)).toBe(0);
      // It is not farther from where it was pushed than before, and pushing on moves nothing.
      expect(pixelsBetween(at, { x, y })).toBeLessThanOrEqual(pixelsBetween(from, { x, y }) + 1e-6);
      const before = { ...at };
      slide(coast, at, { x, y }, at);
      slide(coast, at, { x, y }, at);
      expect(pixelsBetween(at, before)).toBeLessThan(pixelsBetween(from, { x, y }) * 0.9 + 1e-4);
      if (pixelsBetween(before, { x, y }) < 1e-9) expect(pixelsBetween(at, before)).toBeLessThan(1e-9);
    }
  });
});

test('a coast lets a free way go all the way, and brings what is outside to the nearest edge', () =>
  forAll(coasts, between(0, 7), between(1001, 3000), (rings, way, far) => {
    const coast = new PolygonBounds(endsOf(rings));
    const at = { x: 0, y: 0 };
    slide(coast, { x: 120, y: 0 }, { x: 120 + 40 * Math.cos(way), y: 40 * Math.sin(way) * 0.2 }, at);
    if (Math.cos(way) > 0)
      expect(pixelsBetween(at, { x: 120 + 40 * Math.cos(way), y: 8 * Math.sin(way) })).toBeLessThan(1e-9);
    const outside = { x: far * Math.cos(way), y: far * Math.sin(way) };
    const away = coast.excessAt(outside.x, outside.y);
    slide(coast, nowhere, outside, at);
    expect(coast.excessAt(at.x, at.y)).toBe(0);
    expect(pixelsBetween(at, outside)).toBeLessThan(away + 0.1);
  }));

test('where the zoom is limited, lens and span rest where they want each other, however it was tilted', () => {
  const halfLife = fc.constantFrom(0, 0.05, 0.1);
  forAll(between(20, 80), between(10, 40), between(50, 89), between(0, 30), halfLife, halfLife, (...drawn) => {
    const [radius, widest, tilt, notches, zoomHalfLife, lensHalfLife] = drawn;
    const camera = new Camera(
      {
        start: { x: 0, y: 0, span: 10 },
        zoom: { minSpan: 5, maxSpan: 60, halfLife: zoomHalfLife },
        bounds: { circle: { x: 0, y: 0, radius }, keep: 'view', whenViewIsLarger: 'limit-zoom' },
        pitch: { halfLife: 0 },
        lens: {
          fieldOfView: [
            [5, 10],
            [40, widest],
          ],
          halfLife: lensHalfLife,
        },
      },
      { screen: { width: 300, height: 394 } },
    );
    camera.signal({ kind: 'tilt', degrees: -tilt, time: 17 });
    camera.signal({ kind: 'wheel', x: 10, y: 20, notches: -notches, time: 18 });
    for (let time = 0; time < 9000; time += 16) camera.advance(time);
    camera.advance(60_000);
    expect([camera.settled, awayFromGoal(camera)]).toEqual([true, expect.closeTo(0, 4)]);
  });
});

test('G4: what a hand pulls over a ragged coast comes back to where a hard edge would have stopped it', () => {
  const moves = fc.array(fc.tuple(between(-900, 900), between(-900, 900)), { minLength: 1, maxLength: 8 });
  const pulled = { count: 0 };
  forAll(coasts, moves, between(200, 1500), ([polygon = []], list, span) => {
    const [elastic, hard] = [0.4, 0].map((share) => {
      const bounds = { polygon, keep: 'focus', elastic: share } as const;
      const camera = new Camera(
        { bounds, start: { x: 0, y: 0, span }, drag: { glideHalfLife: 0 } },
        { screen: { width: 800, height: 800 } },
      );
      let time = 0;
      for (const [x, y] of list) {
        camera.hold(1, 400 + x, 400 + y);
        camera.advance((time += 16));
      }
      pulled.count += camera.boundsExcess > 0.01 * span ? 1 : 0;
      camera.unhold();
      while (time < 8000) camera.advance((time += 16));
      return camera.shown;
    });
    expect(pixelsBetween(elastic ?? { x: NaN, y: NaN }, hard ?? { x: NaN, y: NaN }) / span).toBeLessThan(1e-6);
  });
  expect(pulled.count).toBeGreaterThan(10);
});
