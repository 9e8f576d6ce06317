/** Sessions, read from text and played again. */
import type { Camera, StampedSignal } from '../src/index.ts';
import {
  Replay,
  SessionReader,
  type ReplayOptions,
  type ReplaySummary,
  type SessionHeader,
} from '../src/session/index.ts';

export interface Session {
  readonly header: SessionHeader;
  readonly signals: readonly StampedSignal[];
  readonly unfinishedLine: number | null;
}

/** Reads a session that comes in pieces of so many characters. */
export function read(text: string, piece = 7): Session {
  const reader = new SessionReader();
  const signals: StampedSignal[] = [];
  for (let i = 0; i < text.length; i += piece) signals.push(...reader.push(text.slice(i, i + piece)));
  const { header, signals: last, unfinishedLine } = reader.end();
  return { header, signals: [...signals, ...last], unfinishedLine };
}

export function playAgain(
  { header, signals }: Pick<Session, 'header' | 'signals'>,
  options?: ReplayOptions,
): ReplaySummary & { readonly camera: Camera } {
  const replay = new Replay(header, options);
  for (const signal of signals) replay.push(signal);
  const summary = replay.end();
  return { ...summary, camera: replay.camera };
}
