/** The events of a camera: steering, ends of motions, rest, limits. */
import type { Side } from '../hands/index.ts';
import { refuse } from '../messages/index.ts';
import type { SignalBody } from '../signals/index.ts';

/** The kind of the signal: `wheel`, `key`, `place` … */
export type By = SignalBody['kind'];

export interface CameraEvents {
  /** The player begins to steer; fires once until the camera rests, or the program moves it. */
  readonly steer: { readonly time: number; readonly by: By };
  /**
   * Something that was under way has ended, and why: it has arrived, a limit stopped it, or a signal of this kind came.
   * `what` is an eased `zoom`, `turn` or `tilt`, or a mover by its name: `glide`, `home`, `pan`.
   */
  readonly end: { readonly time: number; readonly what: string; readonly by: By | 'arrival' | 'limit' };
  /**
   * The camera has visibly arrived: nothing in the safe frame will move by half a CSS pixel any more. `rest` comes
   * later, when the last digit stands still.
   */
  readonly arrive: { readonly time: number };
  /** It came to rest: nothing moves, and nothing is held that would move it. */
  readonly rest: { readonly time: number };
  /** The pointer began to pan at these sides of the screen, or no longer pans at any. */
  readonly edge: { readonly time: number; readonly sides: readonly Side[] };
  /** It came to a limit, or left it: the bounds, an end of the zoom, of the heading, or of the pitch. */
  readonly limit: {
    readonly time: number;
    readonly limit: 'bounds' | 'zoom' | 'turn' | 'tilt';
    readonly reached: boolean;
  };
}

export type EventName = keyof CameraEvents;

type Callback = (event: CameraEvents[EventName]) => void;

/** Listeners by event, and the events that they have not received yet. */
export class Listeners {
  readonly #listeners: Readonly<Record<EventName, Callback[]>> = {
    steer: [],
    end: [],
    arrive: [],
    rest: [],
    edge: [],
    limit: [],
  };
  readonly #waiting: { readonly name: EventName; readonly event: CameraEvents[EventName] }[] = [];

  has(name: EventName): boolean {
    return this.#listeners[name].length > 0;
  }

  get any(): boolean {
    return Object.values(this.#listeners).some((list) => list.length > 0);
  }

  /** @returns a function that ends this */
  add<N extends EventName>(name: N, callback: (event: CameraEvents[N]) => void): () => void {
    const list = Object.hasOwn(this.#listeners, name) ? this.#listeners[name] : null;
    if (list === null) refuse('when.event', name, `one of ${Object.keys(this.#listeners).join(', ')}`);
    // The same function may be there twice, and each is ended by itself.
    const listener: Callback = (event) => {
      callback(event as CameraEvents[N]);
    };
    list.push(listener);
    return () => {
      const index = list.indexOf(listener);
      if (index >= 0) list.splice(index, 1);
    };
  }

  put<N extends EventName>(name: N, event: CameraEvents[N]): void {
    if (this.has(name)) this.#waiting.push({ name, event });
  }

  /** Drops waiting events. */
  clear(): void {
    this.#waiting.length = 0;
  }

  /** @param attempt calls what may throw */
  callAll(callSafely: (call: () => void) => void): void {
    if (this.#waiting.length === 0) return;
    for (const { name, event } of this.#waiting.splice(0))
      for (const callback of [...this.#listeners[name]])
        callSafely(() => {
          callback(event);
        });
  }
}
