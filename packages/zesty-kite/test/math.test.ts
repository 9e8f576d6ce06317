/** The elementary functions against the engine's: never more than a few units in the last place apart. */
import { test } from '@jest/globals';
import { expect } from './expect.ts';
import fc from 'fast-check';
import {
  Angle,
  atan2,
  clamp,
  convexHull,
  createCurve,
  curveAt,
  Decay,
  exp2,
  finite,
  log2,
  nearestRoot,
} from '../src/math/index.ts';
import { forAll, forRuns } from './law.ts';
import { between } from './steering.ts';

function sinDegrees(degrees: number): number {
  const angle = new Angle();
  angle.degrees = degrees;
  angle.compute();
  return angle.sine;
}

function cosDegrees(degrees: number): number {
  const angle = new Angle();
  angle.degrees = degrees;
  angle.compute();
  return angle.cosine;
}

/** The distance from |x| to the next double. */
function ulp(x: number): number {
  const bits = new DataView(new ArrayBuffer(8));
  bits.setFloat64(0, Math.abs(x));
  bits.setBigUint64(0, bits.getBigUint64(0) + 1n);
  return bits.getFloat64(0) - Math.abs(x);
}

const cases: [string, fc.Arbitrary<number>, (x: number) => number, (x: number) => number][] = [
  ['exp2', between(-1070, 1023.9), exp2, (x) => 2 ** x],
  ['log2', fc.double({ min: Number.MIN_VALUE, noNaN: true, noDefaultInfinity: true }), log2, Math.log2],
  ['log2 near 1', between(0.7, 1.4), log2, Math.log2],
  ['sinDegrees', between(-45, 45), sinDegrees, (x) => Math.sin((x * Math.PI) / 180)],
  ['cosDegrees', between(-45, 45), cosDegrees, (x) => Math.cos((x * Math.PI) / 180)],
];

test.each(cases)('%s is within 4 units in the last place of the engine', (_name, inputs, ours, engine) =>
  forRuns(20_000, inputs, (x) => expect(Math.abs(ours(x) - engine(x))).toBeLessThanOrEqual(4 * ulp(engine(x)))),
);

test('atan2 is within 2 units in the last place of the engine, signs of zero and infinities included', () => {
  const side = fc.oneof(fc.double({ noNaN: true }), between(-4, 4), fc.constantFrom(0, -0, Infinity, -Infinity));
  forRuns(20_000, side, side, (y, x) => {
    const engine = Math.atan2(y, x);
    if (engine === 0) expect(Object.is(atan2(y, x), engine)).toBe(true);
    else expect(Math.abs(atan2(y, x) - engine)).toBeLessThanOrEqual(2 * ulp(engine));
  });
});

test('powers of two are exact both ways, subnormal ones too', () => {
  for (let n = -1074; n <= 1023; n++) {
    expect(log2(exp2(n))).toBe(n);
    expect(exp2(n)).toBe(2 ** n);
  }
  expect([exp2(1024), exp2(-1075), exp2(-Infinity), exp2(Infinity)]).toEqual([Infinity, 0, 0, Infinity]);
  expect([log2(0), log2(-1), log2(Infinity), exp2(NaN), sinDegrees(Infinity), atan2(NaN, 1)]).toEqual([
    -Infinity,
    NaN,
    Infinity,
    NaN,
    NaN,
    NaN,
  ]);
});

test('G5: two steps after a target that moves evenly lead where one whole step leads; half goes in a half-life', () => {
  const seconds = between(1e-6, 5);
  const decay = new Decay();
  forAll(seconds, seconds, between(0.001, 5), between(-9, 9), between(-9, 9), (a, b, halfLife, off, speed) => {
    decay.take(halfLife);
    const after = (from: number, length: number): number => decay.over(length).left(from, speed * length);
    expect(after(after(off, a), b)).toBeCloseTo(after(off, a + b), 9);
    expect(after(off, 1e-6)).toBeCloseTo(off, 1);
    decay.over(halfLife);
    expect(decay.remaining).toBeCloseTo(0.5, 15);
  });
  decay.take(0);
  decay.over(1e-6);
  expect([decay.remaining, decay.left(7, 3)]).toEqual([0, 0]);
});

test('clamp keeps to its range and prefers the low end of a crossed one; finite never hands on -0', () => {
  expect([clamp(5, 0, 3), clamp(-5, 0, 3), clamp(2, 0, 3), clamp(2, 3, 0), clamp(9, 3, 0)]).toEqual([3, 0, 2, 3, 3]);
  expect([finite(NaN, 7), finite(-Infinity, 7), finite(2, 7)]).toEqual([7, 7, 2]);
  expect(Object.is(finite(-0, 7), 0)).toBe(true);
});

test('sine and cosine of degrees repeat every 360 and are exact at every multiple of 90', () => {
  for (let turn = -9; turn <= 9; turn++) {
    const quarter = ((turn % 4) + 4) % 4;
    expect(sinDegrees(turn * 90)).toBe([0, 1, 0, -1][quarter]);
    expect(cosDegrees(turn * 90)).toBe([1, 0, -1, 0][quarter]);
  }
  forAll(fc.integer({ min: -3600, max: 3600 }), fc.integer({ min: -50, max: 50 }), (eighths, turns) => {
    expect(sinDegrees(eighths / 8 + turns * 360)).toBe(sinDegrees(eighths / 8));
    expect(sinDegrees(eighths / 8) ** 2 + cosDegrees(eighths / 8) ** 2).toBeCloseTo(1, 14);
  });
});

const stops = fc
  .uniqueArray(fc.integer({ min: -40, max: 40 }), { minLength: 1, maxLength: 8 })
  .chain((xs) =>
    fc.tuple(...xs.toSorted((a, b) => a - b).map((x) => between(-90, 90).map((y) => [x, y + 0] as const))),
  );

test('a curve goes through its stops, is monotone between them, never passes them, and is flat outside', () =>
  forAll(stops, fc.array(between(0, 1), { minLength: 2, maxLength: 2 }), (points, shares) => {
    const curve = createCurve(points);
    points.forEach(([x, y], i) => {
      expect(curveAt(curve, x)).toBe(y + 0);
      const [nextX, nextY] = points[i + 1] ?? [x, y];
      const [a = 0, b = 0] = shares.toSorted((one, other) => one - other).map((t) => x + (nextX - x) * t);
      const up = Math.sign(nextY - y);
      expect((curveAt(curve, b) - curveAt(curve, a)) * up).toBeGreaterThanOrEqual(-1e-12);
      expect((curveAt(curve, a) - y) * up).toBeGreaterThanOrEqual(-1e-12);
      expect((nextY - curveAt(curve, b)) * up).toBeGreaterThanOrEqual(-1e-12);
    });
    expect(curveAt(curve, -1e9)).toBe(points[0]?.[1]);
    expect(curveAt(curve, 1e9)).toBe(points.at(-1)?.[1]);
  }));

test('the nearest root is a root, and none lies nearer by more than the steps of the search', () => {
  const roots = fc.uniqueArray(fc.integer({ min: 1, max: 24 }), { minLength: 1, maxLength: 4 });
  forAll(roots, between(1, 100), (list, from) => {
    const f = (x: number): number => list.reduce((product, root) => product * (log2(x) - root / 4), 1);
    const found = nearestRoot(f, from, 1, 200, 0);
    const off = (x: number): number => Math.abs(Math.log(x / from));
    const nearest = Math.min(...list.map((root) => off(2 ** (root / 4))));
    expect(Math.min(...list.map((root) => Math.abs(found / 2 ** (root / 4) - 1)))).toBeLessThan(1e-9);
    expect(off(found)).toBeLessThanOrEqual(nearest + Math.log(1.07));
  });
  expect(nearestRoot((x) => x + 1, 5, 1, 10, 0)).toBe(1);
});

test('a convex hull holds every point and turns one way', () => {
  const points = fc.uniqueArray(fc.tuple(fc.integer({ min: -9, max: 9 }), fc.integer({ min: -9, max: 9 })), {
    minLength: 3,
    maxLength: 40,
    selector: ([x, y]) => `${String(x)} ${String(y)}`,
  });
  forAll(points, (list) => {
    const hull = convexHull(list);
    fc.pre(hull.length > 2);
    hull.forEach(([ax, ay], i) => {
      const [bx, by] = hull[(i + 1) % hull.length] ?? [0, 0];
      for (const [x, y] of list) expect((bx - ax) * (y - ay) - (by - ay) * (x - ax)).toBeGreaterThanOrEqual(0);
    });
  });
});
