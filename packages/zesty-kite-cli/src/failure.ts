/** Failures of the command line, each one line: `<path>: expected <what>, got <value>`, then a cure. */
import { SessionError } from 'zesty-kite/session';
import { SettingsError } from 'zesty-kite';

/** A bad call, or input that cannot be used. */
export class Failure extends Error {
  override readonly name = 'Failure';
}

/** A failure in the form of all messages. The path names a file, an option or a value in a file. */
export function refusal(path: string, got: string, expected: string, cause?: unknown): Failure {
  return new Failure(`${path}: expected ${expected}, got ${got}`, { cause });
}

/** Text that cannot steer a terminal: control bytes are spelled out, line breaks stay. */
export function printable(text: string): string {
  // eslint-disable-next-line no-control-regex -- these are what is looked for
  return text.replace(/\r(?!\n)|[\u0000-\u0009\u000b\u000c\u000e-\u001f\u007f-\u009f\u2028\u2029]/g, (byte) => {
    const code = byte.charCodeAt(0).toString(16);
    return `\\u${code.padStart(4, '0')}`;
  });
}

/** The same on one line: a line break in a name or a key begins no other line. */
export function oneLine(text: string): string {
  return text.replaceAll(/\r?\n/g, '\\n');
}

/** The lines to print for an error, one a problem. */
export function linesOf(error: unknown): string[] {
  if (error instanceof Failure && error.cause instanceof SettingsError) {
    const { problems, more } = error.cause;
    const lines = problems.map(
      ({ path, got, expected }) => `${error.message}: ${path && `${path}: `}expected ${expected}, got ${got}`,
    );
    return more === 0 ? lines : [...lines, `${error.message}: and ${String(more)} more problems`];
  }
  return [error instanceof Error ? flat(error.message) : String(error)];
}

/** The same failure, with the file that it is about before it. */
export function inFile(file: string, error: unknown): Failure {
  if (error instanceof Failure) return error;
  if (error instanceof SettingsError) return new Failure(file, { cause: error });
  if (isSystemError(error)) return new Failure(`${file}: ${reasonOf(error)}`, { cause: error });
  if (error instanceof SessionError || error instanceof RangeError || error instanceof TypeError)
    return new Failure(`${file}: ${flat(error.message)}${optionFor(error.message)}`, { cause: error });
  return new Failure(`${file}: ${reasonOf(error)}`, { cause: error });
}

/** The option that mends what is said of a terrain. */
function optionFor(message: string): string {
  return message.startsWith('terrain: ') ? '; name its description with --terrain' : '';
}

function flat(message: string): string {
  return message.replaceAll(/\s*\n\s*/g, ' ');
}

const REASONS: Readonly<Record<string, string>> = {
  ENOENT: 'expected a file, got none',
  EISDIR: 'expected a file, got a folder',
  EACCES: 'expected permission to open it, got none',
  EPERM: 'expected permission to open it, got none',
  ENOTDIR: 'expected a folder in the path, got a file',
  ENOSPC: 'expected space on the disk, got none',
  ENAMETOOLONG: 'expected a shorter name, got one that is too long',
  ELOOP: 'expected a file, got a circle of links',
  EROFS: 'expected a writable disk, got a read-only one',
  ENXIO: 'expected a file, got a device that is missing',
  EBADF: 'expected an open file, got a closed one',
  EPIPE: 'expected a reader to the end, got a closed pipe',
  ERR_INVALID_ARG_VALUE: 'expected a path, got one with a zero byte',
};

function isSystemError(error: unknown): boolean {
  return error instanceof Error && 'code' in error && String(error.code) in REASONS;
}

/** The meaning of a system error. */
export function reasonOf(error: unknown): string {
  const { code = '' } = error as NodeJS.ErrnoException;
  return REASONS[code] ?? flat(error instanceof Error ? error.message : String(error));
}
