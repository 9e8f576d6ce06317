/** Laws: what holds for everything that generators make. */
import fc from 'fast-check';

type Law<Values extends [unknown, ...unknown[]]> = [
  ...generators: { [K in keyof Values]: fc.Arbitrary<Values[K]> },
  holds: (...values: Values) => void,
];

export function forAll<Values extends [unknown, ...unknown[]]>(...law: Law<Values>): void {
  fc.assert(fc.property(...law));
}

/** A law of which one case takes as long as two of others. */
export function forHalf<Values extends [unknown, ...unknown[]]>(...law: Law<Values>): void {
  forRuns(Math.ceil((fc.readConfigureGlobal().numRuns ?? 32) / 2), ...law);
}

/** A law that is tried so many times, however often others are. */
export function forRuns<Values extends [unknown, ...unknown[]]>(numRuns: number, ...law: Law<Values>): void {
  fc.assert(fc.property(...law), { numRuns });
}
