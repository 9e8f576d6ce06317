/** Marks: places to come back to, saved by name or by number key. */
import { checkMade, checkObject, refuse } from '../messages/index.ts';
import type { Camera } from '../camera/index.ts';
import type { Arrival } from './way.ts';
import { cameraHere } from './here.ts';
import { travel, type TravelOptions } from './travel.ts';

/** A place and a look, plain data: for `travel`, `camera.place`, `start`, and for a saved game. */
export interface Mark {
  /** The focus, world units. */
  readonly x: number;
  readonly y: number;
  /** World units from the top to the bottom of the safe frame. */
  readonly span: number;
  /** Degrees clockwise. */
  readonly heading: number;
  /** Degrees below the horizon. */
  readonly pitch: number;
}

/** The parts of a `keydown` event that are used. */
export interface PressedKey {
  /** The key's `code` of UI Events, such as `Digit1`. */
  readonly code: string;
  /** True while Shift is held. */
  readonly shiftKey: boolean;
  /** True while Control is held. */
  readonly ctrlKey?: boolean;
  /** True while Alt is held. */
  readonly altKey?: boolean;
  /** True while the system key is held. */
  readonly metaKey?: boolean;
  /** True for repeats of a held key, which are ignored. */
  readonly repeat?: boolean;
  /** Milliseconds. */
  readonly timeStamp: number;
}

export interface MarksOptions {
  /** How often a number key has to be pressed to go there: 1, or 2 within 0.4 seconds, for a game that chooses something with the first press. */
  readonly presses?: 1 | 2;
  /** How it goes there. */
  readonly travel?: TravelOptions;
}

/** Two presses within this many milliseconds are a double press. */
const TWICE = 400;

/**
 * Returns the goal of the camera as a mark: a destination for `travel`.
 *
 * ```ts
 * const before = markOf(camera);
 * await travel(camera, before); // later
 * ```
 */
export function markOf(camera: Camera): Mark {
  const { x, y, span, heading, pitch } = cameraHere('markOf', camera).goal;
  return { x, y, span, heading, pitch };
}

/**
 * Places to come back to, by name or by number key. They are plain data for a saved game.
 *
 * ```ts
 * const marks = new Marks(camera);
 * addEventListener('keydown', (event) => marks.key(event) && event.preventDefault());
 * marks.save('harbour');
 * await marks.goTo('harbour');
 * const saved = JSON.stringify(marks);
 * ```
 */
export class Marks {
  readonly #camera: Camera;
  readonly #marks = new Map<string, Mark>();
  readonly #presses: 1 | 2;
  readonly #travel: TravelOptions;
  #lastName = '';
  #lastTime = -Infinity;

  /**
   * @param saved what `toJSON` gave
   * @throws TypeError for what is no mark
   */
  constructor(camera: Camera, saved: Readonly<Record<string, Mark>> = {}, options: MarksOptions = {}) {
    this.#camera = cameraHere('Marks', camera);
    checkObject('marks', saved, 'what toJSON gave');
    checkObject('marks.options', options, 'an object such as { presses: 2 }');
    this.#presses = options.presses ?? 1;
    this.#travel = options.travel ?? {};
    for (const [name, mark] of Object.entries(saved)) this.#marks.set(name, checkedMark(`marks.${name}`, mark));
  }

  /** The names of all marks, in the order in which they were set. */
  get names(): readonly string[] {
    return [...this.#marks.keys()];
  }

  /** Returns a copy of the mark, or undefined. */
  get(name: string): Mark | undefined {
    return this.#marks.get(name);
  }

  /** Saves the goal of the camera, or another place. */
  save(name: string, mark: Mark = markOf(this.#camera)): Mark {
    if (typeof (name as unknown) !== 'string') refuse('Marks.save.name', name, 'a name');
    const saved = checkedMark(`marks.${name}`, mark);
    this.#marks.set(name, saved);
    return saved;
  }

  /** @returns whether there was one */
  forget(name: string): boolean {
    return this.#marks.delete(name);
  }

  /** Travels there; null if there is no such mark. */
  goTo(name: string, options: TravelOptions = this.#travel): Promise<Arrival> | null {
    const mark = this.#marks.get(name);
    return mark === undefined ? null : travel(this.#camera, mark, options);
  }

  /**
   * Hears a key: with Shift a number key saves a mark of that number, by itself it goes there; pressed twice it is there at
   * once.
   *
   * @returns whether it was a number key that saves or goes: the page may prevent its default
   */
  key(pressed: PressedKey): boolean {
    checkMade('Marks.key', pressed, 'code', 'an event of a key');
    const { code, shiftKey, ctrlKey, altKey, metaKey, repeat, timeStamp } = pressed;
    const name = /^(?:Digit|Numpad)(\d)$/u.exec(code)?.[1];
    if (name === undefined || ctrlKey === true || altKey === true || metaKey === true) return false;
    if (repeat === true) return this.#marks.has(name);
    if (shiftKey) this.save(name);
    if (!this.#marks.has(name)) return false;
    const isTwice = !shiftKey && name === this.#lastName && timeStamp - this.#lastTime <= TWICE;
    this.#lastName = shiftKey ? '' : name;
    this.#lastTime = timeStamp;
    if (shiftKey || (this.#presses === 2 && !isTwice)) return true;
    if (this.#presses === 1 && isTwice) void this.goTo(name, { ...this.#travel, way: 'cut' });
    else void this.goTo(name);
    return true;
  }

  /** Plain data, for a saved game. */
  toJSON(): Record<string, Mark> {
    return Object.fromEntries(this.#marks);
  }
}

/** @throws TypeError */
export function checkedMark(path: string, saved: Mark): Mark {
  checkObject(path, saved, 'a mark {x, y, span, heading, pitch}');
  const { x, y, span, heading, pitch } = saved;
  const mark = { x, y, span, heading, pitch };
  for (const [name, value] of Object.entries(mark))
    if (!Number.isFinite(value)) refuse(`${path}.${name}`, value, 'a finite number');
  return mark;
}
