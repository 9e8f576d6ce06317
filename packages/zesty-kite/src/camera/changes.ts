/** Settings in force, and changes of them that wait. */
import { changeSettings, mergeSettings, type Checked, type FullSettings, type Settings } from '../settings/index.ts';
import type { ChangeSignal } from '../signals/index.ts';

export class Changes {
  inForce: Checked;
  /** The settings after each waiting change, one by one; and the time of the last of them. */
  readonly #waiting: Checked[] = [];
  #taken = 0;
  #lastTime = -Infinity;
  /** The settings of the last call of `change`, while it waits. */
  #called: Checked | null = null;
  readonly #amends: ((change: Settings) => Settings | null)[] = [];

  constructor(inForce: Checked) {
    this.inForce = inForce;
  }

  /** The settings after all that has been called. */
  get called(): FullSettings {
    return (this.#called ?? this.inForce).settings;
  }

  /** The settings after the next change that waits. */
  get next(): Checked {
    return this.after(0) ?? this.inForce;
  }

  /** The settings after all changes that wait. */
  get #last(): Checked {
    return this.#waiting.at(-1) ?? this.inForce;
  }

  /** Returns the settings after one of the changes that wait. */
  after(index: number): Checked | undefined {
    return this.#waiting[this.#taken + index];
  }

  /** Lays further settings over every change from now on. */
  amend(amend: (change: Settings) => Settings | null): void {
    this.#amends.push(amend);
  }

  /** Returns a change with what is laid over it. A bad change is rejected before the layers see it. */
  amended(body: ChangeSignal): ChangeSignal {
    if (this.#amends.length === 0) return body;
    changeSettings(this.#last, body.settings);
    const layers = this.#amends.map((amend) => amend(body.settings) ?? {});
    return { kind: 'change', settings: mergeSettings(body.settings, ...layers) };
  }

  /**
   * Adds a change to those that wait; it never overtakes them.
   *
   * @param time DOM milliseconds; -Infinity for a call
   * @returns the time at which it takes effect
   * @throws SettingsError for a change that does not fit after those that wait
   */
  add(change: Settings, time: number): number {
    const checked = changeSettings(this.#last, change);
    if (this.#taken === this.#waiting.length) this.#forget();
    this.#waiting.push(checked);
    this.#lastTime = Math.max(this.#lastTime, time);
    if (time === -Infinity) this.#called = checked;
    return this.#lastTime;
  }

  /** Removes the next change from those that wait, and returns the settings after it. */
  take(): Checked {
    const taken = this.next;
    this.#taken += 1;
    if (taken === this.#called) this.#called = null;
    return taken;
  }

  /** The settings after all changes: a signal that comes next is judged by them. */
  get last(): FullSettings {
    return this.#last.settings;
  }

  #forget(): void {
    this.#waiting.length = this.#taken = 0;
    this.#lastTime = -Infinity;
  }
}
