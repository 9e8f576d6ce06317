/** What goes wrong, as one line a person can act on: where, what was found, what would do. */
import { SessionError } from 'zesty-kite/session';
import { SettingsError } from 'zesty-kite';

/** A bad call, or input that cannot be used. */
export class Failure extends Error {
  override readonly name = 'Failure';
}

/** A failure in the form of all messages. The path names a file, an option or a value in a file. */
export function refusal(path: string, found: string, wanted: string, cause?: unknown): Failure {
  return new Failure(`${path}: found ${found}; wanted ${wanted}`, { cause });
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

/** The lines to print for whatever was thrown, one a problem. */
export function linesOf(error: unknown): string[] {
  if (error instanceof Failure && error.cause instanceof SettingsError) {
    const { problems, more } = error.cause;
    const lines = problems.map(
      ({ path, found, wanted }) => `${error.message}: ${path || 'the whole'}: found ${found}; wanted ${wanted}`,
    );
    return more === 0 ? lines : [...lines, refusal(error.message, `${String(more)} problems more`, 'none').message];
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
  ENOENT: 'found no such file; wanted one that is there',
  EISDIR: 'found a folder; wanted a file',
  EACCES: 'found a file that may not be opened; wanted one that may',
  EPERM: 'found a file that may not be opened; wanted one that may',
  ENOTDIR: 'found a file where a folder should be; wanted another path',
  ENOSPC: 'found no space left; wanted a disk with some',
  ENAMETOOLONG: 'found a name that is too long; wanted a shorter one',
  ELOOP: 'found links that go round in a circle; wanted a file',
  EROFS: 'found a disk that cannot be written to; wanted another path',
  ENXIO: 'found a device that is not there; wanted a file',
  EBADF: 'found it closed; wanted it open',
  EPIPE: 'it was closed before all was written',
  ERR_INVALID_ARG_VALUE: 'found a name with a zero byte; wanted a path',
};

function isSystemError(error: unknown): boolean {
  return error instanceof Error && 'code' in error && String(error.code) in REASONS;
}

/** What a system error means. */
export function reasonOf(error: unknown): string {
  const { code = '' } = error as NodeJS.ErrnoException;
  return REASONS[code] ?? flat(error instanceof Error ? error.message : String(error));
}
