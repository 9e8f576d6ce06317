/** Effects on the picture: shakes and nudges. Limits, grips, rest and sessions do not depend on them. */
import { checkMade, checkObject, refuse } from '../messages/index.ts';
import { exp2 } from '../math/index.ts';
import { aim, View, type Point } from '../view/index.ts';

export interface Shake {
  /** How far the picture goes to each side at most, CSS pixels; 0 when left out. */
  readonly pixels?: number;
  /** How far the heading and the pitch go to each side at most, degrees; 0 when left out. It never rolls. */
  readonly heading?: number;
  readonly pitch?: number;
  /** Seconds until half of it is left; 0.15 by default. */
  readonly halfLife?: number;
  /** So often a second it goes another way; 14 when left out. */
  readonly rate?: number;
  /** The same seed shakes in the same way; 1 when left out. */
  readonly seed?: number;
}

export interface Nudge extends Readonly<Point> {
  /** Seconds until half of it is left; 0.08 by default. */
  readonly halfLife?: number;
}

/** The parts of a camera that are used. */
export interface Shaken {
  /** The camera's settings; reduced motion ends every shake. */
  readonly settings: { readonly reducedMotion: boolean };
}

/** An effect ends at this share of its beginning. */
const OVER = 1 / 512;
/** Pixels, degrees, seconds: more is a mistake. */
const MOST = 1e6;

interface Effect {
  /** Milliseconds; null until the next frame. */
  since: number | null;
  readonly halfLife: number;
  /** Adds its value after `seconds` to `off`, `left` of it. */
  readonly add: (seconds: number, left: number) => void;
}

/**
 * Shakes and nudges of the picture. They change the drawn view only.
 *
 * ```ts
 * const effects = new Effects(camera);
 * effects.shake({ pixels: 12, heading: 0.6, seed: 7 });
 * const shaken = effects.apply(camera.advance(time), time); // draw and pick with it
 * if (!camera.settled || effects.active) drawSoon();
 * ```
 */
export class Effects {
  readonly #camera: Shaken;
  readonly #drawn = new View();
  readonly #effects = new Set<Effect>();
  /** Of the last frame, milliseconds. */
  #time = 0;

  constructor(camera: Shaken) {
    checkMade('Effects.camera', camera, 'settings', 'a camera');
    this.#camera = camera;
  }

  /** Something moves what is shown: the next frame differs. */
  get active(): boolean {
    return this.#effects.size > 0;
  }

  /**
   * Shakes what is shown, from the next frame on.
   *
   * @returns a function that ends it
   * @throws TypeError for what is no number
   */
  shake(shake: Shake): () => void {
    checkObject('shake', shake, 'an object such as { pixels: 12 }');
    const { pixels = 0, heading = 0, pitch = 0, halfLife = 0.15, rate = 14, seed = 1 } = shake;
    check('shake', { pixels, heading, pitch, halfLife, rate, seed });
    return this.#begin(halfLife, (seconds, left) => {
      const at = seconds * rate;
      off.right += left * pixels * noise(seed, 0, at);
      off.down += left * pixels * noise(seed, 1, at);
      off.heading += left * heading * noise(seed, 2, at);
      off.pitch += left * pitch * noise(seed, 3, at);
    });
  }

  /**
   * Pushes the picture to the right and down, in CSS pixels. It comes back by itself.
   *
   * @returns a function that ends it
   * @throws TypeError for what is no number
   */
  nudge(nudge: Nudge): () => void {
    checkObject('nudge', nudge, 'an object {x, y}');
    const { x, y, halfLife = 0.08 } = nudge;
    check('nudge', { x, y, halfLife });
    return this.#begin(halfLife, (_, left) => {
      off.right += left * x;
      off.down += left * y;
    });
  }

  /**
   * The view as it is shown: to draw and to pick with. With nothing to add, or reduced motion, it is the view itself.
   *
   * @param time of the frame, as `advance` has it: milliseconds; one that is not finite counts as the frame's before
   */
  apply(view: View, time: number): View {
    if (this.#camera.settings.reducedMotion) this.#effects.clear();
    if (Number.isFinite(time)) this.#time = time;
    off.right = off.down = off.heading = off.pitch = 0;
    for (const effect of this.#effects) {
      effect.since ??= this.#time;
      const seconds = Math.max(0, this.#time - effect.since) / 1000;
      const left = effect.halfLife > 0 ? exp2(-seconds / effect.halfLife) : 0;
      if (left < OVER) this.#effects.delete(effect);
      else effect.add(seconds, left);
    }
    if (this.#effects.size === 0) return view;
    const { projection, scale, focusHeight, span, fieldOfView } = view;
    // The picture goes to the right when the focus goes to the left.
    const east = -off.right / scale;
    const south = -off.down / scale / projection.sinPitch;
    const pose = {
      x: view.x + east * projection.cosHeading - south * projection.sinHeading,
      y: view.y + east * projection.sinHeading + south * projection.cosHeading,
      focusHeight,
      span,
      heading: view.heading + off.heading,
      pitch: Math.min(90, Math.max(1, view.pitch + off.pitch)),
      fieldOfView,
    };
    return aim(this.#drawn, pose, view, view.ground, projection);
  }

  #begin(halfLife: number, add: Effect['add']): () => void {
    const effect: Effect = { since: null, halfLife, add };
    if (!this.#camera.settings.reducedMotion) this.#effects.add(effect);
    return () => {
      this.#effects.delete(effect);
    };
  }
}

/** The sum of all effects: CSS pixels and degrees. */
const off = { right: 0, down: 0, heading: 0, pitch: 0 };

/** A smooth curve between random numbers from -1 to 1 at whole numbers. */
function noise(seed: number, channel: number, at: number): number {
  const from = Math.floor(at);
  const share = at - from;
  const before = anyNumber(seed, channel, from);
  return before + (anyNumber(seed, channel, from + 1) - before) * share * share * (3 - 2 * share);
}

/** A number from -1 to 1 for three whole ones: mixed as in the finalizer of MurmurHash3 (A. Appleby, public domain). */
function anyNumber(seed: number, channel: number, index: number): number {
  let mixed = Math.imul(seed + 1, 0x9e3779b1) ^ Math.imul(channel + 1, 0x85ebca6b) ^ Math.imul(index + 1, 0xc2b2ae35);
  mixed = Math.imul(mixed ^ (mixed >>> 16), 0x85ebca6b);
  mixed = Math.imul(mixed ^ (mixed >>> 13), 0xc2b2ae35);
  return ((mixed ^ (mixed >>> 16)) >>> 0) / 0x7fffffff - 1;
}

function check(path: string, numbers: Readonly<Record<string, number>>): void {
  for (const [name, value] of Object.entries(numbers))
    if (typeof (value as unknown) !== 'number' || !(Math.abs(value) <= MOST) || (value < 0 && name === 'halfLife'))
      refuse(`${path}.${name}`, value, name === 'halfLife' ? 'seconds from 0 to 1e6' : 'a number from -1e6 to 1e6');
}
