/** Printing that fails aloud: a full disk behind `>` must not look like success. */
import { Failure, printable, reasonOf } from '../failure.ts';

const NAMES = { stdout: 'standard output', stderr: 'standard error' } as const;

/** @throws Failure when it cannot be written */
export function print(where: keyof typeof NAMES, text: string): Promise<void> {
  return new Promise((resolve, reject) => {
    process[where].write(where === 'stderr' ? printable(text) : text, (error) => {
      if (error) reject(new Failure(`${NAMES[where]}: ${reasonOf(error)}`, { cause: error }));
      else resolve();
    });
  });
}
