/** Being put somewhere: at the start, by the program, by limits that change. */
import { ANYWHERE, keepInside, middleOf } from '../limits/index.ts';
import { clamp } from '../math/index.ts';
import type { Look } from '../view/index.ts';
import { arrive, arriveAt, askAnew, flipSwitches, foreshortening, groundAtOnce, pitchAt } from './followers.ts';
import { dropGrip, takeBelow, takeGrip } from './grip.ts';
import { goalSpanOf } from './goalSpan.ts';
import { endMovers, findMoving } from './interrupt.ts';
import { holdAnew } from './pair.ts';
import { isDriven, type Motion } from './motion.ts';
import type { Place } from './mover.ts';
import { ANGLE_TOLERANCE } from './rest.ts';
import { headingInside, minSpan, maxSpan, type Rules } from './rules.ts';
import { solveFocus } from './solveFocus.ts';
import { faceAt, restHeading, setPitch } from './turn.ts';
import { findGoal, finishZoom, keepInRange, showSpan } from './zoom.ts';

/** Where to stand; a pitch that is null is what the zoom asks for. */
export interface Start {
  readonly x: number;
  readonly y: number;
  readonly span: number;
  readonly heading: number;
  readonly pitch: number | null;
}

/** Where the settings ask to begin; limits have not spoken yet. */
export function startPlace({ settings: { start, bounds }, boundary }: Rules): Start {
  const middle = bounds === null ? { x: 0, y: 0, high: 100 } : middleOf(boundary);
  return {
    x: start.x ?? middle.x,
    y: start.y ?? middle.y,
    span: start.span ?? middle.high,
    heading: start.heading,
    pitch: start.pitch ?? null,
  };
}

/** Begins somewhere, with nothing under way; what the limits do not allow is brought inside. */
export function beginAt(motion: Motion, rules: Rules, look: Look, start: Start): void {
  const { left, top, right, bottom } = rules.settings.safeFrame;
  dropGrip(motion);
  motion.excessX = motion.excessY = 0;
  motion.offset.end();
  endMoversAt(motion, rules, look, { ...start, pitch: start.pitch ?? undefined });
  look.frame(rules.screen, left, top, right, bottom);
  motion.pitchFar = motion.lensFar = motion.speedFar = false;
  motion.insetLeft = left;
  motion.insetTop = top;
  motion.insetRight = right;
  motion.insetBottom = bottom;
  motion.tilt = 0;
  faceAt(motion, rules, start.heading);
  zoomAtOnce(motion, rules, look, start.span, start.pitch);
  motion.x = start.x;
  motion.y = start.y;
  arrive(motion, rules, look);
  putFocus(motion, rules, look, start.x, start.y);
  arrive(motion, rules, look);
  holdAnew(motion, rules, look);
  solveFocus(motion, rules, look);
  motion.easing = motion.tilting = motion.tilted = motion.framing = motion.pinched = false;
}

/** Puts the focus at a point of the ground, or at the nearest that is allowed there, as the camera looks with the present angles. */
export function putFocus(motion: Motion, rules: Rules, look: Look, x: number, y: number): void {
  motion.x = x;
  motion.y = y;
  look.turn(motion);
  showSpan(motion, rules, look);
  keepInside(rules.boundary, look, motion, motion, ANYWHERE, motion);
  motion.rawX = motion.x;
  motion.rawY = motion.y;
}

/**
 * Zooms at once: to the greatest span up to one that fits.
 *
 * @param pitch as the camera looks there; null for what the zoom asks for, with the tilt
 */
function zoomAtOnce(motion: Motion, rules: Rules, look: Look, span: number, pitch: number | null): void {
  const { question } = motion;
  const named = pitch === null ? NaN : clamp(pitch, rules.minPitch, rules.maxPitch);
  motion.wantedSpan = clamp(span, minSpan(rules, look), maxSpan(rules, look));
  question.take(motion);
  question.pitch = named;
  motion.goalSpan = motion.fingers === 2 ? motion.wantedSpan : goalSpanOf(question, rules);
  finishZoom(motion);
  flipSwitches(motion, rules);
  if (pitch !== null) {
    setPitch(motion, rules, named);
    // The tilt is that of this span.
    if (rules.pitch.curve !== null) motion.wantedSpan = motion.goalSpan;
  }
  question.take(motion);
}

/**
 * Moves what is named at once, inside the limits, and ends what steered just that. What is not named
 * is left alone: a zoom or a turn under way goes on, and so do held keys.
 */
export function placeAt(motion: Motion, rules: Rules, look: Look, place: Place): void {
  const { span, heading, pitch } = place;
  const { gripping, holdsBelowEye, orbitGripping } = motion;
  const moves = place.x !== undefined || place.y !== undefined;
  const looks = span !== undefined || heading !== undefined || pitch !== undefined;
  endMoversAt(motion, rules, look, place);
  endPanAlong(motion, rules, look, place);
  if (looks) lookAnew(motion, rules, look, place);
  if (moves) {
    // The offset beyond an elastic edge is part of x and y, and is dropped with them.
    const x = place.x ?? motion.x - motion.excessX;
    const y = place.y ?? motion.y - motion.excessY;
    motion.excessX = motion.excessY = 0;
    motion.offset.x = motion.offset.y = motion.offset.focusHeight = 0;
    dropGrip(motion);
    putFocus(motion, rules, look, x, y);
  }
  if (motion.fingers === 0 && (moves || span !== undefined)) groundAtOnce(motion, rules);
  settleInside(motion, rules, look);
  holdAnew(motion, rules, look);
  if (moves || !looks || !gripping || motion.fingers > 0) return;
  // A zoom or a turn that goes on grips the ground that now shows at the same screen point.
  if (holdsBelowEye) takeBelow(motion, look);
  else takeGrip(motion, rules, look, motion.gripX, motion.gripY);
  motion.orbitGripping = orbitGripping;
}

/** Ends the movers that a placing ends. */
function endMoversAt(motion: Motion, rules: Rules, look: Look, place: Place): void {
  rules.movers.forEach((mover, i) => {
    const state = motion.states[i];
    if (state !== undefined) mover.endNamed?.(state, place);
  });
  if (place.x !== undefined || place.y !== undefined) endMovers(motion, rules, look, 'placeFocus');
  if (place.span !== undefined) endMovers(motion, rules, look, 'placeSpan');
  if (place.heading !== undefined) endMovers(motion, rules, look, 'placeHeading');
  if (place.pitch !== undefined) endMovers(motion, rules, look, 'placePitch');
  findMoving(motion, rules);
}

/** Brings the focus inside with nothing held: it stays where it is, as far as the bounds let it. */
function settleInside(motion: Motion, rules: Rules, look: Look): void {
  const { fingers } = motion;
  dropGrip(motion);
  motion.fingers = 0;
  solveFocus(motion, rules, look);
  motion.fingers = fingers;
}

/** Span, heading and pitch of a placing; pitch and lens follow their curves unless they are named. */
function lookAnew(motion: Motion, rules: Rules, look: Look, { span, heading, pitch }: Place): void {
  if (heading !== undefined) {
    motion.offset.heading = 0;
    faceAt(motion, rules, heading);
  }
  if (pitch !== undefined) motion.offset.pitch = 0;
  if (span !== undefined || motion.zoomRemaining === 0) {
    if (span !== undefined) {
      motion.offset.zoom = motion.offset.fieldOfView = 0;
      motion.notches = 0;
    }
    const { easedSpan } = motion;
    // A tilt that still eases keeps its distance from what the new span asks for.
    const lag = motion.tilted ? motion.pitch - motion.askedPitch : 0;
    zoomAtOnce(motion, rules, look, span ?? motion.wantedSpan, pitch ?? null);
    if (span !== undefined || motion.easedSpan !== easedSpan) {
      arriveAt(motion, rules, look, motion.easedSpan);
      motion.pitch = clamp(motion.pitch + lag, rules.minPitch, rules.maxPitch);
    }
  } else if (pitch !== undefined) setPitch(motion, rules, pitch);
  if (pitch !== undefined) {
    motion.pitch = motion.askedPitch = pitchAt(motion, rules, motion.easedSpan);
    motion.tilted = false;
  }
  look.turn(motion);
}

/** Ends a glide or a stop along the world's axes that are named. */
function endPanAlong(motion: Motion, rules: Rules, look: Look, { x, y }: Place): void {
  if ((x === undefined && y === undefined) || isDriven(motion)) return;
  const steep = foreshortening(rules, look);
  const { sinHeading, cosHeading } = look;
  const toward = motion.velocityY * steep;
  const east = x === undefined ? motion.velocityX * cosHeading - toward * sinHeading : 0;
  const south = y === undefined ? motion.velocityX * sinHeading + toward * cosHeading : 0;
  motion.velocityX = east * cosHeading + south * sinHeading;
  motion.velocityY = (south * cosHeading - east * sinHeading) / steep;
  if (motion.velocityX === 0 && motion.velocityY === 0) motion.gliding = false;
}

/** Goes on over other heights: what is held is held, and the height eases to what it should be. */
export function overOtherGround(motion: Motion): void {
  motion.groundStale = motion.easing = true;
}

/**
 * Brings everything inside limits that have changed; a grip goes on holding.
 *
 * @param otherBoundary there are other bounds: what was pulled over the edge of the old ones is forgotten
 * @param atOnce a span that has to leave its stop goes to another at once; else it eases
 */
export function refit(motion: Motion, rules: Rules, look: Look, otherBoundary: boolean, atOnce = false): void {
  const heading = headingInside(rules, motion.heading);
  const goal = headingInside(rules, motion.goalHeading);
  motion.heading = heading;
  motion.goalHeading = goal;
  motion.turnRemaining = Math.abs(heading - goal) < ANGLE_TOLERANCE ? 0 : heading - goal;
  restHeading(motion, rules);
  motion.pitch = clamp(motion.pitch, rules.minPitch, rules.maxPitch);
  look.frame(rules.screen, motion.insetLeft, motion.insetTop, motion.insetRight, motion.insetBottom);
  look.turn(motion);
  keepInRange(motion, rules, look);
  motion.question.forget();
  findGoal(motion, rules);
  if (atOnce && rules.stops !== null && motion.zoomRemaining !== 0) {
    finishZoom(motion);
    arriveAt(motion, rules, look, motion.easedSpan);
  }
  if (otherBoundary) {
    const { x, y, excessX, excessY } = motion;
    motion.excessX = motion.excessY = 0;
    putFocus(motion, rules, look, x - excessX, y - excessY);
  }
  askAnew(motion, rules, look);
  solveFocus(motion, rules, look);
  motion.easing = motion.framing = true;
  motion.groundStale = rules.terrain !== null || motion.ground !== 0;
}
