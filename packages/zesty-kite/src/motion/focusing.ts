/**
 * Solves the focus for the present zoom, heading, pitch and lens: grips and pans move it, bounds limit it.
 *
 * A screen ray meets a level plane at an offset from the focus that does not depend on the focus:
 * hit = focus + offset. So focus = held - offset, exactly, at every span, pitch, heading and lens.
 */
import { ANYWHERE, keepInside } from '../limits/index.ts';
import { ScratchPoint, type Point } from '../view/index.ts';
import type { HeldPoint } from './hold.ts';
import type { Kept } from './kept.ts';
import type { Pair } from './pair.ts';
import type { Zooming } from './zooming.ts';

/** Two grips that want the focus nearer to each other than this agree; in spans. */
const AGREED = 1e-9;

export class Focusing {
  readonly #kept: Kept;
  readonly #zooming: Zooming;
  readonly #pair: Pair;
  readonly #other = new ScratchPoint();
  /** The focus before, the focus that is asked for and the focus that bounds allow, as of the last `solve`. */
  readonly from = new ScratchPoint();
  readonly desired = new ScratchPoint();
  readonly allowed = new ScratchPoint();

  constructor(kept: Kept, zooming: Zooming, pair: Pair) {
    this.#kept = kept;
    this.#zooming = zooming;
    this.#pair = pair;
  }

  /**
   * Sets the focus. Grips are solved as if nothing were ever lifted, so that one does not chase the
   * other: while the eye is lifted, what is held is off by the lift.
   */
  solve(): void {
    const { focus, first, pan, hold, zoom, constraints, projection } = this.#kept;
    const { from, desired, allowed } = this;
    from.x = focus.x - focus.excessX;
    from.y = focus.y - focus.excessY;
    first.x += pan.stepX;
    first.y += pan.stepY;
    if (hold.fingers === 2) this.#pair.solve();
    this.#zooming.show();
    const agree = this.#desire();
    keepInside(constraints.boundary, projection, this.#kept, desired, from, allowed);
    // If nothing pans or holds, zoom, turn and tilt leave the raw focus alone.
    if (hold.isGrip || hold.fingers > 0 || pan.steps) {
      focus.rawX = allowed.x;
      focus.rawY = allowed.y;
    }
    focus.isLimited = allowed.x !== desired.x || allowed.y !== desired.y || !agree;
    const cap = constraints.boundary.elastic * zoom.shown;
    if (hold.fingers > 0) focus.stretch(desired.x - allowed.x, desired.y - allowed.y, cap);
    // The excess is still on its way back.
    else if (focus.isStretched) focus.capStretch(cap);
    focus.x = allowed.x + focus.excessX;
    focus.y = allowed.y + focus.excessY;
  }

  /** Sets `desired`, whatever the bounds say. Says whether two grips agree: else a limit keeps one point from one finger. */
  #desire(): boolean {
    const { focus, pan, hold, first, second, zoom } = this.#kept;
    const { from, desired } = this;
    if (!hold.isGrip && hold.fingers === 0) {
      desired.x = pan.steps ? from.x + pan.stepX : focus.rawX;
      desired.y = pan.steps ? from.y + pan.stepY : focus.rawY;
      return true;
    }
    this.#put(first, desired);
    if (hold.fingers < 2) return true;
    const other = this.#other;
    this.#put(second, other);
    const offX = other.x - desired.x;
    const offY = other.y - desired.y;
    const { balance } = this.#pair;
    desired.x += offX * balance;
    desired.y += offY * balance;
    return Math.abs(offX) + Math.abs(offY) <= AGREED * zoom.shown;
  }

  /** Sets `out` to the focus that shows a held point at its screen point, or below the eye. */
  #put({ x, y, screenX, screenY, height }: HeldPoint, out: ScratchPoint): void {
    const { hold, projection, zoom, level } = this.#kept;
    if (hold.isBelowEye) projection.meetBelowEye(zoom.shown, out);
    else projection.meet(projection.u(screenX), projection.v(screenY), zoom.shown, height - level.height, out);
    out.x = x - out.x;
    out.y = y - out.y;
  }

  /** Sets `out` to the nearest point that is allowed, as the camera looks with the present angles. */
  nearest(x: number, y: number, out: Point): void {
    const { constraints, projection } = this.#kept;
    out.x = x;
    out.y = y;
    projection.turn(this.#kept);
    this.#zooming.show();
    keepInside(constraints.boundary, projection, this.#kept, out, ANYWHERE, out);
  }

  /** Puts the focus at a point of the ground, or at the nearest that is allowed there. The excess over the edge stays. */
  putAt(x: number, y: number): void {
    const { focus } = this.#kept;
    this.nearest(x, y, focus);
    focus.rawX = focus.x;
    focus.rawY = focus.y;
    focus.x += focus.excessX;
    focus.y += focus.excessY;
  }

  /** Leads the raw focus to a point that may be out of bounds, and the focus to the nearest that they allow. */
  leadTo(x: number, y: number): void {
    const { focus, constraints } = this.#kept;
    this.putAt(x, y);
    focus.rawX = x;
    focus.rawY = y;
    // A way along a coast ends nearer to its edge than a point that is brought inside.
    if (constraints.boundary.shape.slides) this.solve();
  }

  /** Sets `out` to where a step from the focus before ends inside the bounds. */
  push(stepX: number, stepY: number, out: ScratchPoint): void {
    const { constraints, projection } = this.#kept;
    const { from } = this;
    out.x = from.x + stepX;
    out.y = from.y + stepY;
    keepInside(constraints.boundary, projection, this.#kept, out, from, out);
  }
}
