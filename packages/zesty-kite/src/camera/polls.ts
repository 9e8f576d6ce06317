/** Functions that each frame begins with, for devices that have to be sampled. */
import type { Reports } from '../reports.ts';

type Poll = (time: number) => void;

export class Polls {
  /** Replaced, never changed: a poll may end itself or another. */
  #polls: readonly Poll[] = [];
  #awake = 0;

  /** Whether a poll keeps the camera from being settled. */
  get keepAwake(): boolean {
    return this.#awake > 0;
  }

  /** @returns a function that ends the poll */
  add(poll: Poll, awake: boolean): () => void {
    if (awake) this.#awake += 1;
    let isOn = true;
    // The same function may be added twice, and each ends by itself.
    const added: Poll = (time) => {
      poll(time);
    };
    this.#polls = [...this.#polls, added];
    return () => {
      if (awake && isOn) this.#awake -= 1;
      isOn = false;
      this.#polls = this.#polls.filter((one) => one !== added);
    };
  }

  callAll(time: number, reports: Reports): void {
    const polls = this.#polls;
    for (let i = 0; i < polls.length; i++) {
      const poll = polls[i];
      // A poll that an earlier one ended is not called.
      if (poll === undefined || !this.#polls.includes(poll)) continue;
      try {
        poll(time);
      } catch (error) {
        reports.report(error);
      }
    }
  }
}
