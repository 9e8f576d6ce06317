/**
 * The error for a session file that cannot be played. The message begins with the line.
 *
 * ```ts
 * try {
 *   new SessionReader().push('{}\n');
 * } catch (error) {
 *   if (error instanceof SessionError) console.log(error.message);
 * }
 * ```
 */
export class SessionError extends Error {
  override readonly name = 'SessionError';
  /** Counted from 1. */
  readonly line: number;

  constructor(line: number, message: string) {
    super(`line ${String(line)}: ${message}`);
    this.line = line;
  }
}
