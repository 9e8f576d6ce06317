/** Laws: what holds for everything that generators make. */
import { readFileSync } from 'node:fs';
import { expect } from '@jest/globals';
import fc from 'fast-check';

type Law<Values extends [unknown, ...unknown[]]> = [
  ...generators: { [K in keyof Values]: fc.Arbitrary<Values[K]> },
  holds: (...values: Values) => void,
];

/** A case that once broke a law: its test, the number of the law in the test, the seed and the path of the case. */
interface Found {
  readonly test: string;
  readonly law: number;
  readonly seed: number;
  readonly path: string;
}

/** Written by `npm run search`. */
const FOUND = JSON.parse(readFileSync(new URL('found.json', import.meta.url), 'utf8')) as readonly Found[];
/** The test that runs, and how many laws it has begun. */
const running = { test: '', laws: 0 };

/** Cases of most laws in a test run. */
const CASES = 32;

export function forAll<Values extends [unknown, ...unknown[]]>(...law: Law<Values>): void {
  forRuns(CASES, ...law);
}

/** A law of which one case takes as long as two of others. */
export function forHalf<Values extends [unknown, ...unknown[]]>(...law: Law<Values>): void {
  forRuns(CASES / 2, ...law);
}

/** A law with a number of cases for a test run, which a search multiplies. Each case that broke it once is tried first. */
export function forRuns<Values extends [unknown, ...unknown[]]>(cases: number, ...law: Law<Values>): void {
  const numRuns = Math.ceil((cases * (fc.readConfigureGlobal().numRuns ?? CASES)) / CASES);
  const { currentTestName: test = '' } = expect.getState();
  if (running.test !== test) Object.assign(running, { test, laws: 0 });
  running.laws += 1;
  const number = running.laws;
  const property = fc.property(...law);
  for (const { seed, path } of FOUND.filter((found) => found.test === test && found.law === number))
    fc.assert(property, { seed, path, numRuns: 1, endOnFailure: true });
  try {
    fc.assert(property, { numRuns });
  } catch (error) {
    if (error instanceof Error) error.message = `Law ${String(number)}: ${error.message}`;
    throw error;
  }
}
