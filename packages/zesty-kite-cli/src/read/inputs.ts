/** The files that this call reads, by whatever option and from inside whatever other file: none of them is written over. */
import { constants, fstatSync, statSync, type Stats } from 'node:fs';
import { open, type FileHandle } from 'node:fs/promises';

/** Devices and numbers of files: links and other names lead to the same. */
const read = new Set<string>();

/** A call begins. */
export function forgetInputs(): void {
  read.clear();
}

/** Opens a file to be read. All reading begins here, so that no option can forget to say what it reads. */
export async function openInput(file: string): Promise<FileHandle> {
  const handle = await open(file, constants.O_RDONLY);
  note(await handle.stat());
  return handle;
}

/** A file that will be read, for calls that look at where they write first. */
export function willRead(file: string): void {
  if (file === '-') return;
  try {
    note(statSync(file));
  } catch {
    // It cannot be opened either, and that says why.
  }
}

/** Standard input, which may be a file behind `<`. */
export function openPipe(): AsyncIterable<Buffer> {
  try {
    note(fstatSync(0));
  } catch {
    // It is closed: reading it says so.
  }
  return process.stdin;
}

/** Whether a path leads to a file that is read. */
export function isInput(path: string): boolean {
  const found = statSync(path, { throwIfNoEntry: false });
  return found?.isFile() === true && read.has(nameOf(found));
}

function note(found: Stats): void {
  read.add(nameOf(found));
}

function nameOf({ dev, ino }: Stats): string {
  return `${String(dev)} ${String(ino)}`;
}
