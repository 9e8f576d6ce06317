/** The mistakes in some data: the first problems in full, and the number of the rest. */
import { shown, type Problem } from './sentence.ts';

/** More problems than these nobody reads. */
const MOST = 50;

/** Says that the value at a path is not what is expected. */
export type Refuse = (path: string, value: unknown, expected: string) => void;

export class Problems {
  readonly #list: Problem[] = [];
  #count = 0;

  /** How many there are. */
  get count(): number {
    return this.#count;
  }

  /** The first of them. */
  get list(): readonly Problem[] {
    return this.#list;
  }

  /** How many there are besides. */
  get more(): number {
    return this.#count - this.#list.length;
  }

  /** @param make says what is wrong; it is not called for one that is not listed */
  add(make: () => Problem): void {
    this.#count += 1;
    if (this.#list.length < MOST) this.#list.push(make());
  }

  readonly refuse: Refuse = (path, value, expected) => {
    this.add(() => ({ path, got: shown(value), expected }));
  };
}
