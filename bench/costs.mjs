/** Measures of a frame: time, and memory. */
import { sink } from './rows.mjs';

/**
 * Nanoseconds a call of each: the middle one of many short rounds, taken in turns so that a busy machine slows all of them alike. The
 * least would be that of the cheapest moments. A round is too short for many interruptions; after `seconds` it is enough.
 */
export function costs(frames, calls = 50, rounds = 3_000, seconds = 2) {
  const spent = frames.map(() => []);
  const end = process.hrtime.bigint() + BigInt(seconds * 1e9);
  for (let round = 0; round < rounds && process.hrtime.bigint() < end; round++) {
    frames.forEach((frame, which) => {
      const begin = process.hrtime.bigint();
      for (let i = 0; i < calls; i++) frame();
      spent[which].push(Number(process.hrtime.bigint() - begin) / calls);
    });
  }
  if (!Number.isFinite(sink[0])) throw new Error('a frame gave no number');
  return spent.map(middleOf);
}

function middleOf(values) {
  return values.sort((a, b) => a - b)[values.length >> 1];
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
