/** How a hand went, and the speed that it leaves to pan, zoom and turn when it lets go in passing. */
import { clamp, lengthOfEase, log2, norm } from '../math/index.ts';
import type { HandMoved, Motion, Part } from '../motion/index.ts';
import { Trail } from './trail.ts';

/** Slower than this is a hand that holds still, in spans per second. */
const SLOWEST = 0.02;
/** Nothing flies faster, in spans per second. */
const FASTEST = 20;
/** The same for a pinch, in octaves per second, and for a twist, in degrees per second. */
const SLOWEST_ZOOM = 0.1;
const FASTEST_ZOOM = 20;
const SLOWEST_TURN = 5;
const FASTEST_TURN = 1440;

/** How the hand went. Frames have no hands: a copy keeps nothing. */
export class Trails implements Part {
  /** The focus, while anything is held. */
  readonly focus = new Trail();
  /** log₂(span) and heading, while two fingers hold. */
  readonly pinch = new Trail();
  readonly #motion: Motion;

  constructor(motion: Motion) {
    this.#motion = motion;
  }

  copyFrom(): void {
    // Only kept motion is flung.
  }

  follow({ fingersChanged, glides, micros }: HandMoved): void {
    const { focus, hold, span, heading } = this.#motion;
    if (hold.fingers === 0 && glides) this.#fling(micros);
    if (fingersChanged) {
      this.focus.clear();
      // One finger is lifted a moment before the other.
      if (hold.fingers === 2) this.pinch.clear();
    }
    if (hold.fingers > 0) this.focus.add(focus.x - focus.excessX, focus.y - focus.excessY, micros);
    if (hold.fingers === 2) this.pinch.add(log2(span), heading, micros);
  }

  /** The hand has let go: all goes on as fast as it went. */
  #fling(micros: number): void {
    const { glideHalfLife, keepsGoing } = this.#motion.constraints.settings.drag;
    if (glideHalfLife > 0) this.#flingFocus(micros);
    if (keepsGoing === 'all') this.#flingPinch(micros);
  }

  /** Along the screen, in pan speeds. */
  #flingFocus(micros: number): void {
    const motion = this.#motion;
    const { pan, span, projection } = motion;
    const went = this.focus.speed(micros);
    const speed = motion.panSpeed(span);
    if (went === null || speed === 0 || pan.isDriven) return;
    const eastward = went.x / span;
    const southward = went.y / span;
    const fast = norm(eastward, southward);
    if (fast <= SLOWEST) return;
    const share = (Math.min(1, FASTEST / fast) * beyond(fast, SLOWEST)) / speed;
    pan.velocityX = (eastward * projection.cosHeading + southward * projection.sinHeading) * share;
    pan.velocityY =
      ((southward * projection.cosHeading - eastward * projection.sinHeading) * share) / motion.foreshortening();
    pan.isGliding = true;
  }

  /** About the last finger; at the pace at which zoom and turn ease. */
  #flingPinch(micros: number): void {
    const motion = this.#motion;
    const { turn: heading, hold, first, constraints } = motion;
    const went = this.pinch.speed(micros);
    if (went === null) return;
    const { zoom, turn } = constraints.settings;
    const zooms = zoom.stops === null && Math.abs(went.x) > SLOWEST_ZOOM;
    const turns = Math.abs(went.y) > SLOWEST_TURN;
    if (!zooms && !turns) return;
    motion.grips.take(first.screenX, first.screenY);
    const zoomed = clamp(went.x, -FASTEST_ZOOM, FASTEST_ZOOM) * beyond(went.x, SLOWEST_ZOOM);
    const octaves = lengthOfEase(zoomed, zoom.halfLife);
    if (zooms) motion.zooming.addNotches(-octaves / log2(zoom.notch));
    if (!turns) return;
    const turned = clamp(went.y, -FASTEST_TURN, FASTEST_TURN) * beyond(went.y, SLOWEST_TURN);
    heading.turnBy(lengthOfEase(turned, turn.halfLife), constraints.turn);
    heading.rest(constraints.turn, hold.fingers);
  }
}

/** The weight of a speed: 0 at the slowest, soon 1, without a jump between. */
function beyond(speed: number, slowest: number): number {
  return 1 - (slowest / speed) * (slowest / speed);
}
