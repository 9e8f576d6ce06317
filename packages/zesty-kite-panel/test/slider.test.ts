/** Sliders: every value has its way, every way its value, and finer is finer. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { rounded, scaleOf, valueOn, wayOf } from '../src/tuning/slider.ts';

interface Node {
  readonly title?: string;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly properties?: Readonly<Record<string, Node>>;
}
const schema = JSON.parse(
  readFileSync(new URL('../../zesty-kite/dist/settings.schema.json', import.meta.url), 'utf8'),
) as { readonly $defs: { readonly useful: Node } };

const rangesOf = (node: Node): [number, number, string][] =>
  node.properties === undefined
    ? node.minimum === undefined || node.maximum === undefined
      ? []
      : [[node.minimum, node.maximum, node.title ?? '']]
    : Object.values(node.properties).flatMap(rangesOf);
const ranges = rangesOf(schema.$defs.useful);
const scales = fc.constantFrom(...ranges).map(([least, most, unit]) => scaleOf([least, most], unit));
const ways = fc.double({ min: 0, max: 1, noNaN: true });

test('a way leads to a value whose way it is, to a hundredth; more way is more value; the ends are exact', () => {
  expect(ranges.length).toBeGreaterThan(60);
  fc.assert(
    fc.property(scales, ways, ways, (scale, one, other) => {
      const value = valueOn(scale, one);
      expect(value).toBeGreaterThanOrEqual(scale.minimum);
      expect(value).toBeLessThanOrEqual(scale.maximum);
      expect(Math.abs(wayOf(scale, value) - one)).toBeLessThan(0.011);
      if (one > other) expect(value).toBeGreaterThanOrEqual(valueOn(scale, other));
      expect([valueOn(scale, 0), valueOn(scale, 1)]).toEqual([scale.minimum, scale.maximum]);
    }),
    { numRuns: 5000 },
  );
});

test('a rounded value is within the grain, and has few digits', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -1e9, max: 1e9, noNaN: true }),
      fc.double({ min: 1e-6, max: 1e6, noNaN: true }),
      (value, grain) => {
        const near = rounded(value, grain);
        expect(Math.abs(near - value)).toBeLessThanOrEqual(grain * 0.501 + Math.abs(value) * 1e-12);
      },
    ),
  );
});
