/** Settings that are being tuned: two versions, each with its own way back. */
import { checkSettings, mergeSettings, type FullSettings, type Settings } from 'zesty-kite';
import { polygons } from 'zesty-kite/polygons';
import { asSettings, editsBetween, isSame, isTree, valueAt, withoutValue, withValue, type Edit } from './paths.ts';

const NONE: Settings = {};

/** Which of the two versions. */
export type Slot = 0 | 1;

interface Steps {
  readonly states: readonly Settings[];
  readonly at: number;
  /** A slider that is on its way: its next value replaces the last state. */
  readonly openPath: string | null;
}

/** All that a change can change: it is replaced as a whole, or not at all. */
interface State {
  readonly file: Settings;
  readonly slots: readonly [Steps, Steps];
  readonly slot: Slot;
  /** Lies over the version in force for a while. */
  readonly above: Settings;
}

/** The camera of a tuning: here, or in a worker. */
interface Changed {
  readonly settings: Readonly<FullSettings>;
  change(settings: Settings): void;
}

export class Tuning {
  /** The layers below the file, as one. */
  readonly base: Settings;
  /** Called after each change. */
  changed: () => void = () => undefined;
  readonly #camera: Changed;
  #state: State;
  /** The settings that the camera has of this. */
  #applied: FullSettings;
  readonly #complete = new WeakMap<Settings, FullSettings>();
  /** By section: the defaults with that group on, if it is off by default. */
  readonly #groupsOn = new Map<string, FullSettings>();

  /**
   * @param layers as the camera has them; the last one is that of the file
   * @throws SettingsError
   */
  constructor(camera: Changed, layers: readonly Settings[]) {
    this.#camera = camera;
    this.base = mergeSettings(...layers.slice(0, -1));
    const file = mergeSettings(layers.at(-1) ?? {});
    const begun = { states: [file], at: 0, openPath: null };
    this.#state = { file, slots: [begun, begun], slot: 0, above: {} };
    this.#applied = this.full;
  }

  get slot(): Slot {
    return this.#state.slot;
  }

  /** The settings of the version in force: what a file of them has. */
  get settings(): Settings {
    return this.settingsOf(this.slot);
  }

  settingsOf(slot: Slot): Settings {
    const { states, at } = this.#state.slots[slot];
    return states[at] ?? {};
  }

  /** With every default, those of the base included. */
  get full(): FullSettings {
    return this.fullOf(this.settings);
  }

  /** The same of other settings. @throws SettingsError */
  fullOf(settings: Settings): FullSettings {
    const known = this.#complete.get(settings) ?? checkSettings([this.base, settings], { shapes: [polygons] });
    this.#complete.set(settings, known);
    return known;
  }

  /** The settings that the camera is to have. @throws SettingsError */
  #coveredOf(settings: Settings): FullSettings {
    return checkSettings([this.base, settings, this.#state.above], { shapes: [polygons] });
  }

  /** Both versions come to the same. */
  get areEqual(): boolean {
    return isSame(this.settingsOf(0), this.settingsOf(1));
  }

  /** The differences from the file, value by value. */
  get unsaved(): readonly Edit[] {
    return editsBetween(this.#state.file, this.settings);
  }

  /** The value in force without the file and without what has been tuned. */
  defaultAt(path: string): unknown {
    const [section = ''] = path.split('.');
    const off = this.fullOf(NONE);
    if (path === section || isTree(valueAt(off, section))) return valueAt(off, path);
    // A group that is off by default has defaults once it is on.
    const on = this.#groupsOn.get(section) ?? this.fullOf({ [section]: {} });
    this.#groupsOn.set(section, on);
    return valueAt(on, path);
  }

  isDefault(path: string): boolean {
    return valueAt(this.settings, path) === undefined || isSame(valueAt(this.full, path), this.defaultAt(path));
  }

  isAsInFile(path: string): boolean {
    return isSame(valueAt(this.#state.file, path), valueAt(this.settings, path));
  }

  /**
   * Sets one value.
   *
   * @param isDone the next value of the same path is a step of its own: not while a slider moves
   * @throws SettingsError; then nothing has changed
   */
  set(path: string, value: unknown, isDone = true): void {
    this.#step(mergeSettings(this.settings, withValue(NONE, path, value)), path, isDone);
  }

  /** Back to the default. @throws SettingsError if the rest does not allow it */
  reset(path: string): void {
    this.#step(withoutValue(this.settings, path));
  }

  /** Lays settings over those of the version in force. @throws SettingsError */
  lay(settings: Settings): void {
    this.#step(mergeSettings(this.settings, settings));
  }

  /** Replaces the settings of the version in force. @throws SettingsError */
  replace(settings: Settings): void {
    this.#step(mergeSettings(settings));
  }

  /** The file has changed: versions that were as in the file follow it, others keep what they differ in. @throws SettingsError */
  reload(settings: Settings): void {
    this.fullOf(settings);
    const { slots, file: before } = this.#state;
    const file = mergeSettings(settings);
    const followed = (slot: Slot): Steps => {
      const next = editsBetween(before, this.settingsOf(slot)).reduce(
        (own, { path, value }) => (value === undefined ? withoutValue(own, path) : withValue(own, path, value)),
        file,
      );
      return pushed(slots[slot], isSound(() => this.fullOf(next)) ? next : file);
    };
    this.#become({ file, slots: [followed(0), followed(1)] });
  }

  /** The file has these settings now. */
  saved(settings: Settings): void {
    this.#become({ file: settings });
  }

  /** One step back, or forward again. */
  go(steps: 1 | -1): void {
    if (!this.canGo(steps)) return;
    const own = this.#steps;
    this.#becomeSteps(this.slot, { ...own, at: own.at + steps, openPath: null });
  }

  canGo(steps: 1 | -1): boolean {
    const { states, at } = this.#steps;
    return states[at + steps] !== undefined;
  }

  /** To the other version, in the middle of whatever moves. */
  swap(): void {
    this.#become({ slot: otherOf(this.slot) });
  }

  /** The other version becomes what this one is. */
  copyToOther(): void {
    const other = otherOf(this.slot);
    this.#becomeSteps(other, pushed(this.#state.slots[other], this.settings));
  }

  /** Lays settings over all for a while: those that lift the limits. @throws SettingsError */
  cover(above: Settings): void {
    this.#become({ above });
  }

  get #steps(): Steps {
    return this.#state.slots[this.slot];
  }

  #step(next: Settings, path: string | null = null, isDone = true): void {
    const own = this.#steps;
    const openPath = isDone ? null : path;
    this.fullOf(next);
    const isSameSlider = path !== null && own.openPath === path;
    const before = isSameSlider ? { ...own, at: own.at - 1 } : own;
    const steps = isSame(next, this.settings) ? own : pushed(before, next);
    this.#becomeSteps(this.slot, { ...steps, openPath });
  }

  #becomeSteps(slot: Slot, steps: Steps): void {
    const [first, second] = this.#state.slots;
    this.#become({ slots: slot === 0 ? [steps, second] : [first, steps] });
  }

  /** @throws Error for a state that the camera refuses; then nothing has changed */
  #become(part: Partial<State>): void {
    const before = this.#state;
    this.#state = { ...before, ...part };
    try {
      this.#apply();
    } catch (error) {
      this.#state = before;
      throw error;
    }
    this.changed();
  }

  /** Changes of the game's own stay as they are: what goes to the camera is what differs. */
  #apply(): void {
    const wanted = this.#coveredOf(this.settings);
    const change = asSettings(editsBetween(this.#applied, wanted));
    if (Object.keys(change).length > 0) this.#camera.change(change);
    this.#applied = wanted;
  }
}

function otherOf(slot: Slot): Slot {
  return slot === 0 ? 1 : 0;
}

/** A state after the present one; those that were undone are gone. */
function pushed({ states, at }: Steps, next: Settings): Steps {
  return { states: [...states.slice(0, at + 1), next], at: at + 1, openPath: null };
}

function isSound(check: () => unknown): boolean {
  try {
    check();
    return true;
  } catch {
    return false;
  }
}
