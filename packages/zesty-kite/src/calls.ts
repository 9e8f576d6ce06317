/** The calls of a program that steer a camera. Each call is one signal. */
import { refuse } from './messages/index.ts';
import type { Settings } from './settings/index.ts';
import type { About, PlaceSignal, Signal } from './signals/index.ts';
import type { Point } from './view/index.ts';

type Fields = Readonly<Record<string, unknown>>;

/** The calls that a camera in this thread and a camera in a worker share. */
export abstract class Calls {
  abstract signal(signal: Signal): boolean;

  /** Puts the camera somewhere at once, inside its limits: `camera.place({ x: 512, span: 200 })`. */
  place(pose: Omit<PlaceSignal, 'kind'>): void {
    this.#send('place', { kind: 'place', ...named('place', pose, ['x', 'y', 'height', 'span', 'heading', 'pitch']) });
  }

  /**
   * Holds the ground under a screen point (CSS pixels), or moves there with what it holds: one finger
   * drags, two pinch and twist. For gestures of your own.
   *
   * @param id of the finger; the two that came first count
   */
  hold(id: number, x: number, y: number): void {
    this.#send('hold', { kind: 'hold', id, x, y });
  }

  /** Lets go with a finger, or with all of them. */
  unhold(id?: number): void {
    this.#send('unhold', { kind: 'unhold', id });
  }

  /**
   * Zooms, eased, about the focus or another point: by notches (above 0 comes nearer) or by a factor (2 shows everything
   * twice as large): `camera.zoom({ factor: 2 }, { screenX: 300, screenY: 200 })`.
   */
  zoom(by: { readonly notches: number } | { readonly factor: number }, about?: About): void {
    this.#send('zoom', { kind: 'zoom', ...named('zoom', by, ['notches', 'factor']), about });
  }

  /** Moves the focus along the screen by CSS pixels, to the right and down, eased; calls add up. */
  pan(by: Readonly<Point>): void {
    this.#send('pan', { kind: 'pan', ...named('pan', by, ['x', 'y']) });
  }

  /** Turns clockwise by degrees, eased, about the focus or another point: `camera.turn(90)`. */
  turn(degrees: number, about?: About): void {
    this.#send('turn', { kind: 'turn', degrees, about });
  }

  /** Tilts down by `degrees` (up below 0), eased, about the focus or another point. */
  tilt(degrees: number, about?: About): void {
    this.#send('tilt', { kind: 'tilt', degrees, about });
  }

  /** Returns to the home pose, eased. All steering ends it. */
  home(): void {
    this.signal({ kind: 'home' });
  }

  /**
   * Changes some settings while the camera lives: `camera.change({ pan: { speed: 1.5 } })`.
   *
   * @throws SettingsError; then nothing has changed
   */
  change(settings: Settings): void {
    this.#send('change', { kind: 'change', settings });
  }

  /** Messages name the call instead of its signal. */
  #send(call: string, signal: Fields & { readonly kind: string }): void {
    try {
      this.signal(signal as Signal);
    } catch (error) {
      if (error instanceof TypeError && error.message.startsWith('signal.'))
        throw new TypeError(error.message.replace('signal', call), { cause: error });
      throw error;
    }
  }
}

/**
 * The fields of an argument. Things of the game with further fields, such as a unit with `x` and `y`, are welcome.
 *
 * @throws TypeError for an argument that is no object, or has none of the fields
 */
function named(call: string, value: unknown, known: readonly string[]): Fields {
  const expected = `an object with ${known.join(', ')}`;
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return refuse(call, value, expected);
  const entries = known.flatMap((name) => (name in value ? [[name, (value as Fields)[name]] as const] : []));
  if (entries.length === 0) refuse(call, value, expected);
  return Object.fromEntries(entries);
}
