/** Printing that fails aloud: a full disk behind `>` must not look like success. */
import { Failure, oneLine, printable, reasonOf } from '../failure.ts';

const NAMES = { stdout: 'standard output', stderr: 'standard error' } as const;

/** Nobody reads what is printed any more, as behind `| head`: no failure. */
export class Unread extends Error {
  override readonly name = 'Unread';
}

/**
 * Control bytes in the text are spelled out, so that no name or key steers a terminal.
 *
 * @throws Unread, and Failure when it cannot be written
 */
export function print(where: keyof typeof NAMES, text: string): Promise<void> {
  return new Promise((resolve, reject) => {
    safely(process[where]).write(printable(text), (error) => {
      if (!error) resolve();
      else if ((error as NodeJS.ErrnoException).code === 'EPIPE') reject(new Unread());
      else reject(new Failure(`${NAMES[where]}: ${reasonOf(error)}`, { cause: error }));
    });
  });
}

/** A stream whose errors end nothing: what writes to it says so. It is opened when it is first used. */
function safely(stream: NodeJS.WritableStream): NodeJS.WritableStream {
  if (!opened.has(stream)) stream.on('error', () => undefined);
  opened.add(stream);
  return stream;
}

const opened = new WeakSet<NodeJS.WritableStream>();

/** A line on standard error, whatever line breaks are in it. */
export function complain(text: string): Promise<void> {
  return print('stderr', `zesty-kite: ${oneLine(text)}\n`);
}
