/** Taking hold: of points of the ground, under screen points. */
import { norm } from '../math/index.ts';
import { keepInside } from '../limits/index.ts';
import { aimAt, nearestCopy, ScratchPoint, ScratchScreenPoint, ScratchSpot, View, type Point } from '../view/index.ts';
import type { HeldPoint } from './hold.ts';
import type { Kept } from './kept.ts';
import { ShownPose } from './shownPose.ts';

export class Grips {
  readonly #kept: Kept;
  #view: View | null = null;
  readonly #pose = new ShownPose();
  readonly #spot = new ScratchSpot();
  /** The focus before bounds and elastic edge were applied. */
  readonly #unstretched = new ScratchPoint();
  readonly #met = new ScratchPoint();
  readonly #shown = new ScratchScreenPoint();

  constructor(kept: Kept) {
    this.#kept = kept;
  }

  /** Grips the ground at a screen point (CSS pixels), for a zoom or a turn; nothing if a mover pins something. */
  take(x: number, y: number): void {
    const { hold, first, isPinned } = this.#kept;
    hold.drop();
    if (isPinned) return;
    hold.isGrip = true;
    first.moveTo(x, y);
    first.endLag();
    this.#holdUnder(first);
  }

  /** Takes hold of a point, on the ground if it has no height, if it shows; else of the focus. */
  takeOf(pointX: number, pointY: number, height?: number): void {
    const { hold, first, focus, level, constraints, projection, isPinned } = this.#kept;
    // In a world that repeats itself, the copy nearest to the focus.
    const { periodX = 0, periodY = 0 } = constraints.ground;
    first.x = focus.x + nearestCopy(pointX - focus.x, periodX);
    first.y = focus.y + nearestCopy(pointY - focus.y, periodY);
    first.height = height ?? constraints.terrain?.heightAt(first.x, first.y) ?? level.height;
    const at = this.#aimFrom(focus).toScreen(first.x, first.y, first.height);
    const shows = at.x >= 0 && at.x <= projection.width && at.y >= 0 && at.y <= projection.height;
    hold.isGrip = at.inFront && shows && projection.isInReach(at.y) && !isPinned;
    hold.isBelowEye = false;
    first.moveTo(at.x, at.y);
    first.endLag();
  }

  /** Takes hold of the ground below the eye; of the focus where the lens has none. */
  takeBelow(): void {
    const { hold, first, focus, zoom, projection, isPinned } = this.#kept;
    projection.meetBelowEye(zoom.shown, this.#met);
    hold.isGrip = projection.invFocal > 0 && !isPinned;
    hold.isBelowEye = hold.isGrip;
    first.x = focus.x + this.#met.x;
    first.y = focus.y + this.#met.y;
  }

  /** A zoom or a turn that goes on grips what now shows at the same place. */
  takeAgain(isBelowEye: boolean): void {
    const { first } = this.#kept;
    if (isBelowEye) this.takeBelow();
    else this.take(first.screenX, first.screenY);
  }

  /** Takes hold, with every finger of a hand, of what is shown under it. */
  takeFingers(): void {
    const { hold, first, second } = this.#kept;
    hold.drop();
    hold.isTooClose = false;
    first.endLag();
    second.endLag();
    if (hold.fingers > 0) this.#holdUnder(first);
    if (hold.fingers > 1) this.#holdUnder(second);
  }

  /** Sets how many fingers hold, and where they are: CSS pixels. */
  setFingers([one, other]: readonly Point[]): void {
    const { hold, first, second } = this.#kept;
    hold.fingers = one === undefined ? 0 : other === undefined ? 1 : 2;
    if (one !== undefined) first.moveTo(one.x, one.y);
    if (other !== undefined) second.moveTo(other.x, other.y);
  }

  /** Two fingers go on holding what they hold, at the screen points where that shows now: of the sky they take hold again. */
  holdAsShown(): void {
    const { first, second } = this.#kept;
    this.#undoElastic();
    const view = this.#aimFrom(this.#unstretched);
    const at = this.#shown;
    const isBelowSky = ({ x, y, height }: HeldPoint): boolean => {
      view.toScreen(x, y, height, at);
      return at.inFront && this.#kept.projection.isInReach(at.y);
    };
    if (!isBelowSky(first) || !isBelowSky(second)) {
      this.takeFingers();
      return;
    }
    for (const held of [first, second]) {
      view.toScreen(held.x, held.y, held.height, at);
      held.holdAt(at.x, at.y);
    }
  }

  /**
   * Holds the point of the ground that shows at the screen point of `held`, or the one within reach below where it would be
   * too far.
   */
  #holdUnder(held: HeldPoint): void {
    const { zoom, level, constraints, projection } = this.#kept;
    this.#undoElastic();
    const { screenX, screenY } = held;
    const from = this.#unstretched;
    const spot = this.#spot;
    if (
      constraints.terrain !== null &&
      projection.isInReach(screenY) &&
      this.#aimFrom(from).toGround(screenX, screenY, spot)
    ) {
      held.x = spot.x;
      held.y = spot.y;
      held.height = spot.height;
      return;
    }
    projection.meet(projection.u(screenX), projection.v(screenY), zoom.shown, 0, this.#met);
    held.x = from.x + this.#met.x;
    held.y = from.y + this.#met.y;
    held.height = level.height;
  }

  /**
   * Sets `unstretched`. A pull by e beyond the edge shows as cap · e / (cap + e); this is the inverse.
   */
  #undoElastic(): void {
    const { focus, zoom, constraints, projection } = this.#kept;
    const unstretchedFocus = this.#unstretched;
    unstretchedFocus.x = focus.x;
    unstretchedFocus.y = focus.y;
    if (!focus.isStretched) return;
    const from = this.#met;
    from.x = focus.x - focus.excessX;
    from.y = focus.y - focus.excessY;
    keepInside(constraints.boundary, projection, this.#kept, unstretchedFocus, from, unstretchedFocus);
    const overX = focus.x - unstretchedFocus.x;
    const overY = focus.y - unstretchedFocus.y;
    const cap = constraints.boundary.elastic * zoom.shown;
    const over = norm(overX, overY);
    const stretch = cap / Math.max(cap - over, cap * 1e-9);
    unstretchedFocus.x += overX * stretch;
    unstretchedFocus.y += overY * stretch;
  }

  /** The view from a focus without the lift of the eye. It has no repetitions: held points stay in the copy of the focus. */
  #aimFrom({ x, y }: Readonly<Point>): View {
    const { level, insets, constraints } = this.#kept;
    const pose = this.#pose;
    this.#kept.readPose(pose);
    pose.x = x;
    pose.y = y;
    pose.focusHeight = level.height;
    const { lowest, highest } = constraints.ground;
    this.#view ??= new View();
    return aimAt(this.#view, pose, constraints.screen, { lowest, highest, terrain: constraints.terrain }, insets);
  }
}
