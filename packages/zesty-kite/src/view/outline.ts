/** The outline of the safe frame on the focus plane, cut where bounds guard nothing more. */
import type { Insets, Point } from './pose.ts';
import { ScratchInsets, ScratchPoint } from './scratch.ts';

/** The numbers of a projection that it is made of. */
interface Look {
  readonly sinPitch: number;
  /** Half the safe frame's width, in its heights. */
  readonly halfWide: number;
  /** v of the screen line above which bounds guard nothing. */
  readonly guardV: number;
  /** Counts up whenever anything changes. */
  readonly version: number;
  steepness(v: number): number;
  cast(u: number, v: number, span: number, rise: number, out: Point): void;
}

export class FrameOutline {
  readonly #look: Look;
  readonly #corners = new Float64Array(8);
  readonly #corner = new ScratchPoint();
  #version = -1;
  readonly #reach = new ScratchInsets();

  constructor(look: Look) {
    this.#look = look;
  }

  /** x and y by turns, in spans from the focus along the world's axes. Overwritten when the look changes. */
  get corners(): Float64Array {
    this.#lay();
    return this.#corners;
  }

  /** How far the corners reach to each side, in spans. Overwritten likewise. */
  get reach(): Readonly<Insets> {
    this.#lay();
    return this.#reach;
  }

  /** Whether it reaches less far than this from the focus, in spans. Conservative: `false` means unknown. */
  isWithin(radius: number): boolean {
    const look = this.#look;
    const half = look.halfWide * look.sinPitch;
    // The top corners are the farther ones, and the nearer the screen line to the horizon the farther.
    const steepness = look.steepness(-0.5);
    const reach = radius * steepness;
    return radius > 0 && steepness > 0 && half * half + 0.25 < reach * reach;
  }

  #lay(): void {
    const look = this.#look;
    if (this.#version === look.version) return;
    this.#version = look.version;
    const corners = this.#corners;
    const corner = this.#corner;
    const { halfWide } = look;
    const top = Math.max(-0.5, look.guardV);
    const reach = this.#reach;
    reach.left = reach.top = Infinity;
    reach.right = reach.bottom = -Infinity;
    for (let k = 0; k < 8; k += 2) {
      look.cast(k === 0 || k === 6 ? -halfWide : halfWide, k < 4 ? top : 0.5, 1, 0, corner);
      const { x, y } = corner;
      corners[k] = x;
      corners[k + 1] = y;
      reach.left = Math.min(reach.left, x);
      reach.top = Math.min(reach.top, y);
      reach.right = Math.max(reach.right, x);
      reach.bottom = Math.max(reach.bottom, y);
    }
  }
}
