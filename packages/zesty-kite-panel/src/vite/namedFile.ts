/** A settings file that the configuration names: nothing else is written. */
import { realpathSync } from 'node:fs';
import { isAbsolute, relative, resolve, sep } from 'node:path';

export class NamedFile {
  /** From the root, with `/` between folders. */
  readonly name: string;
  /** On the disk. */
  readonly path: string;
  readonly #root: string;

  /** @throws TypeError for a file that is not below the root */
  constructor(root: string, name: string) {
    this.#root = resolve(root);
    this.path = resolve(root, name);
    if (!isBelow(this.#root, this.path))
      throw new TypeError(`settingsFile.file: expected a file below ${this.#root}, got ${JSON.stringify(name)}`);
    this.name = relative(this.#root, this.path).split(sep).join('/');
    // Vite names modules with `/` on every system.
    this.path = this.path.split(sep).join('/');
  }

  /**
   * Returns the path that a link leads to.
   *
   * @throws Error if that is outside of the root
   */
  target(): string {
    const target = realpathSync(this.path);
    if (isBelow(realpathSync(this.#root), target)) return target;
    throw new Error(`${this.name} is a link to a file outside of the project: it is not overwritten.`);
  }
}

function isBelow(root: string, path: string): boolean {
  const way = relative(root, path);
  return way !== '' && !way.startsWith('..') && !isAbsolute(way);
}
