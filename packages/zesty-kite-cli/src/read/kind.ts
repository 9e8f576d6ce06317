/** Which of the two kinds of files a file is: settings, or a session. */
import { Failure, inFile } from '../failure.ts';
import { openInput } from './inputs.ts';

/** Bytes that tell: the header of a session names its format before all settings. */
const BEGINNING = 4096;

/** Whether a text begins as a session does. */
export function isSession(text: string): boolean {
  return /^\s*\{[^\n]*"format"\s*:\s*"zesty-kite session"/.test(text.slice(0, BEGINNING));
}

export async function kindOf(file: string): Promise<'settings' | 'session'> {
  if (file === '-')
    throw new Failure('-: expected a file, got standard input; this command reads the file more than once');
  try {
    const handle = await openInput(file);
    const { buffer, bytesRead } = await handle
      .read(Buffer.alloc(BEGINNING), 0, BEGINNING, 0)
      .finally(() => handle.close());
    const text = buffer.toString('utf8', 0, bytesRead);
    return isSession(text) ? 'session' : 'settings';
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT')
      throw new Failure(`${file}: expected a settings file (JSON) or a session, got none`, { cause: error });
    if ((error as NodeJS.ErrnoException).code === 'EISDIR')
      throw new Failure(`${file}: expected a settings file (JSON) or a session, got a folder`, { cause: error });
    throw inFile(file, error);
  }
}
