/** A bar on the terminal for work of over a second. */
import type { SingleBar } from 'cli-progress';

export interface Progress {
  /** @param read bytes so far */
  update(read: number): void;
  stop(): void;
}

const PATIENCE_MS = 1000;

/** @param size bytes in all; null where nobody knows */
export async function createProgress(size: number | null): Promise<Progress> {
  if (size === null || !process.stderr.isTTY) return { update: () => undefined, stop: () => undefined };
  const { SingleBar } = await import('cli-progress');
  const began = performance.now();
  let bar: SingleBar | null = null;
  return {
    update: (read) => {
      if (performance.now() - began < PATIENCE_MS) return;
      if (bar === null) {
        bar = new SingleBar({
          format: 'playing {bar} {percentage} %',
          clearOnComplete: true,
          hideCursor: true,
          stream: process.stderr,
        });
        bar.start(size, read);
      }
      bar.update(read);
    },
    stop: () => {
      bar?.stop();
      bar = null;
    },
  };
}
