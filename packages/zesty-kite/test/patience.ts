/**
 * How long properties are searched: 32 cases each, the same ones every time, so that a failure is the change's; or as many
 * as ZESTY_KITE_RUNS says, from ZESTY_KITE_SEED on, or others every time. No search for a smallest counterexample beyond a second for each.
 */
import fc from 'fast-check';

const runs = process.env['ZESTY_KITE_RUNS'];
const seed = process.env['ZESTY_KITE_SEED'];
const numRuns = Number(runs ?? 32);
fc.configureGlobal({
  ...(runs === undefined ? { seed: 1 } : seed === undefined ? {} : { seed: Number(seed) }),
  numRuns,
  // The newer form of the limit, a plugin, cannot be set for every property at once.
  /* eslint-disable @typescript-eslint/no-deprecated */
  interruptAfterTimeLimit: 3000 * numRuns + 20_000,
  markInterruptAsFailure: true,
});
