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
  /** Begins a recording that waits for the time of calls. */
  #begin: (() => Write) | null = null;
  readonly #reports: Reports;

  constructor(reports: Reports) {
    this.#reports = reports;
  }

  /** @param waits for `start`: calls have taken effect whose time comes with the next frame */
  begin(waits: boolean, begin: () => Write): void {
    this.#begin = begin;
    if (!waits) this.start();
  }

  /** Begins a recording that waits, in place of the one under way. */
  start(): void {
    const begin = this.#begin;
    this.#begin = null;
    if (begin !== null) this.write = begin();
  }

  /** An error of `write` ends the recording; what has happened stays. */
  add(signal: Stamped): void {
    const { write } = this;
    if (write === null) return;
    this.isWriting = true;
    const isWritten = this.#reports.callSafely(() => {
      write(signal);
    });
    this.isWriting = false;
    if (!isWritten) this.write = null;
  }
}
