/** What devices and programs need of a camera: one that is here, or one that stands for a camera in a worker. */
import type { Calls } from './calls.ts';
import type { FullSettings } from './settings/index.ts';
import type { Signal } from './signals/index.ts';
import type { Pose, View } from './view/index.ts';

export interface Steered {
  /** The settings in force: which presses drag and from where on, how wide edges are, what is locked. */
  readonly settings: Readonly<FullSettings>;
  /** Nothing moves and nothing waits: no frames are expected. */
  readonly settled: boolean;
  /** The view that was shown last. */
  readonly view: View;
  /** Hears a signal; says whether there is a use for it: if not, it is the page's. Times are those of the page's events. */
  signal(signal: Signal): boolean;
  /** Whether an input is bound: its menu and the page's own scrolling are suppressed then. */
  binds(input: string): boolean;
  /** Calls this at every frame, with its time; returns a function that ends it. */
  poll(poll: (time: number) => void): () => void;
}

/** A camera that is here, or stands for one elsewhere: every call that is a signal, and what it shows. */
export interface CameraLike extends Steered, Pick<Calls, keyof Calls> {
  readonly shown: Pose;
  /** Where it is heading to. */
  readonly goal: Pose;
  /** Of a camera elsewhere: has it do there what this context cannot, and returns the outcome. */
  readonly elsewhere?: Elsewhere;
}

/** Another context, where the camera is. */
export interface Elsewhere {
  /** @returns the outcome of a named call there; null when the connection has been closed */
  readonly call: (name: string, args: readonly unknown[], stop?: Stop) => Promise<unknown>;
}

/** What is used of an `AbortSignal`. */
export interface Stop {
  readonly aborted: boolean;
  addEventListener(type: 'abort', listener: () => void): void;
}
