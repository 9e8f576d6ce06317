/**
 * The state of following: a target is kept at a place of the screen, or in a zone around it.
 *
 * It keeps the screen position of the target, (u, v) in safe-frame heights from the middle. Zoom, turn and tilt go about the
 * target, as about a grip. Then the distance from the nearest focus with which it is inside the zone halves every half-life: a
 * target that moves evenly is followed speed · halfLife / ln 2 behind, and `lead` seconds ahead of it take that away. All this goes
 * by the raw focus: the camera shows as much of it as the bounds allow.
 */
import { Decay } from '../math/index.ts';
import { LENGTH_TOLERANCE, type Motion, type Part } from '../motion/index.ts';
import { nearestTo, ScratchPoint } from '../view/index.ts';
import { atHeight, type FollowSignal, type Parting, type SampleSignal } from './followSignals.ts';
import { enterZone } from './zone.ts';

/** v of a place that does not show. */
const BEHIND = -1e9;
/** Nearer to the eye than this is behind it, in spans. */
const NEAREST = 1e-3;

export class Following implements Part {
  /** The call that began it; null while nothing is followed. */
  request: FollowSignal | null = null;
  /** The target is outside of its zone, or has just been. */
  underWay = false;
  /** The target at the last sample, its velocity, and how much later that is than now: world units, seconds. */
  x = -0;
  y = -0;
  velocityX = -0;
  velocityY = -0;
  ahead = -0;
  /** The target's place on the screen, and the middle of its zone: safe-frame heights from the middle. */
  u = -0;
  v = -0;
  middleU = -0;
  middleV = -0;
  /** The raw focus, as it was left. */
  focusX = -0;
  focusY = -0;
  /** Callbacks by the id of the call. Frames have none. */
  readonly endListeners = new Map<number, (parting: Parting) => void>();
  /** Counts the calls. */
  last = -0;
  readonly #motion: Motion;
  readonly #ease = new Decay();
  readonly #at = new ScratchPoint();

  constructor(motion: Motion) {
    this.#motion = motion;
  }

  copyFrom(other: Following): void {
    this.request = other.request;
    this.underWay = other.underWay;
    this.x = other.x;
    this.y = other.y;
    this.velocityX = other.velocityX;
    this.velocityY = other.velocityY;
    this.ahead = other.ahead;
    this.u = other.u;
    this.v = other.v;
    this.middleU = other.middleU;
    this.middleV = other.middleV;
    this.focusX = other.focusX;
    this.focusY = other.focusY;
  }

  over(outcome: Parting['outcome'], by: Parting['by']): void {
    this.#takeFocus();
    const id = this.request?.id ?? NaN;
    this.request = null;
    this.underWay = false;
    this.endListeners.get(id)?.({ outcome, by });
    this.endListeners.delete(id);
  }

  /** The raw focus is what shows from now on, without what was pulled over the edge. */
  #takeFocus(): void {
    const { focus } = this.#motion;
    focus.rawX = focus.x - focus.excessX;
    focus.rawY = focus.y - focus.excessY;
  }

  begin(request: FollowSignal): void {
    const motion = this.#motion;
    motion.interrupt('mover');
    if (!motion.pan.isDriven) motion.pan.stop();
    motion.hold.drop();
    const { periodX, periodY } = motion.constraints.ground;
    this.request = request;
    this.underWay = true;
    this.velocityX = this.velocityY = this.ahead = this.middleU = this.middleV = 0;
    this.#takeFocus();
    this.x = nearestTo(motion.focus.x, request.x, periodX);
    this.y = nearestTo(motion.focus.y, request.y, periodY);
    this.#face(request.heading);
    this.#locate();
  }

  /** Turns, eased, the short way to a heading. */
  #face(heading: number | undefined): void {
    const { turn, constraints, hold } = this.#motion;
    if (heading === undefined) return;
    const degrees = heading - turn.goal;
    turn.stepBy(degrees - 360 * Math.round(degrees / 360), constraints.turn, hold.fingers);
  }

  takeSample(request: FollowSignal, { x, y, after, ahead, height, heading }: SampleSignal): void {
    this.#face(heading);
    const here = height === request.height ? request : atHeight(request, height);
    this.request = here;
    const { periodX, periodY } = this.#motion.constraints.ground;
    const atX = nearestTo(this.x, x, periodX);
    const atY = nearestTo(this.y, y, periodY);
    this.velocityX = after > 0 ? (atX - this.x) / after : 0;
    this.velocityY = after > 0 ? (atY - this.y) / after : 0;
    this.x = atX;
    this.y = atY;
    this.ahead = ahead;
    // A velocity that has changed makes no jump: the camera goes on from where it is.
    this.noticePan();
    this.#locate();
    // As long as it stays in the zone nothing moves.
    if (!this.underWay) this.underWay = this.#findGoal(here, here.lead);
  }

  /** Goes on by a step. */
  aim(request: FollowSignal, seconds: number): void {
    const motion = this.#motion;
    const { underWay } = this;
    motion.projection.turn(motion);
    motion.hold.drop();
    this.noticePan();
    this.#holdInPlace();
    if (seconds > 0) this.#goOn(request, seconds);
    else motion.focusing.leadTo(motion.focus.rawX, motion.focus.rawY);
    this.#locate();
    if (this.underWay !== underWay) motion.findMoving();
  }

  finish(request: FollowSignal): void {
    this.#findGoal(request, request.lead - this.ahead);
    this.#motion.focusing.leadTo(this.#at.x, this.#at.y);
  }

  /** Sets where the target is on the screen now, and that the raw focus was left here. */
  #locate(): void {
    const { x, y, velocityX, velocityY, ahead } = this;
    const { rawX, rawY } = this.#motion.focus;
    this.#project(x - velocityX * ahead, y - velocityY * ahead);
    this.u = this.#at.x;
    this.v = this.#at.y;
    this.focusX = rawX;
    this.focusY = rawY;
  }

  /** A pan has moved the target on the screen: it is kept at its new place from now on. A pan begins where the focus shows. */
  noticePan(): void {
    const { focus, focusing } = this.#motion;
    const { u, v, focusX, focusY } = this;
    if (focus.rawX === focusX && focus.rawY === focusY) return;
    focusing.nearest(focusX, focusY, this.#at);
    focus.rawX += focusX - this.#at.x;
    focus.rawY += focusY - this.#at.y;
    this.#locate();
    this.middleU += this.u - u;
    this.middleV += this.v - v;
  }

  /** Zoom, turn and tilt go about the target, unless it is beyond the reach of a hand. */
  #holdInPlace(): void {
    const { x, y, velocityX, velocityY, ahead, u, v } = this;
    const { focus, zoom, projection } = this.#motion;
    if (!(v > BEHIND && v > projection.reachV)) return;
    const nowX = x - velocityX * ahead;
    const nowY = y - velocityY * ahead;
    projection.meet(u, v, zoom.shown, this.#riseAt(nowX, nowY), this.#at);
    focus.rawX = nowX - this.#at.x;
    focus.rawY = nowY - this.#at.y;
  }

  /** Goes on by a step, from the raw focus that holds the target in place. */
  #goOn(request: FollowSignal, seconds: number): void {
    const motion = this.#motion;
    const { velocityX, velocityY, ahead } = this;
    const { rawX, rawY } = motion.focus;
    const at = this.#at;
    this.ahead -= seconds;
    this.#findGoal(request, request.lead - ahead);
    const { x: fromX, y: fromY } = at;
    const isOut = this.#findGoal(request, request.lead - this.ahead);
    const { x: toX, y: toY } = at;
    this.#ease.take(motion.constraints.settings.reducedMotion ? 0 : request.halfLife);
    const ease = this.#ease.over(seconds);
    const offX = ease.left(rawX - fromX, toX - fromX);
    const offY = ease.left(rawY - fromY, toY - fromY);
    const small = LENGTH_TOLERANCE * motion.span;
    const moves = velocityX !== 0 || velocityY !== 0;
    const off = Math.abs(offX) + Math.abs(offY);
    const isThere = !moves && off < small;
    motion.focusing.leadTo(isThere ? toX : toX + offX, isThere ? toY : toY + offY);
    // A target that moves keeps it under way while it is outside; one that stands, until it is reached.
    this.underWay = moves ? isOut || off >= small : !isThere;
  }

  /**
   * Finds the nearest focus with which the target is inside its zone, some seconds after its last sample. Returns whether it is
   * outside of it now.
   */
  #findGoal(request: FollowSignal, seconds: number): boolean {
    const { zoom, projection } = this.#motion;
    const at = this.#at;
    const x = this.x + this.velocityX * seconds;
    const y = this.y + this.velocityY * seconds;
    this.#project(x, y);
    const { x: u, y: v } = at;
    enterZone(request, projection.frameWidth * projection.perPixel, this.middleU, this.middleV, at);
    const isOut = Math.abs(u - at.x) + Math.abs(v - at.y) > LENGTH_TOLERANCE;
    projection.meet(at.x, at.y, zoom.shown, this.#riseAt(x, y), at);
    at.x = x - at.x;
    at.y = y - at.y;
    return isOut;
  }

  /** Finds where a place of the target is on the screen, in safe-frame heights from the middle; far above if it does not show. */
  #project(x: number, y: number): void {
    const { focus, zoom, projection } = this.#motion;
    const at = this.#at;
    const rise = this.#riseAt(x, y);
    projection.project(zoom.shown, x - focus.rawX, y - focus.rawY, rise, at);
    if (projection.depthOf(zoom.shown, x - focus.rawX, y - focus.rawY, rise) > NEAREST) return;
    at.x = 0;
    at.y = BEHIND;
  }

  /** How much higher than the focus the target is at a place. */
  #riseAt(x: number, y: number): number {
    const { level, constraints } = this.#motion;
    return (this.request?.height ?? constraints.terrain?.heightAt(x, y) ?? level.height) - level.height;
  }
}
