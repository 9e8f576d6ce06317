/** Reading files that may be of any size, and writing them so that nothing is lost. */
import {
  closeSync,
  constants,
  existsSync,
  openSync,
  realpathSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
} from 'node:fs';
import { open } from 'node:fs/promises';
import { basename, dirname, join } from 'node:path';
import { Failure, inFile } from '../failure.ts';

/**
 * A whole file, or what comes through a pipe.
 *
 * @param most bytes; whoever sends more has sent something else
 * @param what it should be, for messages: `a settings file`
 */
export async function readWhole(file: string, max: number, what: string): Promise<Buffer> {
  if (file === '-') return readPipe(max, what);
  try {
    const handle = await open(file, constants.O_RDONLY);
    try {
      const found = await handle.stat();
      if (found.isDirectory()) throw new Failure(`${file}: found a folder; wanted ${what}`);
      const pieces: Buffer[] = [];
      let length = 0;
      for (;;) {
        const { bytesRead, buffer } = await handle.read(Buffer.alloc(1 << 16), 0, 1 << 16);
        if (bytesRead === 0) break;
        length += bytesRead;
        if (length > max || found.size > max)
          throw new Failure(`${file}: found more than ${String(max / 1e6)} MB; wanted ${what}`);
        pieces.push(buffer.subarray(0, bytesRead));
      }
      return Buffer.concat(pieces);
    } finally {
      await handle.close();
    }
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT')
      throw new Failure(`${file}: there is no such file; wanted ${what}`, { cause: error });
    throw inFile(file, error);
  }
}

async function readPipe(max: number, what: string): Promise<Buffer> {
  const pieces: Buffer[] = [];
  let length = 0;
  for await (const piece of process.stdin as AsyncIterable<Buffer>) {
    length += piece.length;
    if (length > max) throw new Failure(`standard input: found more than ${String(max / 1e6)} MB; wanted ${what}`);
    pieces.push(piece);
  }
  return Buffer.concat(pieces);
}

/** JSON from a file, or from standard input for `-`. */
export async function readJson(file: string, max: number, what: string): Promise<unknown> {
  return (await readText(file, max, what)).value;
}

/** The same, with its text; messages say the line and the column at which it ends to be JSON. */
export async function readText(
  file: string,
  max: number,
  what: string,
): Promise<{ readonly text: string; readonly value: unknown }> {
  const text = new TextDecoder().decode(await readWhole(file, max, what)).replace(/^\uFEFF/, '');
  try {
    return { text, value: JSON.parse(text) as unknown };
  } catch (error) {
    throw new Failure(`${file}: ${placeOf(text, error)}wanted ${what}`, { cause: error });
  }
}

function placeOf(text: string, error: unknown): string {
  if (text.trim() === '') return 'found nothing; ';
  const at = positionOf(text, error instanceof Error ? error.message : '');
  const before = text.slice(0, at).split('\n');
  const line = String(before.length);
  const column = String((before.at(-1) ?? '').length + 1);
  const next = text.slice(at, at + 12);
  return `line ${line}, column ${column}: found ${next === '' ? 'the end' : JSON.stringify(next)}, which is no JSON there; `;
}

/** Where the engine says that it ends to be JSON: by a number, or by the text around it. */
function positionOf(text: string, message: string): number {
  const position = /position (\d+)/.exec(message)?.[1];
  if (position !== undefined) return Number(position);
  const [, token, snippet] =
    /^Unexpected token '?(.+?)'?, (?:\.\.\.)?"(.*)"(?:\.\.\.)? is not valid JSON$/su.exec(message) ?? [];
  if (token === undefined || snippet === undefined) return text.length;
  const from = Math.max(0, text.indexOf(snippet));
  return Math.max(from, text.indexOf(token, from));
}

/** A file that is written beside its place, and takes it when it is whole. */
export class WholeFile {
  readonly #file: string;
  readonly #beside: string;
  #handle: number | null = null;

  /**
   * @param inputs files that are read: they are never written over
   * @param force whether a file that is there already may be replaced
   */
  constructor(file: string, inputs: readonly string[], force: boolean) {
    this.#file = file;
    this.#beside = join(dirname(file), `.${basename(file)}.${String(process.pid)}.part`);
    try {
      const there = existsSync(file) ? statSync(file) : null;
      if (there?.isDirectory() === true) throw new Failure(`${file}: found a folder; wanted a file to write to`);
      if (inputs.some((input) => isSame(file, input)))
        throw new Failure(`${file}: found a file that is read; wanted another one to write to`);
      // Devices and pipes take what comes; there is nothing to replace.
      if (there !== null && !there.isFile()) this.#beside = file;
      else if (there !== null && !force)
        throw new Failure(`${file}: found a file that is there already; wanted another name, or --force to replace it`);
    } catch (error) {
      throw inFile(file, error);
    }
  }

  write(text: string | Uint8Array): void {
    try {
      this.#handle ??= openSync(this.#beside, this.#beside === this.#file ? 'w' : 'wx');
      const bytes = typeof text === 'string' ? Buffer.from(text) : text;
      for (let from = 0; from < bytes.length; ) from += writeSync(this.#handle, bytes, from);
    } catch (error) {
      throw inFile(this.#file, error);
    }
  }

  /** It is whole. */
  finish(): void {
    try {
      this.write('');
      if (this.#handle !== null) closeSync(this.#handle);
      this.#handle = null;
      if (this.#beside !== this.#file) renameSync(this.#beside, this.#file);
    } catch (error) {
      throw inFile(this.#file, error);
    }
  }

  /** It will not be whole: nothing of it stays. */
  abandon(): void {
    if (this.#handle === null) return;
    closeSync(this.#handle);
    this.#handle = null;
    if (this.#beside !== this.#file) rmSync(this.#beside, { force: true });
  }
}

/** Whether two paths lead to one file, through links too. */
function isSame(one: string, other: string): boolean {
  if (!existsSync(one) || !existsSync(other)) return false;
  const [a, b] = [statSync(one), statSync(other)];
  return (a.dev === b.dev && a.ino === b.ino) || realpathSync(one) === realpathSync(other);
}
