/** A binding that waits for a key or a button. */
import { nextInput } from 'zesty-kite/dom';

export class AwaitedInput {
  /** The binding that waits; null if none does. */
  path: string | null = null;
  readonly #window: Window & typeof globalThis;
  readonly #changed: () => void;
  #stop = new AbortController();

  /** @param changed called when waiting begins, and when it ends */
  constructor(window: Window & typeof globalThis, changed: () => void) {
    this.#window = window;
    this.#changed = changed;
  }

  /** Waits for an input, and passes it on. Escape ends that. */
  begin(path: string, take: (input: string) => void): void {
    this.end();
    const { signal } = (this.#stop = new AbortController());
    this.path = path;
    this.#changed();
    void nextInput(this.#window, signal).then((input) => {
      if (signal.aborted) return;
      this.path = null;
      if (input !== null) take(input);
      this.#changed();
    });
  }

  end(): void {
    this.#stop.abort();
    this.path = null;
  }
}
