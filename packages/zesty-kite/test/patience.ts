/**
 * How long properties are searched: 100 cases each, or as many as ZESTY_KITE_RUNS says, and no
 * search for a smallest counterexample beyond a minute for every hundred.
 */
import fc from 'fast-check';

const numRuns = Number(process.env['ZESTY_KITE_RUNS'] ?? 100);
// The newer form of the limit, a plugin, cannot be set for every property at once.
/* eslint-disable-next-line @typescript-eslint/no-deprecated */
fc.configureGlobal({ numRuns, interruptAfterTimeLimit: 600 * numRuns, markInterruptAsFailure: true });
