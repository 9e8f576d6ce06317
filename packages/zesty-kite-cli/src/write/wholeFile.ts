/** A file that is written beside its place, and takes it when it is whole: nothing is lost, and nothing of a part stays. */
import {
  closeSync,
  constants,
  copyFileSync,
  fchmodSync,
  fchownSync,
  linkSync,
  lstatSync,
  openSync,
  readlinkSync,
  realpathSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
  type Stats,
} from 'node:fs';
import { basename, dirname, join, resolve } from 'node:path';
import { Failure, inFile, refusal } from '../failure.ts';
import { isInput } from '../read/inputs.ts';
import { parts } from './parts.ts';

export class WholeFile {
  readonly #file: string;
  /** The path behind all links. */
  readonly #target: string;
  readonly #beside: string;
  readonly #force: boolean;
  #handle: number | null = null;

  /** @param force whether a file that is there already may be overwritten */
  constructor(file: string, force: boolean) {
    this.#file = file;
    this.#force = force;
    try {
      this.#target = targetOf(file);
      const there = statSync(this.#target, { throwIfNoEntry: false });
      if (there?.isDirectory() === true) throw refusal(file, 'a folder', 'a file to write to');
      if (there === undefined && statSync(dirname(this.#target), { throwIfNoEntry: false })?.isDirectory() !== true)
        throw refusal(file, 'a folder that does not exist', 'a path in an existing folder');
      this.#check(there);
      // Devices and pipes take what comes; there is nothing to replace.
      this.#beside =
        there !== undefined && !there.isFile()
          ? this.#target
          : join(dirname(this.#target), `.${basename(this.#target).slice(0, 200)}.${String(process.pid)}.part`);
    } catch (error) {
      throw inFile(file, error);
    }
  }

  /** @throws Failure for a file that is read, and for one that is there already */
  #check(there: Stats | undefined): void {
    if (isInput(this.#target)) throw refusal(this.#file, 'one that is read', 'another file to write to');
    if (there?.isFile() === true && !this.#force) throw this.#isThere();
  }

  #isThere(): Failure {
    return new Failure(`${this.#file} already exists; choose another name, or add --force`);
  }

  write(text: string | Uint8Array): void {
    try {
      if (this.#handle === null) {
        parts.add(this.abandon);
        this.#handle = openSync(this.#beside, this.#beside === this.#target ? 'w' : 'wx');
      }
      const bytes = typeof text === 'string' ? Buffer.from(text) : text;
      for (let from = 0; from < bytes.length; ) from += writeSync(this.#handle, bytes, from);
    } catch (error) {
      this.abandon();
      throw inFile(this.#file, error);
    }
  }

  /** It is whole. */
  finish(): void {
    try {
      this.write('');
      const there = statSync(this.#target, { throwIfNoEntry: false });
      // More may have been read since it was opened.
      this.#check(there);
      if (there?.isFile() === true && this.#handle !== null) keepRights(this.#handle, there);
      if (this.#handle !== null) closeSync(this.#handle);
      this.#handle = null;
      if (this.#beside !== this.#target) this.#take();
      parts.delete(this.abandon);
    } catch (error) {
      this.abandon();
      throw inFile(this.#file, error);
    }
  }

  /** Takes its place: without `force` only if nobody else has taken it meanwhile. */
  #take(): void {
    if (this.#force) {
      renameSync(this.#beside, this.#target);
      return;
    }
    try {
      linkSync(this.#beside, this.#target);
    } catch (error) {
      if (codeOf(error) === 'EEXIST') throw this.#isThere();
      // Some disks have no links.
      copyFileSync(this.#beside, this.#target, constants.COPYFILE_EXCL);
    }
    rmSync(this.#beside);
  }

  /** It will not be whole: nothing of it stays. */
  readonly abandon = (): void => {
    // Another call's part of the same name is not ours.
    if (!parts.delete(this.abandon)) return;
    if (this.#handle !== null) closeSync(this.#handle);
    this.#handle = null;
    if (this.#beside !== this.#target) rmSync(this.#beside, { force: true });
  };
}

/** The file that links lead to; one that leads to nothing yet leads to a new file. */
function targetOf(file: string): string {
  let path = file;
  for (let links = 0; links < 40; links++) {
    const found = lstatSync(path, { throwIfNoEntry: false });
    if (found?.isSymbolicLink() !== true) return found === undefined ? path : realpathSync(path);
    path = resolve(dirname(path), readlinkSync(path));
  }
  throw refusal(file, 'links that go round in a circle', 'a file');
}

/** A replaced file keeps its mode, and its owner if that is allowed. */
function keepRights(handle: number, { mode, uid, gid }: Stats): void {
  try {
    fchownSync(handle, uid, gid);
  } catch {
    // It stays ours.
  }
  fchmodSync(handle, mode & 0o7777);
}

function codeOf(error: unknown): string | undefined {
  return (error as NodeJS.ErrnoException).code;
}
