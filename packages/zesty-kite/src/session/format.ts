/** The session file: newline-delimited JSON, a header line and then a line for each signal. */
import type { SessionStart } from '../camera/index.ts';
import type { MoverSignal } from '../motion/index.ts';

export const FORMAT = 'zesty-kite session';
export const VERSION = 1;

/** The first line. */
export interface SessionHeader extends SessionStart {
  /** The name of the format. */
  readonly format: typeof FORMAT;
  /** The version of the format. */
  readonly version: typeof VERSION;
}

/** Returns the first line of a session file, without its line break. */
export function headerLine(start: SessionStart): string {
  const header: SessionHeader = { format: FORMAT, version: VERSION, ...start };
  return JSON.stringify(header);
}

/** Returns one line of a session file, without its line break. */
export function signalLine(signal: MoverSignal & { readonly at: number }): string {
  return JSON.stringify(signal);
}
