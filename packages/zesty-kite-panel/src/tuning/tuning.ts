/** Settings that are being tuned: two versions, each with its own way back. */
import { checkSettings, mergeSettings, type FullSettings, type Settings } from 'zesty-kite';
import { polygons } from 'zesty-kite/polygons';
import { asSettings, editsBetween, isSame, isTree, valueAt, withoutValue, withValue, type Edit } from './paths.ts';

const NONE: Settings = {};

/** Which of the two versions. */
export type Slot = 0 | 1;

interface Steps {
  readonly states: Settings[];
  at: number;
  /** The last state is replaced by the next: a slider is on its way. */
  isOpen: boolean;
}

/** What a tuning steers: a camera here, or one in a worker. */
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
  #file: Settings;
  readonly #slots: readonly [Steps, Steps];
  #slot: Slot = 0;
  #above: Settings = {};
  /** What the camera has of this. */
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
    this.#file = mergeSettings(layers.at(-1) ?? {});
    this.#slots = [begunWith(this.#file), begunWith(this.#file)];
    this.#applied = this.full;
  }

  get slot(): Slot {
    return this.#slot;
  }

  /** The settings of the version in force: what a file of them has. */
  get settings(): Settings {
    return this.settingsOf(this.#slot);
  }

  settingsOf(slot: Slot): Settings {
    const { states, at } = this.#slots[slot];
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

  /** What the camera is to have. @throws SettingsError */
  #coveredOf(settings: Settings): FullSettings {
    return checkSettings([this.base, settings, this.#above], { shapes: [polygons] });
  }

  /** Both versions come to the same. */
  get areEqual(): boolean {
    return isSame(this.settingsOf(0), this.settingsOf(1));
  }

  /** What differs from the file, value by value. */
  get unsaved(): readonly Edit[] {
    return editsBetween(this.#file, this.settings);
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
    return isSame(valueAt(this.#file, path), valueAt(this.settings, path));
  }

  /**
   * Sets one value.
   *
   * @param isDone the next value of the same path is a step of its own: not while a slider moves
   * @throws SettingsError; then nothing has changed
   */
  set(path: string, value: unknown, isDone = true): void {
    this.#step(mergeSettings(this.settings, withValue(NONE, path, value)), isDone);
  }

  /** Back to the default. @throws SettingsError if the rest does not allow it */
  reset(path: string): void {
    this.#step(withoutValue(this.settings, path), true);
  }

  /** Lays settings over those of the version in force. @throws SettingsError */
  lay(settings: Settings): void {
    this.#step(mergeSettings(this.settings, settings), true);
  }

  /** Replaces the settings of the version in force. @throws SettingsError */
  replace(settings: Settings): void {
    this.#step(mergeSettings(settings), true);
  }

  /** The file has changed: versions that were as in the file follow it, others keep what they differ in. @throws SettingsError */
  reload(file: Settings): void {
    this.fullOf(file);
    const edits = ([0, 1] as const).map((slot) => editsBetween(this.#file, this.settingsOf(slot)));
    this.#file = mergeSettings(file);
    edits.forEach((own, slot) => {
      const steps = this.#slots[slot as Slot];
      const next = own.reduce(
        (settings, { path, value }) =>
          value === undefined ? withoutValue(settings, path) : withValue(settings, path, value),
        this.#file,
      );
      push(steps, isSound(() => this.fullOf(next)) ? next : this.#file);
    });
    this.#apply();
  }

  /** The file has what the version in force has. */
  saved(): void {
    this.#file = this.settings;
    this.changed();
  }

  /** One step back, or forward again. */
  go(steps: 1 | -1): void {
    const slot = this.#slots[this.#slot];
    if (slot.states[slot.at + steps] === undefined) return;
    slot.at += steps;
    slot.isOpen = false;
    this.#apply();
  }

  canGo(steps: 1 | -1): boolean {
    const { states, at } = this.#slots[this.#slot];
    return states[at + steps] !== undefined;
  }

  /** To the other version, in the middle of whatever moves. */
  swap(): void {
    this.#slot = this.#slot === 0 ? 1 : 0;
    this.#apply();
  }

  /** The other version becomes what this one is. */
  copyToOther(): void {
    push(this.#slots[this.#slot === 0 ? 1 : 0], this.settings);
    this.changed();
  }

  /** Lays settings over all for a while: those that lift the limits. @throws SettingsError */
  cover(above: Settings): void {
    const before = this.#above;
    this.#above = above;
    try {
      this.#apply();
    } catch (error) {
      this.#above = before;
      throw error;
    }
  }

  #step(next: Settings, isDone: boolean): void {
    const slot = this.#slots[this.#slot];
    if (!isSame(next, this.settings)) {
      this.fullOf(next);
      if (slot.isOpen) slot.states[slot.at] = next;
      else push(slot, next);
      // What the camera refuses for reasons of its own is no step.
      try {
        this.#apply();
      } catch (error) {
        slot.at -= 1;
        slot.states.length = slot.at + 1;
        throw error;
      }
    }
    slot.isOpen = !isDone;
  }

  /** Changes of the game's own stay as they are: what goes to the camera is what differs. */
  #apply(): void {
    const wanted = this.#coveredOf(this.settings);
    const change = asSettings(editsBetween(this.#applied, wanted));
    if (Object.keys(change).length > 0) this.#camera.change(change);
    this.#applied = wanted;
    this.changed();
  }
}

function begunWith(settings: Settings): Steps {
  return { states: [settings], at: 0, isOpen: false };
}

function push(steps: Steps, settings: Settings): void {
  steps.at += 1;
  steps.states.length = steps.at;
  steps.states.push(settings);
  steps.isOpen = false;
}

function isSound(check: () => unknown): boolean {
  try {
    check();
    return true;
  } catch {
    return false;
  }
}
