/**
 * What goes on when a hand lets go in passing: the pan, and, where the settings say so, the zoom and the turn. It gives
 * them their speed; they slow down and end as pans, zooms and turns do.
 */
import { clamp, lengthOfEase, log2 } from '../math/index.ts';
import {
  addNotches,
  addTurn,
  byZoomNow,
  endPan,
  ENDED_BY_STEERING,
  foreshortening,
  isDriven,
  restHeading,
  takeGrip,
  type Motion,
  type Mover,
  type Part,
  type Rules,
} from '../motion/index.ts';
import type { Look } from '../view/index.ts';
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

export const glide: Mover<Rules, Trails> = {
  name: 'glide',
  column: 'glide of a fling',
  endedBy: {
    ...ENDED_BY_STEERING,
    pan: 'takesOver',
    turn: 'goesOn',
    tilt: 'goesOn',
    zoom: 'goesOn',
    placeFocus: 'named',
  },
  signals: {},
  keep: () => new Trails(),
  /** What glides is a pan: it is under way by itself. */
  isUnderWay: () => false,
  end: (_, motion, effect) => {
    if (effect === 'takesOver') motion.gliding = false;
    else if (motion.gliding) endPan(motion);
  },
  hand: (trails, motion, rules, look, { anew, glides, micros }) => {
    const { fingers, x, y, excessX, excessY, span, heading } = motion;
    if (fingers === 0 && glides) fling(trails, motion, rules, look, micros);
    if (anew) {
      trails.focus.clear();
      // One finger is lifted a moment before the other.
      if (fingers === 2) trails.pinch.clear();
    }
    if (fingers > 0) trails.focus.add(x - excessX, y - excessY, micros);
    if (fingers === 2) trails.pinch.add(log2(span), heading, micros);
  },
};

/** The hand has let go: all goes on as fast as it went. */
function fling({ focus, pinch }: Trails, motion: Motion, rules: Rules, look: Look, micros: number): void {
  const { glideHalfLife, keepsGoing } = rules.settings.drag;
  if (glideHalfLife > 0) flingFocus(focus, motion, rules, look, micros);
  if (keepsGoing === 'all') flingPinch(pinch, motion, rules, look, micros);
}

/** Along the screen, in pan speeds. */
function flingFocus(focus: Trail, motion: Motion, rules: Rules, look: Look, micros: number): void {
  const went = focus.speed(micros);
  const speed = byZoomNow(motion, rules, rules.speed, motion.speedFar);
  if (went === null || speed === 0 || isDriven(motion)) return;
  const eastward = went.x / motion.span;
  const southward = went.y / motion.span;
  const fast = Math.sqrt(eastward * eastward + southward * southward);
  if (fast <= SLOWEST) return;
  const share = (Math.min(1, FASTEST / fast) * beyond(fast, SLOWEST)) / speed;
  motion.velocityX = (eastward * look.cosHeading + southward * look.sinHeading) * share;
  motion.velocityY = ((southward * look.cosHeading - eastward * look.sinHeading) * share) / foreshortening(rules, look);
  motion.gliding = true;
}

/** About the last finger; at the pace at which zoom and turn ease. */
function flingPinch(pinch: Trail, motion: Motion, rules: Rules, look: Look, micros: number): void {
  const went = pinch.speed(micros);
  if (went === null) return;
  const { zoom, turn } = rules.settings;
  const zooms = zoom.stops === null && Math.abs(went.x) > SLOWEST_ZOOM;
  const turns = Math.abs(went.y) > SLOWEST_TURN;
  if (!zooms && !turns) return;
  takeGrip(motion, rules, look, motion.gripX, motion.gripY);
  const zoomed = clamp(went.x, -FASTEST_ZOOM, FASTEST_ZOOM) * beyond(went.x, SLOWEST_ZOOM);
  const octaves = lengthOfEase(zoomed, zoom.halfLife);
  if (zooms) addNotches(motion, rules, look, octaves / log2(zoom.notch));
  if (!turns) return;
  const turned = clamp(went.y, -FASTEST_TURN, FASTEST_TURN) * beyond(went.y, SLOWEST_TURN);
  addTurn(motion, rules, lengthOfEase(turned, turn.halfLife));
  restHeading(motion, rules);
}

/** What counts of a speed: nothing at the slowest, soon all, and no jump between. */
function beyond(speed: number, slowest: number): number {
  return 1 - (slowest / speed) * (slowest / speed);
}
