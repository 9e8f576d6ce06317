/**
 * The messages between a page and the worker of its camera. Times are milliseconds since 1970, made of a context's own
 * clock and where that one counts from: the two count from different moments.
 */
import type { FullSettings } from '../settings/index.ts';
import type { SignalBody } from '../signals/index.ts';
import type { Ground, Insets, Pose, Screen } from '../view/index.ts';

/** The channel of messages: a `Worker`, the `self` of one, or a `MessagePort`. */
export interface Port {
  /** Sends a message to the other end. */
  postMessage(message: unknown): void;
  /** Adds a function that receives messages. */
  addEventListener(type: 'message', listener: (event: { readonly data: unknown }) => void): void;
  /** Removes it. */
  removeEventListener(type: 'message', listener: (event: { readonly data: unknown }) => void): void;
  /** A `MessagePort` has to be started. */
  start?(): void;
}

/** From the page. */
export interface SignalMessage {
  readonly zestyKite: 'signal';
  /** Counts signals and calls. */
  readonly id: number;
  readonly signal: SignalBody;
  /** Left out: now. */
  readonly time?: number;
}

/** From the page: a call by its name. Its outcome comes back with the same id. */
export interface CallMessage {
  readonly zestyKite: 'call';
  readonly id: number;
  readonly name: string;
  readonly args: readonly unknown[];
}

/** From the page: the call of this id is to stop. */
export interface StopMessage {
  readonly zestyKite: 'stop';
  readonly id: number;
}

/** From the worker. */
export interface OutcomeMessage {
  readonly zestyKite: 'outcome';
  readonly id: number;
  readonly outcome?: unknown;
  /** The message of what it threw. */
  readonly error?: string;
}

/** From the worker, after each frame. */
export interface FrameMessage {
  readonly zestyKite: 'frame';
  readonly time: number;
  readonly pose: Pose;
  readonly goal: Pose;
  readonly screen: Screen;
  readonly insets: Insets;
  /** Without its terrain. */
  readonly ground: Ground;
  readonly settled: boolean;
  /** The id of the last signal or call that has come from the page; 0 for none. */
  readonly taken: number;
  /** The settings in force. They are left out when they are as in the message before. */
  readonly settings?: FullSettings;
}

type Message = SignalMessage | CallMessage | StopMessage | OutcomeMessage | FrameMessage;

/** Other messages may go the same way, and a broken one is none of ours. */
export function messageOf(data: unknown): Message | null {
  if (typeof data !== 'object' || data === null || !('zestyKite' in data)) return null;
  const message = data as Message;
  switch (message.zestyKite) {
    case 'signal':
    case 'call':
    case 'stop':
    case 'outcome':
      return Number.isInteger(message.id) ? message : null;
    case 'frame':
      return isFrame(message) ? message : null;
    default:
      return null;
  }
}

const POSE = ['x', 'y', 'focusHeight', 'span', 'heading', 'pitch', 'fieldOfView'];

function isFrame({ time, pose, goal, screen, insets, ground, taken }: FrameMessage): boolean {
  const areAll =
    areFinite(pose, POSE) &&
    areFinite(goal, POSE) &&
    areFinite(screen, ['width', 'height']) &&
    areFinite(insets, ['left', 'top', 'right', 'bottom']) &&
    areFinite(ground, ['lowest', 'highest']);
  return (
    areAll && Number.isFinite(time + taken) && pose.span > 0 && goal.span > 0 && screen.width > 0 && screen.height > 0
  );
}

function areFinite(value: unknown, names: readonly string[]): boolean {
  if (typeof value !== 'object' || value === null) return false;
  const fields = value as Readonly<Record<string, unknown>>;
  return names.every((name) => Number.isFinite(fields[name]));
}

/** The origin of the times of this thread. */
export function clockOrigin(): number {
  /* eslint-disable-next-line no-restricted-globals -- no clock is read: only where its times count from */
  return performance.timeOrigin;
}
