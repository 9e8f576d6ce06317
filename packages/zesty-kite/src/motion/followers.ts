/**
 * Followers: pitch, lens, focus height and insets ease toward what the zoom, the ground and the
 * settings ask for. A grip is solved with their present values.
 */
import { Cell, clamp, log2, log2In } from '../math/index.ts';
import { ScratchSpot, type Look } from '../view/index.ts';
import { isFar, valueAt, valueIn, type ZoomRule } from './byZoom.ts';
import { fieldOfViewFrom } from './curves.ts';
import { frameShare, scaleWithFrame } from './keepScale.ts';
import type { Motion } from './motion.ts';
import type { Pace } from './pace.ts';
import { ANGLE_TOLERANCE, LENGTH_TOLERANCE, PIXEL_TOLERANCE } from './rest.ts';
import type { Rules } from './rules.ts';

/** The pitch that the zoom asks for at a span. */
export function pitchAsked(motion: Motion, rules: Rules, span: number): number {
  const { pitch } = rules;
  return valueAt(pitch, pitch.curve === null ? 0 : log2(span / frameShare(motion, rules)), motion.pitchFar);
}

/** The same with what the player tilted, inside the limits. */
export function pitchAt(motion: Motion, rules: Rules, span: number): number {
  return clamp(pitchAsked(motion, rules, span) + motion.tilt, rules.minPitch, rules.maxPitch);
}

/** The field of view that is asked for at a span. */
export function fieldOfViewAt(motion: Motion, rules: Rules, look: Look, span: number): number {
  const { lens, settings } = rules;
  if (lens !== null)
    return valueAt(lens, lens.curve === null ? 0 : log2(span / frameShare(motion, rules)), motion.lensFar);
  const { distance } = settings.lens;
  return distance === null ? 0 : fieldOfViewFrom(look, span, distance);
}

/** Moves the switches by zoom to the side on which the span is. */
export function flipSwitches(motion: Motion, rules: Rules): void {
  const { pitch, lens, speed } = rules;
  const span = motion.easedSpan / frameShare(motion, rules);
  motion.pitchFar = isFar(pitch, span, motion.pitchFar);
  motion.lensFar = lens !== null && isFar(lens, span, motion.lensFar);
  motion.speedFar = isFar(speed, span, motion.speedFar);
}

/**
 * Moves all followers on by a step. Each eases toward its target; a target that moved is taken to have moved evenly
 * during the step (see `Decay.lag`).
 *
 * @returns whether the safe frame has changed, and with it perhaps the span
 */
export function follow(motion: Motion, pace: Pace, rules: Rules, look: Look): boolean {
  // The ground is not looked at while a hand holds it.
  motion.easing = motion.groundStale && motion.fingers === 0;
  if (rules.switches) flipSwitches(motion, rules);
  const framed = followInsets(motion, pace, rules, look);
  followZoom(motion, pace, rules, look);
  if (motion.fingers === 0) followGround(motion, pace);
  return framed;
}

function followZoom(motion: Motion, pace: Pace, rules: Rules, look: Look): void {
  followPitch(motion, pace, rules);
  if (rules.lens !== null || motion.pinched) followLens(motion, pace, rules, look);
  else if (rules.settings.lens.distance === null) motion.fieldOfView = motion.askedLens = 0;
  else motion.fieldOfView = motion.askedLens = fieldOfViewAt(motion, rules, look, motion.easedSpan);
  if (motion.tilting) motion.easing = true;
  else if (motion.fingers < 2) motion.pinched = false;
}

function followPitch(motion: Motion, pace: Pace, rules: Rules): void {
  const { pitch: rule, minPitch, maxPitch, settings } = rules;
  const { remaining, lag } = motion.pinched && settings.pitch.halfLife === 0 ? pace.pinch : pace.pitch;
  if (rule.curve !== null) logOfSpanIn(motion, rules, cell);
  valueIn(rule, motion.pitchFar, cell);
  const asked = cell.value + motion.tilt;
  // Not by choices (`a ? b : c`): an engine boxes the number that one gives when it is kept in a field.
  const pitch = Math.min(Math.max(asked, minPitch), maxPitch);
  // Along a curve, and while keys tilt, the target has moved during the step; otherwise it jumped, and adds no lag.
  const goalMoved = rule.curve === null && motion.tiltRate === 0 ? 0 : pitch - motion.askedPitch;
  const off = (motion.pitch - pitch + goalMoved) * remaining - goalMoved * lag;
  motion.askedPitch = pitch;
  motion.tilting = Math.abs(off) >= ANGLE_TOLERANCE;
  motion.tilted &&= motion.tilting || motion.tiltRate !== 0;
  if (motion.tilting) motion.pitch = pitch + off;
  else motion.pitch = pitch;
}

function followLens(motion: Motion, pace: Pace, rules: Rules, look: Look): void {
  const { lens: rule, settings } = rules;
  const { remaining, lag } = motion.pinched && (rule === null || settings.lens.halfLife === 0) ? pace.pinch : pace.lens;
  if (rule === null) cell.value = fieldOfViewAt(motion, rules, look, motion.easedSpan);
  else {
    if (rule.curve !== null) logOfSpanIn(motion, rules, cell);
    valueIn(rule, motion.lensFar, cell);
  }
  const fieldOfView = cell.value;
  const goalMoved = rule !== null && rule.curve === null ? 0 : fieldOfView - motion.askedLens;
  const off = (motion.fieldOfView - fieldOfView + goalMoved) * remaining - goalMoved * lag;
  motion.askedLens = fieldOfView;
  const widening = Math.abs(off) >= ANGLE_TOLERANCE;
  if (widening) motion.fieldOfView = fieldOfView + off;
  else motion.fieldOfView = fieldOfView;
  motion.tilting ||= widening;
}

/** The value of a rule at the span that is shown. */
export function byZoomNow(motion: Motion, rules: Rules, rule: ZoomRule, onFarSide: boolean): number {
  if (rule.curve !== null) logOfSpanIn(motion, rules, cell);
  valueIn(rule, onFarSide, cell);
  return cell.value;
}

/** log₂ of the eased span without panels, from that of the goal and what is left of the zoom. */
export function logOfSpanIn(motion: Motion, rules: Rules, out: Cell): void {
  if (motion.goalSpan !== motion.loggedGoal) {
    motion.loggedGoal = motion.goalSpan;
    out.value = motion.goalSpan;
    log2In(out);
    motion.logGoal = out.value;
  }
  out.value = motion.logGoal + motion.zoomRemaining;
  if (motion.insetTop + motion.insetBottom > 0) out.value -= log2(frameShare(motion, rules));
}

const cell = new Cell();

function followInsets(motion: Motion, pace: Pace, rules: Rules, look: Look): boolean {
  if (!motion.framing) return false;
  const { left, top, right, bottom } = rules.settings.safeFrame;
  look.frame(rules.screen, motion.insetLeft, motion.insetTop, motion.insetRight, motion.insetBottom);
  const { frameWidth, frameHeight } = look;
  motion.insetLeft = eased(motion.insetLeft, left, pace.frame.remaining);
  motion.insetTop = eased(motion.insetTop, top, pace.frame.remaining);
  motion.insetRight = eased(motion.insetRight, right, pace.frame.remaining);
  motion.insetBottom = eased(motion.insetBottom, bottom, pace.frame.remaining);
  look.frame(rules.screen, motion.insetLeft, motion.insetTop, motion.insetRight, motion.insetBottom);
  scaleWithFrame(motion, frameWidth, frameHeight, look, 'scale');
  motion.framing =
    motion.insetLeft !== left ||
    motion.insetTop !== top ||
    motion.insetRight !== right ||
    motion.insetBottom !== bottom;
  motion.easing ||= motion.framing;
  return true;
}

/** Eases the focus height. It is not called while fingers hold the ground: then the view depends on the fingers alone. */
function followGround(motion: Motion, pace: Pace): void {
  const risen = motion.climb * pace.seconds;
  const ground = motion.ground + risen;
  const remaining = (motion.level - motion.ground) * pace.level.remaining - risen * pace.level.lag;
  motion.level = Math.abs(remaining) < LENGTH_TOLERANCE * motion.span ? ground : ground + remaining;
  motion.ground = ground;
  if (motion.level !== ground || motion.climb !== 0) motion.easing = true;
}

/** Looks at the ground around the focus, and goes there until the next look, `seconds` from now. */
export function lookAtGround(motion: Motion, rules: Rules, seconds: number): void {
  const off = groundLevel(motion, rules) - motion.ground;
  motion.groundStale = false;
  if (Math.abs(off) < LENGTH_TOLERANCE * motion.span) {
    motion.ground += off;
    motion.climb = 0;
  } else motion.climb = off / seconds;
  if (motion.climb !== 0 || motion.level !== motion.ground) motion.easing = true;
}

/** Keeps the last ground height that was sampled as the target, and samples no more. */
export function stopLooking(motion: Motion): void {
  motion.groundStale = false;
  motion.climb = 0;
  if (motion.level !== motion.ground) motion.easing = true;
}

/** The height of the ground around the focus: smoothed over more of it when it is seen from afar. */
export function groundLevel({ x, y, span }: Motion, { terrain, settings }: Rules): number {
  if (terrain === null) return 0;
  const radius = settings.ground.followRadius * span;
  if (radius === 0) return terrain.heightAt(x, y);
  // Three points around it, 120° apart.
  const side = radius * 0.8660254037844386;
  below.x = x;
  below.y = y - radius;
  terrain.sampleInto(below);
  let sum = below.height;
  below.x = x - side;
  below.y = y + radius * 0.5;
  terrain.sampleInto(below);
  sum += below.height;
  below.x = x + side;
  terrain.sampleInto(below);
  return (sum + below.height) / 3;
}

const below = new ScratchSpot();

/** Puts all followers where they are wanted, at once. */
export function arrive(motion: Motion, rules: Rules, look: Look): void {
  const { left, top, right, bottom } = rules.settings.safeFrame;
  flipSwitches(motion, rules);
  motion.insetLeft = left;
  motion.insetTop = top;
  motion.insetRight = right;
  motion.insetBottom = bottom;
  look.frame(rules.screen, left, top, right, bottom);
  arriveAt(motion, rules, look, motion.easedSpan);
  groundAtOnce(motion, rules);
  motion.focusHeight = motion.level;
}

/** Stands at once as high as the ground around the focus is. */
export function groundAtOnce(motion: Motion, rules: Rules): void {
  motion.level = motion.ground = groundLevel(motion, rules);
  motion.climb = 0;
  motion.groundStale = false;
}

/** How much farther a pixel reaches along the ground down the screen than across it; 1 where speeds are even on the ground. */
export function foreshortening({ settings }: Rules, look: Look): number {
  return settings.pan.evenSpeedOn === 'screen' ? 1 / look.sinPitch : 1;
}

/** Computes a whole look for a span, with every switch by zoom starting on its near side. */
export function lookAt(motion: Motion, rules: Rules, look: Look, span: number): void {
  motion.easedSpan = motion.span = span;
  arrive(motion, rules, look);
}

/** Puts pitch and lens where a span wants them, and the look with them. */
export function arriveAt(motion: Motion, rules: Rules, look: Look, span: number): void {
  motion.pitch = pitchAt(motion, rules, span);
  motion.fieldOfView = fieldOfViewAt(motion, rules, look, span);
  motion.askedPitch = motion.pitch;
  motion.askedLens = motion.fieldOfView;
  look.turn(motion);
}

/** The targets of pitch and lens have jumped: the next step takes them to have begun where they are now. */
export function askAnew(motion: Motion, rules: Rules, look: Look): void {
  motion.askedPitch = pitchAt(motion, rules, motion.easedSpan);
  motion.askedLens = fieldOfViewAt(motion, rules, look, motion.easedSpan);
}

function eased(value: number, target: number, share: number, tolerance = PIXEL_TOLERANCE): number {
  const off = (value - target) * share;
  return Math.abs(off) < tolerance ? target : target + off;
}
