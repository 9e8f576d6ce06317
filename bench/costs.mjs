/** Measures of a frame: time, and memory. */
import { sink } from './rows.mjs';

/**
 * Nanoseconds a call of each: the least of many rounds, taken in turns so that a busy machine slows all of them alike.
 * A round lasts some 0.1 ms: short enough to fall between two interruptions. After `seconds` it is enough.
 */
export function costs(frames, calls = 50, rounds = 3_000, seconds = 2) {
  const min = frames.map(() => Infinity);
  const end = process.hrtime.bigint() + BigInt(seconds * 1e9);
  for (let round = 0; round < rounds && process.hrtime.bigint() < end; round++) {
    frames.forEach((frame, which) => {
      const begin = process.hrtime.bigint();
      for (let i = 0; i < calls; i++) frame();
      min[which] = Math.min(min[which], Number(process.hrtime.bigint() - begin) / calls);
    });
  }
  if (!Number.isFinite(sink[0])) throw new Error('a frame gave no number');
  return min;
}

/** Bytes a call: the middle one (or of another rank) of many short stretches, none so long that anything is collected. */
export function bytes(frame, calls = 2_000, stretches = 51, rank = 0.5) {
  const spent = [];
  for (let i = 0; i < stretches; i++) {
    globalThis.gc();
    const before = process.memoryUsage().heapUsed;
    for (let k = 0; k < calls; k++) frame();
    spent.push((process.memoryUsage().heapUsed - before) / calls);
  }
  return spent.sort((a, b) => a - b)[Math.round((stretches - 1) * rank)];
}
