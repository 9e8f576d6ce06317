/** The quick `expect` of these tests says what Jest's says. */
import { expect as jest, test } from '@jest/globals';
import fc from 'fast-check';
import { expect } from './expect.ts';

const COMPARISONS = [
  'toBe',
  'toBeLessThan',
  'toBeLessThanOrEqual',
  'toBeGreaterThan',
  'toBeGreaterThanOrEqual',
] as const;

/** What a failed comparison says; empty for none. */
function said(compare: () => unknown): string {
  try {
    compare();
    return '';
  } catch (error) {
    return String(error);
  }
}

test('a comparison fails exactly when that of Jest does, with the same message', () => {
  const edges = fc.constantFrom(0, -0, 1, NaN, Infinity, -Infinity, 1 + 2 ** -52, undefined, null, '1', 1n);
  const values = fc.oneof(fc.double({ min: -2, max: 2 }), edges);
  let failed = 0;
  fc.assert(
    fc.property(
      values,
      values,
      fc.integer({ min: 0, max: 12 }),
      fc.double({ min: 0, max: 1 }),
      (got, wanted, digits, share) => {
        const other = wanted as number;
        for (const matcher of COMPARISONS) {
          const message = said(() => jest(got)[matcher](other));
          jest(said(() => expect(got)[matcher](other))).toBe(message);
          if (message !== '') failed += 1;
        }
        // From half of a last digit on it is not close.
        const near = Number(got) + share * 10 ** -digits;
        for (const at of [other, near])
          jest(said(() => expect(got).toBeCloseTo(at, digits))).toBe(said(() => jest(got).toBeCloseTo(at, digits)));
      },
    ),
    { numRuns: 500 },
  );
  jest(failed).toBeGreaterThan(500);
});

test('every other matcher is that of Jest', () => {
  jest(said(() => expect([1, 2]).toEqual([1, 3]))).toBe(said(() => jest([1, 2]).toEqual([1, 3])));
  jest(said(() => expect(1).not.toBe(1))).toBe(said(() => jest(1).not.toBe(1)));
  expect([0.1 + 0.2]).toEqual([expect.closeTo(0.3)]);
});
