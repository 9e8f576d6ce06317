/** The parts of a camera that devices and programs use. A camera in a worker has them too. */
import type { Calls } from './calls.ts';
import type { FullSettings } from './settings/index.ts';
import type { Signal } from './signals/index.ts';
import type { Pose, View } from './view/index.ts';

export interface InputTarget {
  /** The settings in force. */
  readonly settings: Readonly<FullSettings>;
  /** True while nothing moves and nothing waits: no frame is needed. */
  readonly settled: boolean;
  /** The view of the last frame. */
  readonly view: View;
  /** Takes a signal. Returns false if the camera has no use for it, so it is left to the page. Times are those of page events. */
  signal(signal: Signal): boolean;
  /** Returns true if an input is bound. The page's menu and scrolling are suppressed for bound inputs. */
  binds(input: string): boolean;
  /** Calls a function in each frame, with the time of the frame. Returns a function that ends the calls. */
  poll(poll: (time: number) => void): () => void;
}

/** A camera in this thread, or the stand-in for a camera in a worker. */
export interface CameraLike extends InputTarget, Pick<Calls, keyof Calls> {
  /** The pose of the frame that is shown. */
  readonly shown: Pose;
  /** The pose that the camera moves to. */
  readonly goal: Pose;
  /** Set for a camera in another thread: runs a call there. */
  readonly elsewhere?: Elsewhere;
}

/** The other thread of a camera. */
export interface Elsewhere {
  /** @returns the outcome of a named call there; null if the connection is closed */
  readonly call: (name: string, args: readonly unknown[], stop?: Stop) => Promise<unknown>;
}

/** The parts of an `AbortSignal` that are used. */
export interface Stop {
  /** True after the abort. */
  readonly aborted: boolean;
  /** Adds a function that is called on the abort. */
  addEventListener(type: 'abort', listener: () => void): void;
}
