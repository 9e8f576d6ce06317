/** What is being tuned: a look, and what differs from it; with a way back. */
import { Camera, mergeSettings, straightDown, tilted, tiles, type FullSettings, type Settings } from 'zesty-kite';

const MAP: Settings = {
  // Drawn hills are never clipped, over flat ground neither.
  ground: { lowest: -6, highest: 60 },
  bounds: { left: 0, top: 0, right: 1024, bottom: 768, keep: 'focus' },
  start: { x: 512, y: 384, span: 300 },
};

/** Where tuning begins. */
export const LOOKS: Readonly<Record<string, Settings>> = {
  'straight down': mergeSettings(straightDown(), { zoom: { minSpan: 24, maxSpan: 768 } }, MAP),
  'two to one': mergeSettings(tiles({ width: 64, height: 32, side: 8 }), MAP),
  'over the hills': mergeSettings(tilted(), MAP, { zoom: { minSpan: 40, maxSpan: 700 }, lens: { fieldOfView: 40 } }),
};

/** What words of feel set. */
export const FEELS: Readonly<Record<string, Settings>> = {
  'as the look has it': {},
  crisp: {
    zoom: { halfLife: 0.04, notch: 1.12 },
    turn: { halfLife: 0.04 },
    pan: { startHalfLife: 0.03, stopHalfLife: 0.03 },
    drag: { glideHalfLife: 0.08 },
  },
  heavy: {
    zoom: { halfLife: 0.16, notch: 1.15 },
    turn: { halfLife: 0.16 },
    pan: { startHalfLife: 0.18, stopHalfLife: 0.12 },
    drag: { glideHalfLife: 0.2 },
  },
  floating: {
    zoom: { halfLife: 0.22, notch: 1.2 },
    turn: { halfLife: 0.22 },
    pan: { startHalfLife: 0.2, stopHalfLife: 0.45 },
    drag: { glideHalfLife: 0.5 },
  },
};

interface State {
  readonly look: string;
  readonly settings: Settings;
}

/** Settings with every default, without where to begin: a change that goes back to all of them. */
export function whole({ look, settings }: State): Settings {
  const rest: Partial<FullSettings> = { ...new Camera([LOOKS[look] ?? {}, settings]).settings };
  delete rest.start;
  return rest;
}

/** Two slots, A and B, each with its own history. */
export class Tuning {
  readonly #slots: { states: State[]; at: number }[];
  #slot = 0;
  /** Called after each change. */
  changed: () => void = () => undefined;

  constructor(first: State) {
    this.#slots = [
      { states: [first], at: 0 },
      { states: [first], at: 0 },
    ];
  }

  get slot(): number {
    return this.#slot;
  }

  get state(): State {
    return this.stateOf(this.#slot);
  }

  stateOf(slot: number): State {
    const { states, at } = this.#slots[slot] ?? { states: [], at: 0 };
    return states[at] ?? { look: 'straight down', settings: {} };
  }

  get full(): Readonly<FullSettings> {
    return new Camera([LOOKS[this.state.look] ?? {}, this.state.settings]).settings;
  }

  /** @throws SettingsError for what is refused; then nothing has changed */
  put(state: State): void {
    whole(state);
    const slot = this.#slots[this.#slot];
    if (slot === undefined || JSON.stringify(state) === JSON.stringify(this.state)) return;
    slot.states.length = slot.at + 1;
    slot.states.push(state);
    slot.at += 1;
    this.changed();
  }

  /** Sets one value, by its path: `zoom.halfLife`. */
  set(path: string, value: unknown): void {
    const [section = '', name] = path.split('.');
    const one = (name === undefined ? { [section]: value } : { [section]: { [name]: value } }) as Settings;
    this.put({ ...this.state, settings: mergeSettings(this.state.settings, one) });
  }

  /** Back, or forward again. */
  go(steps: 1 | -1): void {
    const slot = this.#slots[this.#slot];
    if (slot?.states[slot.at + steps] === undefined) return;
    slot.at += steps;
    this.changed();
  }

  flip(): void {
    this.#slot = 1 - this.#slot;
    this.changed();
  }
}
