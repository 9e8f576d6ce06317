/** Applies the calls of a program to a motion. */
import { Placing, type Motion } from '../motion/index.ts';
import type { About, SignalBody, ZoomSignal } from '../signals/index.ts';

/** Signals of these kinds come from the program alone, as do those of abilities that were learned. */
export const CALLS: ReadonlySet<string> = new Set(['turn', 'tilt', 'zoom', 'pan', 'home', 'place']);

export class Calling {
  readonly #motion: Motion;

  constructor(motion: Motion) {
    this.#motion = motion;
  }

  /** Applies a call of the program; other signals do nothing here. */
  apply(body: SignalBody): void {
    const motion = this.#motion;
    motion.layLook();
    if (body.kind === 'turn') this.turn(body.degrees, body.about);
    else if (body.kind === 'tilt') this.tilt(body.degrees, body.about);
    else if (body.kind === 'zoom') this.#zoom(body);
    else if (body.kind === 'place') new Placing(motion).place(body);
    else motion.receive(body);
  }

  /** Turns, eased, about the focus or another point; a hand goes on holding what it holds. */
  turn(degrees: number, about: About | undefined): void {
    const motion = this.#motion;
    motion.interrupt('turn');
    this.#gripAbout(about);
    motion.turn.stepBy(degrees, motion.constraints.turn, motion.hold.fingers);
  }

  /** Tilts, eased, in the same way: positive degrees to look more from above. */
  tilt(degrees: number, about: About | undefined): void {
    const motion = this.#motion;
    motion.interrupt('tilt');
    this.#gripAbout(about);
    motion.tiltBy(degrees);
    motion.tilt.easeTo(motion.pitchAt(motion.zoom.eased), true);
  }

  /** Zooms, eased, about the focus or another point, on from where it is going; a hand goes on holding what it holds. */
  #zoom({ notches, factor, about }: ZoomSignal): void {
    const motion = this.#motion;
    if (motion.hold.fingers === 2) return;
    motion.interrupt('zoom');
    this.#gripAbout(about);
    if (notches !== undefined) motion.zooming.addNotches(notches);
    if (factor !== undefined) motion.zooming.easeTo(motion.zoom.goal / factor);
  }

  #gripAbout(about: About | undefined): void {
    const { hold, grips } = this.#motion;
    if (hold.fingers > 0) return;
    if (about === undefined) hold.drop();
    else if (about === 'eye') grips.takeBelow();
    else if ('x' in about) grips.takeOf(about.x, about.y, about.height);
    else grips.take(about.screenX, about.screenY);
  }
}
