/** Zooming sets a goal for the span; time eases toward it. */
import { fitInside, fitsByFar } from '../limits/index.ts';
import { Cell, clamp, exp2, exp2In, log2, log2In } from '../math/index.ts';
import type { ZoomRule } from './byZoom.ts';
import { Look } from '../view/index.ts';
import { arriveAt, flipSwitches, followAt } from './followers.ts';
import { frameShare } from './keepScale.ts';
import { isSteered, Motion } from './motion.ts';
import type { Pace } from './pace.ts';
import { ZOOM_TOLERANCE } from './rest.ts';
import { minSpan, SpanRange, type Rules } from './rules.ts';
import { SpanBetween, type ZoomStops } from './stops.ts';

/** Eases the span on by a step. */
export function zoomOn(motion: Motion, pace: Pace, rules: Rules, look: Look): void {
  const remaining =
    (motion.zoomRemaining + motion.zoomGoalMoved) * pace.zoom.remaining - motion.zoomGoalMoved * pace.zoom.lag;
  motion.zoomRemaining = Math.abs(remaining) < ZOOM_TOLERANCE ? 0 : remaining;
  cell.value = motion.zoomRemaining;
  exp2In(cell);
  motion.span = motion.goalSpan * cell.value;
  // The zoom range holds to the bit, whatever rounding says.
  range.set(rules, look);
  if (motion.span < range.min) motion.span = range.min;
  else if (motion.span > range.max) motion.span = range.max;
}

const cell = new Cell();
const range = new SpanRange();

/**
 * Zooms by notches (positive: farther), counted from the goal, so that quick notches add up: each by
 * the settings' factor, or on to the next stop.
 */
export function addNotches(motion: Motion, rules: Rules, look: Look, notches: number): void {
  const { zoom } = rules.settings;
  const min = minSpan(rules, look);
  const max = Math.max(min, allowed(rules, look));
  const whole = rules.stops === null ? NaN : wholeNotches(motion, notches);
  if (whole === 0) return;
  const goal =
    rules.stops === null
      ? clamp(motion.goalSpan * exp2(notches * log2(zoom.notch)), min, max)
      : rules.stops.beyond(look, motion.goalSpan, whole, min, max);
  // NaN: there is no stop in that direction.
  if (goal !== goal) return;
  // At the limit of a narrow screen, zooming on into it does not forget what was wanted.
  if (goal !== motion.goalSpan) motion.wantedSpan = goal;
  motion.goalSpan = goal;
  easeZoom(motion);
}

/** Whole notches to go by now; parts are kept until they make one. */
function wholeNotches(motion: Motion, notches: number): number {
  const sum = motion.notches * notches < 0 ? notches : motion.notches + notches;
  const whole = Math.trunc(sum + Math.sign(sum) * 1e-9);
  motion.notches = sum - whole;
  return whole;
}

/** Eases to a span, as far as stops and limits let it. */
export function setGoalSpan(motion: Motion, rules: Rules, look: Look, span: number): void {
  range.set(rules, look);
  goal.span = span;
  goal.min = range.min;
  goal.max = range.max;
  findGoal(motion, rules, look, goal);
  motion.wantedSpan = goal.span;
  measureFit(rules, look);
  goal.max = Math.max(range.min, fit.span);
  findGoal(motion, rules, look, goal);
  motion.goalSpan = goal.span;
  easeZoom(motion);
}

/** Ends a zoom at the span that is shown; where there are stops, at the nearest, once no two fingers hold. */
export function stopZoom(motion: Motion, rules: Rules, look: Look): void {
  if (rules.stops !== null && motion.fingers < 2) {
    setGoalSpan(motion, rules, look, motion.span);
    return;
  }
  motion.wantedSpan = motion.span;
  motion.goalSpan = motion.span;
  motion.zoomRemaining = 0;
}

/** Puts the span where it is going, at once. */
export function finishZoom(motion: Motion): void {
  motion.span = motion.goalSpan;
  motion.zoomRemaining = 0;
}

/** Makes a wanted span the goal for it: inside the range, and at a stop where there is one inside it. */
function findGoal(motion: Motion, rules: Rules, look: Look, io: SpanBetween): void {
  const { span: wanted, min, max } = io;
  // Between two fingers any span will do.
  if (rules.stops !== null && motion.fingers < 2) {
    rules.stops.goToNearest(look, io);
    if (io.span === io.span && rules.roomFollows && !fitsFrom(motion, rules, io.span))
      io.span = stopThatFits(motion, rules, rules.stops, look, io.span, min);
    if (io.span === io.span) return;
  }
  if (wanted < min) io.span = min;
  else if (wanted > max) io.span = max;
  else io.span = wanted;
}

/**
 * Whether the view of a span fits as the camera looks *from there*. A stop at which it does not is not gone to: the
 * bounds would send it back to the stop that it came from, and from there it would fit again, and so on for ever.
 */
function fitsFrom(motion: Motion, rules: Rules, span: number): boolean {
  beyond.copyFrom(motion);
  beyond.span = span;
  flipSwitches(beyond, rules);
  lookBeyond.frame(rules.screen, motion.insetLeft, motion.insetTop, motion.insetRight, motion.insetBottom);
  arriveAt(beyond, rules, lookBeyond, span);
  measureFit(rules, lookBeyond);
  return span <= fit.span || span <= range.min;
}

/** Of the stops nearer than one, the farthest that `fitsFrom` there, found by doubling and halving; NaN for none. */
function stopThatFits(motion: Motion, rules: Rules, stops: ZoomStops, look: Look, stop: number, min: number): number {
  let tooFew = 0;
  let enough = 1;
  let found = stops.beyond(look, stop, -1, min, stop);
  while (found === found && !fitsFrom(motion, rules, found)) {
    tooFew = enough;
    enough *= 2;
    const next = stops.beyond(look, stop, -enough, min, stop);
    if (next === found) return NaN;
    found = next;
  }
  while (found === found && enough - tooFew > 1) {
    const middle = (tooFew + enough) >>> 1;
    const span = stops.beyond(look, stop, -middle, min, stop);
    if (fitsFrom(motion, rules, span)) {
      enough = middle;
      found = span;
    } else tooFew = middle;
  }
  return found;
}

/** Eases to the goal from the span that is shown. */
function easeZoom(motion: Motion): void {
  cell.value = motion.span / motion.goalSpan;
  log2In(cell);
  motion.zoomRemaining = cell.value;
  if (Math.abs(motion.zoomRemaining) >= ZOOM_TOLERANCE) return;
  motion.zoomRemaining = 0;
  motion.span = motion.goalSpan;
}

/** The greatest span that the bounds allow as the camera looks now. */
function allowed(rules: Rules, look: Look): number {
  measureFit(rules, look);
  return fit.span;
}

/** Sets `fit` and `range`: how large the view may be. */
function measureFit(rules: Rules, look: Look): void {
  range.set(rules, look);
  fit.span = range.max;
  fitInside(rules.boundary, look, fit);
}

/**
 * Sets `worth`: the greatest span worth going to. Beyond a switch by zoom the view may fit so badly that the
 * bounds would send it back through the switch at once, and so to and fro for ever: then it stays before it.
 */
function measureWorth(motion: Motion, rules: Rules, look: Look): void {
  measureFit(rules, look);
  worth.span = fit.span;
  if (!rules.switches || !rules.boundary.limitsZoom) return;
  if (!motion.pitchFar) weighCrossing(motion, rules, rules.pitch);
  if (!motion.lensFar && rules.lens !== null) weighCrossing(motion, rules, rules.lens);
}

/** A switch beyond which the view would not fit is not worth crossing. */
function weighCrossing(motion: Motion, rules: Rules, rule: ZoomRule): void {
  const share = frameShare(motion, rules);
  const outAbove = rule.outAbove * share;
  if (outAbove >= worth.span || outAbove >= motion.wantedSpan) return;
  beyond.copyFrom(motion);
  beyond.span = motion.wantedSpan;
  flipSwitches(beyond, rules);
  lookBeyond.frame(rules.screen, motion.insetLeft, motion.insetTop, motion.insetRight, motion.insetBottom);
  arriveAt(beyond, rules, lookBeyond, motion.wantedSpan);
  measureFit(rules, lookBeyond);
  if (fit.span < rule.inBelow * share) worth.span = outAbove;
}

const beyond = new Motion();
const lookBeyond = new Look();

/** Whether span and goal need no change. A conservative test first: mostly the view fits with room to spare. */
function isKept(motion: Motion, rules: Rules, look: Look): boolean {
  const { boundary } = rules;
  const { span, goalSpan, wantedSpan } = motion;
  range.set(rules, look);
  const { min, max } = range;
  if (span < min || span > max) return false;
  if (rules.switches || (rules.stops !== null && motion.fingers < 2)) {
    measureFit(rules, look);
    if (span > fit.span && span > min) return false;
    measureWorth(motion, rules, look);
    findGoalWorth(motion, rules, look);
    return goal.span === goalSpan;
  }
  if (goalSpan === wantedSpan && wantedSpan >= min && wantedSpan <= max) {
    if (span > wantedSpan) wide.span = span;
    else wide.span = wantedSpan;
    if (fitsByFar(boundary, look, wide)) return true;
  }
  fit.span = max;
  fitInside(boundary, look, fit);
  const room = fit.span > min ? fit.span : min;
  if (span > room) return false;
  return (wantedSpan < min ? min : wantedSpan > room ? room : wantedSpan) === goalSpan;
}

/** A span in an object, so that no number is boxed. */
class Span {
  span = NaN;
}
const fit = new Span();
const wide = new Span();
const worth = new Span();
const goal = new SpanBetween();

/**
 * Brings span and goal inside the zoom range, and inside what the bounds allow as the camera looks
 * now; the goal comes back to what was wanted as far as they let it.
 */
export function keepSpan(motion: Motion, rules: Rules, look: Look): void {
  if (isKept(motion, rules, look)) return;
  const { span, goalSpan } = motion;
  if (rules.followsAtOnce) fitSpan(motion, rules, look, followAt);
  measureFit(rules, look);
  if (motion.span > fit.span) motion.span = fit.span;
  if (motion.span < range.min) motion.span = range.min;
  measureWorth(motion, rules, look);
  findGoalWorth(motion, rules, look);
  // Branches, as an engine boxes a choice that is kept in a field.
  if (mayReturn(motion, goal.span > goalSpan)) motion.goalSpan = goal.span;
  else if (goal.max < goalSpan) motion.goalSpan = goal.max;
  easeZoom(motion);
  // Pitch and lens have followed another span.
  if (rules.followsZoom && Math.abs(motion.span - span) > ZOOM_TOLERANCE * span) motion.easing = true;
}

/** More returns than anybody makes within the time that pitch and lens take. */
const MOST_RETURNS = 8;

/**
 * Whether the goal may move, or outward no more. Where pitch and lens follow the span, what fits depends on the span
 * itself, and limit and span may send each other to and fro for ever: after so many returns with nothing else moving,
 * the goal goes inward alone, and so comes to rest.
 */
function mayReturn(motion: Motion, outward: boolean): boolean {
  if (motion.turnRemaining !== 0 || isSteered(motion)) motion.returns = 0;
  if (outward !== motion.returning) {
    motion.returning = outward;
    if (outward) motion.returns += 1;
  }
  return !outward || motion.returns <= MOST_RETURNS;
}

/** Sets `goal`: where to go from what was wanted, no farther than it is worth. */
function findGoalWorth(motion: Motion, rules: Rules, look: Look): void {
  goal.span = motion.wantedSpan;
  goal.min = range.min;
  goal.max = Math.max(range.min, worth.span);
  findGoal(motion, rules, look, goal);
}

/**
 * Comes nearer until the view fits as the camera looks *from there*, and stands still.
 *
 * @param followTo brings the look to what a span makes of it
 */
export function fitSpan(motion: Motion, rules: Rules, look: Look, followTo: typeof followAt): void {
  const { span } = motion;
  const min = minSpan(rules, look);
  if (roomAt(motion, rules, look, followTo, span) < 0) motion.span = fittingSpan(motion, rules, look, followTo, min);
  motion.goalSpan = motion.span;
  motion.zoomRemaining = 0;
  followTo(motion, rules, look, motion.span);
}

/** How much more span would fit as the camera looks at a span; below 0: by how much it is too large. */
function roomAt(motion: Motion, rules: Rules, look: Look, followTo: typeof followAt, span: number): number {
  followTo(motion, rules, look, span);
  return allowed(rules, look) - span;
}

/** Relative tolerance on the room that is left. */
const FITS = 1e-13;
/** An upper limit of rounds: every third one halves the interval. */
const MAX_ROUNDS = 90;

/**
 * The span at which the view just fits: where the room is 0, between `min` and the span that is shown.
 * By false position, halving now and then (the Illinois method; M. Dowell and P. Jarratt, BIT 11, 1971).
 */
function fittingSpan(motion: Motion, rules: Rules, look: Look, followTo: typeof followAt, min: number): number {
  let low = min;
  let high = motion.span;
  let roomLow = roomAt(motion, rules, look, followTo, low);
  let roomHigh = roomAt(motion, rules, look, followTo, high);
  if (!(roomLow > 0)) return min;
  for (let round = 1; round <= MAX_ROUNDS && high - low > FITS * high; round++) {
    const chord = low + ((high - low) * roomLow) / (roomLow - roomHigh);
    const middle = round % 3 === 0 || !(chord > low && chord < high) ? (low + high) / 2 : chord;
    const room = roomAt(motion, rules, look, followTo, middle);
    if (room >= 0) {
      low = middle;
      roomLow = room;
      roomHigh /= 2;
      if (room <= FITS * middle) break;
    } else {
      high = middle;
      roomHigh = room;
      roomLow /= 2;
    }
  }
  return low;
}

/** From a span that fits on to the nearest stop that fits too, at once; where none does, it stays. */
export function fitStop(motion: Motion, rules: Rules, look: Look, followTo: typeof followAt): void {
  if (rules.stops === null || motion.fingers === 2) return;
  const { span } = motion;
  goal.span = goal.max = span;
  goal.min = minSpan(rules, look);
  rules.stops.goToNearest(look, goal);
  const stop = goal.span;
  if (stop !== stop) return;
  followTo(motion, rules, look, stop);
  const fits = stop <= allowed(rules, look);
  motion.span = motion.goalSpan = fits ? stop : span;
  followTo(motion, rules, look, motion.span);
}
