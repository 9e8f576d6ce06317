/** Passes every signal on to a recording, in the order in which it takes effect. */
import type { MoverSignal } from '../motion/index.ts';
import type { Reports } from '../reports.ts';

/** `at` is microseconds since the session began. */
export type Stamped = MoverSignal & { readonly at: number };
export type Write = (signal: Stamped) => void;

export class Recorder {
  write: Write | null = null;
  /** `write` is running: the calls that it makes wait. */
  isWriting = false;
  readonly #reports: Reports;

  constructor(reports: Reports) {
    this.#reports = reports;
  }

  /** An error of `write` ends the recording; what has happened stays. */
  add(signal: Stamped): void {
    const { write } = this;
    if (write === null) return;
    this.isWriting = true;
    const isWritten = this.#reports.attempt(() => {
      write(signal);
    });
    this.isWriting = false;
    if (!isWritten) this.write = null;
  }
}
