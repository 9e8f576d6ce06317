/**
 * How long properties are searched: 32 cases each, or as many as ZESTY_KITE_RUNS says, and no
 * search for a smallest counterexample beyond a second for each.
 */
import fc from 'fast-check';

const numRuns = Number(process.env['ZESTY_KITE_RUNS'] ?? 32);
// The newer form of the limit, a plugin, cannot be set for every property at once.
/* eslint-disable-next-line @typescript-eslint/no-deprecated */
fc.configureGlobal({ numRuns, interruptAfterTimeLimit: 1000 * numRuns + 20_000, markInterruptAsFailure: true });
