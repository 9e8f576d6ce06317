/**
 * What a page and the worker of its camera tell each other. Times are milliseconds since 1970, made of a context's own
 * clock and where that one counts from: the two count from different moments.
 */
import type { SignalBody } from '../signals/index.ts';
import type { Insets, Pose, Screen } from '../view/index.ts';

/** Whatever messages go through: a `Worker`, the `self` of one, or a `MessagePort`. */
export interface Port {
  postMessage(message: unknown): void;
  addEventListener(type: 'message', listener: (event: { readonly data: unknown }) => void): void;
  removeEventListener(type: 'message', listener: (event: { readonly data: unknown }) => void): void;
  /** A `MessagePort` has to be started. */
  start?(): void;
}

/** From the page. */
export interface SignalMessage {
  readonly zestyKite: 'signal';
  readonly signal: SignalBody;
  /** Left out: now. */
  readonly time?: number;
}

/** From the worker, after each frame. */
export interface FrameMessage {
  readonly zestyKite: 'frame';
  readonly time: number;
  readonly pose: Pose;
  readonly screen: Screen;
  readonly insets: Insets;
  readonly settled: boolean;
}

/** A message of ours; others may go the same way. */
export function messageOf(data: unknown): SignalMessage | FrameMessage | null {
  return typeof data === 'object' && data !== null && 'zestyKite' in data
    ? (data as SignalMessage | FrameMessage)
    : null;
}

/** Where the times of this context count from. */
export function clockOrigin(): number {
  /* eslint-disable-next-line no-restricted-globals -- no clock is read: only where its times count from */
  return performance.timeOrigin;
}
