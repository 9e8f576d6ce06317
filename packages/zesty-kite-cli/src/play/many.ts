/** Many sessions on all cores; what came of each, in the order in which they were named. */
import { availableParallelism } from 'node:os';
import type { ReplayTask } from './replayTask.ts';
import type { Row } from '../write/report.ts';

/** At most so many rows wait for the first of them: memory stays the same for a million sessions. */
const AHEAD = 64;

export async function* playMany(tasks: readonly ReplayTask[]): AsyncGenerator<Row> {
  const { Tinypool } = await import('tinypool');
  const pool = new Tinypool({
    filename: new URL('./replayTask.js', import.meta.url).href,
    runtime: 'worker_threads',
    maxThreads: Math.max(1, Math.min(tasks.length, availableParallelism())),
  });
  try {
    const waiting: Promise<Row>[] = [];
    for (const task of tasks) {
      const row = pool.run(task, { name: 'replayTask' }) as Promise<Row>;
      // If nobody waits for it any more, its end is nobody's business.
      row.catch(() => undefined);
      waiting.push(row);
      const first = waiting.length >= AHEAD ? waiting.shift() : undefined;
      if (first !== undefined) yield await first;
    }
    for (const row of waiting) yield await row;
  } finally {
    await pool.destroy();
  }
}
