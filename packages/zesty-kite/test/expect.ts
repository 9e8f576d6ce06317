/**
 * Jest's `expect`, quick enough for laws that ask a million times. Jest prepares all of its matchers in each call; here it is called
 * once a comparison fails, for its message, and for all other matchers.
 */
import { expect as jest } from '@jest/globals';

class Expectation {
  readonly got: unknown;

  constructor(got: unknown) {
    this.got = got;
  }

  toBe(wanted: unknown): void {
    if (!Object.is(this.got, wanted)) jest(this.got).toBe(wanted);
  }

  toBeLessThan(most: number): void {
    if (!(areNumbers(this.got, most) && this.got < most)) jest(this.got).toBeLessThan(most);
  }

  toBeLessThanOrEqual(most: number): void {
    if (!(areNumbers(this.got, most) && this.got <= most)) jest(this.got).toBeLessThanOrEqual(most);
  }

  toBeGreaterThan(least: number): void {
    if (!(areNumbers(this.got, least) && this.got > least)) jest(this.got).toBeGreaterThan(least);
  }

  toBeGreaterThanOrEqual(least: number): void {
    if (!(areNumbers(this.got, least) && this.got >= least)) jest(this.got).toBeGreaterThanOrEqual(least);
  }

  toBeCloseTo(wanted: number, digits = 2): void {
    const isClose = areNumbers(this.got, wanted) && Math.abs(this.got - wanted) < 10 ** -digits / 2;
    if (!isClose) jest(this.got).toBeCloseTo(wanted, digits);
  }
}

function areNumbers(got: unknown, other: unknown): got is number {
  return typeof got === 'number' && typeof other === 'number';
}

Object.setPrototypeOf(
  Expectation.prototype,
  new Proxy({}, { get: (_, matcher, { got }: Expectation): unknown => Reflect.get(jest(got), matcher) }),
);

export const expect = new Proxy(jest, { apply: (_, __, [got]) => new Expectation(got) });
