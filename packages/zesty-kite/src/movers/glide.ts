/**
 * The motion after a fling: the pan, and, if the settings say so, the zoom and the turn. It gives
 * them their speed; they slow down and end as pans, zooms and turns do.
 */
import { clamp, lengthOfEase, log2 } from '../math/index.ts';
import { ENDED_BY_STEERING, type Motion, type Mover, type Part } from '../motion/index.ts';
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
class Trails implements Part {
  /** The focus, while anything is held. */
  readonly focus = new Trail();
  /** log₂(span) and heading, while two fingers hold. */
  readonly pinch = new Trail();

  copyFrom(): void {
    // Only kept motion is flung.
  }
}

export const glide: Mover<Motion, Trails> = {
  name: 'glide',
  label: 'glide of a fling',
  interruptions: {
    ...ENDED_BY_STEERING,
    panKeys: 'takesOver',
    turn: 'goesOn',
    tilt: 'goesOn',
    zoom: 'goesOn',
    placeFocus: 'named',
  },
  signals: {},
  createState: () => new Trails(),
  /** A glide is a pan: it is under way by itself. */
  isUnderWay: () => false,
  interrupt: (_, { pan }, effect) => {
    if (effect === 'takesOver') pan.isGliding = false;
    else if (pan.isGliding) pan.stop();
  },
  hand: (trails, motion, { fingersChanged, glides, micros }) => {
    const { focus, hold, span, heading } = motion;
    if (hold.fingers === 0 && glides) fling(trails, motion, micros);
    if (fingersChanged) {
      trails.focus.clear();
      // One finger is lifted a moment before the other.
      if (hold.fingers === 2) trails.pinch.clear();
    }
    if (hold.fingers > 0) trails.focus.add(focus.x - focus.excessX, focus.y - focus.excessY, micros);
    if (hold.fingers === 2) trails.pinch.add(log2(span), heading, micros);
  },
};

/** The hand has let go: all goes on as fast as it went. */
function fling({ focus, pinch }: Trails, motion: Motion, micros: number): void {
  const { glideHalfLife, keepsGoing } = motion.constraints.settings.drag;
  if (glideHalfLife > 0) flingFocus(focus, motion, micros);
  if (keepsGoing === 'all') flingPinch(pinch, motion, micros);
}

/** Along the screen, in pan speeds. */
function flingFocus(focus: Trail, motion: Motion, micros: number): void {
  const { pan, span, projection } = motion;
  const went = focus.speed(micros);
  const speed = motion.panSpeed(span);
  if (went === null || speed === 0 || pan.isDriven) return;
  const eastward = went.x / span;
  const southward = went.y / span;
  const fast = Math.sqrt(eastward * eastward + southward * southward);
  if (fast <= SLOWEST) return;
  const share = (Math.min(1, FASTEST / fast) * beyond(fast, SLOWEST)) / speed;
  pan.velocityX = (eastward * projection.cosHeading + southward * projection.sinHeading) * share;
  pan.velocityY =
    ((southward * projection.cosHeading - eastward * projection.sinHeading) * share) / motion.foreshortening();
  pan.isGliding = true;
}

/** About the last finger; at the pace at which zoom and turn ease. */
function flingPinch(pinch: Trail, motion: Motion, micros: number): void {
  const { turn: heading, hold, first, constraints } = motion;
  const went = pinch.speed(micros);
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

/** The weight of a speed: 0 at the slowest, soon 1, without a jump between. */
function beyond(speed: number, slowest: number): number {
  return 1 - (slowest / speed) * (slowest / speed);
}
