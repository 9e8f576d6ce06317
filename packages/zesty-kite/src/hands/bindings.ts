/** The action of each input: chords of the settings, made ready to be looked up. */
import type { FullSettings } from '../settings/index.ts';

export type Ability = keyof FullSettings['bindings'];

/** An input, and what has to be held before it: `Space+MouseLeft`. */
interface Chord {
  readonly ability: Ability;
  readonly before: readonly string[];
}

/** Modifiers go by their name for either side, too. */
const EITHER_SIDE = new Set(['Shift', 'Control', 'Alt', 'Meta']);

const known = new WeakMap<FullSettings['bindings'], Bindings>();

export class Bindings {
  /** By their last input; the chord with the most inputs first. */
  readonly #chords = new Map<string, Chord[]>();
  /** The abilities of an input alone, without chords. */
  readonly #plain = new Map<string, readonly Ability[]>();
  readonly #named = new Set<string>();
  readonly #own = new Set<string>();

  /** Those of settings that are frozen: cameras with the same ones share them. */
  static of(bindings: FullSettings['bindings']): Bindings {
    const made = known.get(bindings) ?? new Bindings(bindings);
    known.set(bindings, made);
    return made;
  }

  private constructor(bindings: FullSettings['bindings']) {
    for (const [ability, inputs] of Object.entries(bindings) as [Ability, readonly string[]][]) {
      for (const text of inputs) {
        const names = text.split('+');
        const last = names.at(-1) ?? text;
        const before = names.slice(0, -1);
        for (const input of sidesOf(last)) {
          const chords = this.#chords.get(input) ?? [];
          chords.push({ ability, before });
          this.#chords.set(input, chords);
        }
        for (const name of names) {
          for (const input of sidesOf(name)) this.#named.add(input);
          if (name === last || !EITHER_SIDE.has(name)) for (const input of sidesOf(name)) this.#own.add(input);
        }
      }
    }
    for (const [input, chords] of this.#chords) {
      chords.sort((a, b) => b.before.length - a.before.length);
      const abilities = chords.map(({ ability }) => ability);
      if (chords.every(({ before }) => before.length === 0)) this.#plain.set(input, abilities);
    }
  }

  /** Whether any chord names this input. */
  names(input: string): boolean {
    return this.#named.has(input);
  }

  /** Whether an input is the camera's own: not a modifier that only comes before another input. */
  owns(input: string): boolean {
    return this.#own.has(input);
  }

  /**
   * The abilities of an input while others are held: of the chords whose other inputs are all held, the
   * one with the most; several abilities where chords are alike.
   */
  boundTo(input: string, held: ReadonlySet<string>): readonly Ability[] {
    const plain = this.#plain.get(input);
    if (plain !== undefined) return plain;
    const ready = (this.#chords.get(input) ?? []).filter(({ before }) =>
      before.every((name) => sidesOf(name).some((side) => held.has(side))),
    );
    return ready.filter(({ before }) => before.length === ready[0]?.before.length).map(({ ability }) => ability);
  }
}

function sidesOf(name: string): readonly string[] {
  return EITHER_SIDE.has(name) ? [`${name}Left`, `${name}Right`] : [name];
}
