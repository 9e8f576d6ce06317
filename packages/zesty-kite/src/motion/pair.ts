/**
 * Two fingers: the span and the heading at which both held points can be under their screen points.
 *
 * The offset of a held point from the focus is span · A + B, with A from the screen point and B from
 * how high it lies above the focus. So the distance of the held points, which no camera changes, is
 * |span · ΔA + ΔB|: a quadratic equation for the span. The heading is the angle that is then left
 * between the two directions.
 */
import { angleDegrees, clamp, nearestRoot } from '../math/index.ts';
import { ScratchPoint, type Point } from '../view/index.ts';
import type { HeldPoint } from './hold.ts';
import type { Kept } from './kept.ts';
import type { Grips } from './grips.ts';
import type { Zooming } from './zooming.ts';

/** Fingers nearer to each other than this say where, but neither how near nor which way; CSS pixels. */
const CLOSE = 24;
/** Held points nearer to each other than this are one, in spans. */
const ONE_POINT = 1e-6;
/** Tolerance on the squared distance, in safe-frame heights: that of two fingers is at least 1e-4. */
const NOTHING = 1e-14;

export class Pair {
  readonly #kept: Kept;
  readonly #zooming: Zooming;
  readonly #grips: Grips;
  /** From the first held point to the second: on the ground, and as the camera at a span would have it. */
  readonly #held = new ScratchPoint();
  readonly #off = new ScratchPoint();
  /** Offsets of the first point from the focus, and where both points show: u and v. */
  readonly #near = new ScratchPoint();
  readonly #shownFirst = new ScratchPoint();
  readonly #shownSecond = new ScratchPoint();

  constructor(kept: Kept, zooming: Zooming, grips: Grips) {
    this.#kept = kept;
    this.#zooming = zooming;
    this.#grips = grips;
  }

  /** Takes hold, with every finger of a hand, of what is shown under it from now on. */
  hold(): void {
    this.#grips.takeFingers();
    if (this.#kept.hold.fingers === 2) this.#begin();
  }

  /** Two fingers zoom or turn from now on. The points that they hold are not under them, and come back there. */
  leaveZone(): void {
    this.#grips.holdAsShown();
    this.#begin();
  }

  /** What the fingers hold comes to be under them. */
  catchUp(remaining: number): void {
    const { first, second } = this.#kept;
    if (first.lags) first.catchUp(remaining);
    if (second.lags) second.catchUp(remaining);
  }

  #begin(): void {
    const { hold, zoom, constraints } = this.#kept;
    // From now on the fingers hold what is shown.
    if (hold.mayZoom) zoom.hold(zoom.shown);
    if (hold.mayZoom && constraints.followsAtOnce) hold.isPinched = true;
    // Keeps the root that matches the current span.
    const lesser = this.#spanAsItLooks(true);
    const greater = this.#spanAsItLooks(false);
    hold.isLesserRoot = lesser > 0 && Math.abs(lesser - zoom.shown) < Math.abs(greater - zoom.shown);
    hold.distanceOffset = 0;
    hold.distanceOffset = hold.mayTurn ? 0 : this.#fingersTooFar(zoom.shown);
  }

  /** Sets span and heading, and leaves the look as they make it. */
  solve(): void {
    const { hold, first, second, zoom, turn, constraints, projection } = this.#kept;
    const acrossX = second.screenX - first.screenX;
    const acrossY = second.screenY - first.screenY;
    if (acrossX * acrossX + acrossY * acrossY < CLOSE * CLOSE) {
      hold.isTooClose = true;
      return;
    }
    // Both hold one point, as from inside a hill: that is no more than one finger does.
    const heldX = second.x - first.x;
    const heldY = second.y - first.y;
    if (heldX * heldX + heldY * heldY < ONE_POINT * ONE_POINT * zoom.shown * zoom.shown) return;
    // Apart again: what happened while they were close is not made up for.
    if (hold.isTooClose) this.hold();
    if (hold.mayZoom) {
      const { min, max } = this.#zooming;
      const root = hold.mayTurn
        ? this.#spanAsItLooks(hold.isLesserRoot)
        : nearestRoot(this.#fingersTooFar, zoom.eased, min, max, NOTHING);
      zoom.hold(clamp(root > 0 ? root : zoom.eased, min, max));
    }
    if (!hold.mayTurn) return;
    this.#measure(zoom.eased, 1);
    const { x: onX, y: onY } = this.#held;
    const { x: offX, y: offY } = this.#off;
    const turned = angleDegrees(offX * onY - offY * onX, offX * onX + offY * onY);
    turn.turnTo(clamp(turn.shown + turned, constraints.turn.min, constraints.turn.max));
    projection.turn(this.#kept);
  }

  /**
   * If two fingers want the focus at different places, it goes this share of the way from the first's to the second's. So both
   * held points are off by the same on the screen, as a step of the focus moves a point there by the square of its steepness.
   */
  get balance(): number {
    const { first, second, projection } = this.#kept;
    const ratio = projection.steepness(this.#v(first)) / projection.steepness(this.#v(second));
    return 1 / (1 + ratio * ratio);
  }

  /** The v of a screen point, or that of the reach of hands, if it is beyond. */
  #v({ screenY }: HeldPoint): number {
    const { projection } = this.#kept;
    return Math.max(projection.v(screenY), projection.reachV);
  }

  /** Sets `held`, and `off` to span · ΔA + share · ΔB. */
  #measure(span: number, share: number): void {
    const { first, second } = this.#kept;
    this.#held.x = second.x - first.x;
    this.#held.y = second.y - first.y;
    this.#meet(first, span, share, this.#near);
    this.#meet(second, span, share, this.#off);
    this.#off.x -= this.#near.x;
    this.#off.y -= this.#near.y;
  }

  #meet({ screenX, screenY, height }: HeldPoint, span: number, share: number, out: Point): void {
    const { projection, level } = this.#kept;
    projection.meet(projection.u(screenX), projection.v(screenY), span, share * (height - level.height), out);
  }

  /** The closed form: pitch and lens stay as they are. One of two roots; not above 0 for none. */
  #spanAsItLooks(isLesser: boolean): number {
    this.#measure(0, 1);
    const { x: fixedX, y: fixedY } = this.#off;
    this.#measure(1, 0);
    const { x: offX, y: offY } = this.#off;
    const { x: onX, y: onY } = this.#held;
    // |span · off + fixed|² = |held|²
    const a = offX * offX + offY * offY;
    const half = offX * fixedX + offY * fixedY;
    const c = fixedX * fixedX + fixedY * fixedY - onX * onX - onY * onY;
    const root = Math.sqrt(Math.max(0, half * half - a * c));
    return isLesser ? (-root - half) / a : (root - half) / a;
  }

  /**
   * By how much the held points show nearer to each other at a span than the fingers are, squared. With the heading fixed,
   * the distance of the fingers on the screen says how near the camera is: so a twist alone does not zoom.
   */
  readonly #fingersTooFar = (span: number): number => {
    const { first, second, hold, level, projection } = this.#kept;
    // The held points as seen from the focus that the fingers agree on.
    this.#measure(span, 1);
    const { balance } = this;
    const held = this.#held;
    const x = this.#near.x - (held.x - this.#off.x) * balance;
    const y = this.#near.y - (held.y - this.#off.y) * balance;
    projection.project(span, x, y, first.height - level.height, this.#shownFirst);
    projection.project(span, x + held.x, y + held.y, second.height - level.height, this.#shownSecond);
    const fingersU = projection.u(second.screenX) - projection.u(first.screenX);
    const fingersV = this.#v(second) - this.#v(first);
    const apartU = this.#shownSecond.x - this.#shownFirst.x;
    const apartV = this.#shownSecond.y - this.#shownFirst.y;
    return fingersU * fingersU + fingersV * fingersV - apartU * apartU - apartV * apartV - hold.distanceOffset;
  };
}
