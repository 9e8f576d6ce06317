/** Reading files that may be of any size. */
import { Failure, inFile, refusal } from '../failure.ts';
import { openInput, openPipe } from './inputs.ts';

/**
 * A whole file, or what comes through a pipe.
 *
 * @param max bytes; a larger file is something else
 * @param what it should be, for messages: `a settings file`
 */
export async function readWhole(file: string, max: number, what: string): Promise<Buffer> {
  if (file === '-') return readPipe(max, what);
  try {
    const handle = await openInput(file);
    try {
      const found = await handle.stat();
      if (found.isDirectory()) throw refusal(file, 'a folder', what);
      const pieces: Buffer[] = [];
      let length = 0;
      for (;;) {
        const { bytesRead, buffer } = await handle.read(Buffer.alloc(1 << 16), 0, 1 << 16);
        if (bytesRead === 0) break;
        length += bytesRead;
        if (length > max || found.size > max) throw refusal(file, `more than ${String(max / 1e6)} MB`, what);
        pieces.push(buffer.subarray(0, bytesRead));
      }
      return Buffer.concat(pieces);
    } finally {
      await handle.close();
    }
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT')
      throw new Failure(`${file}: expected ${what}, got none`, { cause: error });
    throw inFile(file, error);
  }
}

async function readPipe(max: number, what: string): Promise<Buffer> {
  const pieces: Buffer[] = [];
  let length = 0;
  for await (const piece of openPipe()) {
    length += piece.length;
    if (length > max) throw refusal('standard input', `more than ${String(max / 1e6)} MB`, what);
    pieces.push(piece);
  }
  return Buffer.concat(pieces);
}

/** JSON from a file, or from standard input for `-`. */
export async function readJson(file: string, max: number, what: string): Promise<unknown> {
  return (await readText(file, max, what)).value;
}

/** The same, with its text. */
export async function readText(
  file: string,
  max: number,
  what: string,
): Promise<{ readonly text: string; readonly value: unknown }> {
  const text = new TextDecoder().decode(await readWhole(file, max, what)).replace(/^\uFEFF/, '');
  return { text, value: parsedJson(file, text, what) };
}

/** Levels of objects and lists in one another: nothing that this tool reads has a tenth of them. */
const DEEPEST = 512;

/** @throws Failure that says the line and the column at which the text ends to be JSON, or goes too deep */
export function parsedJson(file: string, text: string, what: string): unknown {
  const tooDeep = placeOfDepth(text, DEEPEST);
  if (tooDeep >= 0)
    throw refusal(`${file}: ${placeAt(text, tooDeep)}`, `JSON with more than ${String(DEEPEST)} levels`, what);
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    const { place, got } = mistakeIn(text, error);
    throw refusal(`${file}${place}`, got, what, error);
  }
}

/** The position at which brackets open for more levels than allowed; -1 for none. */
function placeOfDepth(text: string, most: number): number {
  let depth = 0;
  let inString = false;
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    if (inString) {
      if (code === 0x5c) i += 1;
      else if (code === 0x22) inString = false;
    } else if (code === 0x22) inString = true;
    else if (code === 0x7b || code === 0x5b) {
      depth += 1;
      if (depth > most) return i;
    } else if (code === 0x7d || code === 0x5d) depth -= 1;
  }
  return -1;
}

/** `line 3, column 14` */
export function placeAt(text: string, offset: number): string {
  const before = text.slice(0, offset).split('\n');
  return `line ${String(before.length)}, column ${String((before.at(-1) ?? '').length + 1)}`;
}

/** The place of the first mistake in JSON, and what stands there. */
function mistakeIn(text: string, error: unknown): { readonly place: string; readonly got: string } {
  if (text.trim() === '') return { place: '', got: 'an empty file' };
  const at = positionOf(text, error instanceof Error ? error.message : '');
  const next = text.slice(at, at + 12);
  const got = next === '' ? 'JSON that ends too early' : `${JSON.stringify(next)}, which is not JSON`;
  return { place: `: ${placeAt(text, at)}`, got };
}

/** The position at which the engine stops reading JSON: by a number, or by the text around it. */
function positionOf(text: string, message: string): number {
  const position = /position (\d+)/.exec(message)?.[1];
  if (position !== undefined) return Number(position);
  const [, token, snippet] =
    /^Unexpected token '?(.+?)'?, (?:\.\.\.)?"(.*)"(?:\.\.\.)? is not valid JSON$/su.exec(message) ?? [];
  if (token === undefined || snippet === undefined) return text.length;
  const from = Math.max(0, text.indexOf(snippet));
  return Math.max(from, text.indexOf(token, from));
}
