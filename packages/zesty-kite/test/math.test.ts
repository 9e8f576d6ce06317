/** The elementary functions against the engine's: never more than one unit in the last place apart. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { atan2, clamp, cos, exp2, finite, log2, remaining, sin, timeToRest } from '../src/math/index.ts';
import { between } from './steering.ts';

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
  ['sin', between(-1e5, 1e5), sin, Math.sin],
  ['cos', between(-1e5, 1e5), cos, Math.cos],
];

test.each(cases)('%s is within 2 units in the last place of the engine', (_name, inputs, ours, engine) => {
  fc.assert(
    fc.property(inputs, (x) => {
      expect(Math.abs(ours(x) - engine(x))).toBeLessThanOrEqual(2 * ulp(engine(x)));
    }),
    { numRuns: 20_000 },
  );
});

test('atan2 is within 2 units in the last place of the engine, signs of zero and infinities included', () => {
  const side = fc.oneof(fc.double({ noNaN: true }), between(-4, 4), fc.constantFrom(0, -0, Infinity, -Infinity));
  fc.assert(
    fc.property(side, side, (y, x) => {
      const engine = Math.atan2(y, x);
      if (engine === 0) expect(Object.is(atan2(y, x), engine)).toBe(true);
      else expect(Math.abs(atan2(y, x) - engine)).toBeLessThanOrEqual(2 * ulp(engine));
    }),
    { numRuns: 20_000 },
  );
});

test('powers of two are exact both ways, subnormal ones too', () => {
  for (let n = -1074; n <= 1023; n++) {
    expect(log2(exp2(n))).toBe(n);
    expect(exp2(n)).toBe(2 ** n);
  }
  expect([exp2(1024), exp2(-1075), exp2(-Infinity), exp2(Infinity)]).toEqual([Infinity, 0, 0, Infinity]);
  expect([log2(0), log2(-1), log2(Infinity), exp2(NaN), sin(Infinity), atan2(NaN, 1)]).toEqual([
    -Infinity,
    NaN,
    Infinity,
    NaN,
    NaN,
    NaN,
  ]);
});

test('G5: two half steps leave what one whole step leaves, and timeToRest says when that is the tolerance', () => {
  const seconds = between(0, 5);
  const halfLives = between(0.001, 5);
  fc.assert(
    fc.property(seconds, seconds, halfLives, (a, b, halfLife) => {
      expect(remaining(a, halfLife) * remaining(b, halfLife)).toBeCloseTo(remaining(a + b, halfLife), 12);
      const rest = timeToRest(8, 1e-3, halfLife);
      expect((8 * remaining(rest, halfLife)) / 1e-3).toBeCloseTo(1, 9);
    }),
  );
  expect(remaining(1, 0)).toBe(0);
  expect(timeToRest(1e-4, 1e-3, 1)).toBe(0);
});

test('clamp keeps to its range and prefers the low end of a crossed one; finite never hands on -0', () => {
  expect([clamp(5, 0, 3), clamp(-5, 0, 3), clamp(2, 0, 3), clamp(2, 3, 0), clamp(9, 3, 0)]).toEqual([3, 0, 2, 3, 3]);
  expect([finite(NaN, 7), finite(-Infinity, 7), finite(2, 7)]).toEqual([7, 7, 2]);
  expect(Object.is(finite(-0, 7), 0)).toBe(true);
});
