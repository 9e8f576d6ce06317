/** Zooming sets a goal for the span; time eases toward it. */
import { mostSpanInside } from '../limits/index.ts';
import { bisect, Cell, clamp, exp2, exp2In, log2 } from '../math/index.ts';
import { Look } from '../view/index.ts';
import { arriveAt, flipSwitches, followAt } from './follow.ts';
import { Motion } from './motion.ts';
import type { Pace } from './pace.ts';
import { ZOOM_TOLERANCE } from './rest.ts';
import { leastSpan, mostSpan, SpanRange, type Rules } from './rules.ts';

/** Eases the span on by a step. */
export function zoomOn(motion: Motion, pace: Pace, rules: Rules, look: Look): void {
  const left = (motion.left + motion.leftCame) * pace.zoom.left - motion.leftCame * pace.zoom.lag;
  motion.left = Math.abs(left) < ZOOM_TOLERANCE ? 0 : left;
  cell.value = motion.left;
  exp2In(cell);
  motion.span = motion.goalSpan * cell.value;
  // The zoom range holds to the bit, whatever rounding says.
  range.set(rules, look);
  if (motion.span < range.least) motion.span = range.least;
  else if (motion.span > range.most) motion.span = range.most;
}

const cell = new Cell();
const range = new SpanRange();

/**
 * Zooms by notches (positive: farther), counted from the goal, so that quick notches add up: each by
 * the settings' factor, or on to the next stop.
 */
export function zoomBy(motion: Motion, rules: Rules, look: Look, notches: number): void {
  const { zoom } = rules.settings;
  const wish =
    zoom.stops === null ? motion.goalSpan * exp2(notches * log2(zoom.notch)) : nextStop(motion, rules, look, notches);
  const least = leastSpan(rules, look);
  const goal = clamp(wish, least, Math.max(least, allowed(rules, look)));
  // At the limit of a narrow screen, zooming on into it does not forget what was wanted.
  if (goal !== motion.goalSpan) motion.wantedSpan = goal;
  easeTo(motion, goal);
}

/** The stop that so many notches lead to; parts of a notch are kept until they make a whole one. */
function nextStop(motion: Motion, rules: Rules, look: Look, notches: number): number {
  motion.notches = motion.notches * notches < 0 ? notches : motion.notches + notches;
  const whole = Math.trunc(motion.notches + Math.sign(motion.notches) * 1e-9);
  motion.notches -= whole;
  if (whole === 0) return motion.goalSpan;
  const stops = stopSpans(rules, look);
  const slack = 1 + ZOOM_TOLERANCE;
  const beyond =
    whole > 0
      ? stops.filter((span) => span > motion.goalSpan * slack)
      : stops.filter((span) => span < motion.goalSpan / slack).reverse();
  return beyond[Math.min(Math.abs(whole), beyond.length) - 1] ?? motion.goalSpan;
}

/** The stops as spans on this screen, the nearest zoom first. */
export function stopSpans({ settings: { zoom }, screen }: Rules, look: Look): number[] {
  const pixels = look.frameHeight * (zoom.stopsIn === 'device-pixels' ? (screen.density ?? 1) : 1);
  const spans = (zoom.stops ?? []).map((stop) => (zoom.stopsIn === 'span' ? stop : pixels / stop));
  return spans.sort((a, b) => a - b);
}

/** Eases to the stop nearest to the span, where there are stops. */
export function zoomToStop(motion: Motion, rules: Rules, look: Look): void {
  const off = (span: number): number => Math.abs(log2(span / motion.span));
  const stops = stopSpans(rules, look).filter(
    (span) => span >= leastSpan(rules, look) && span <= mostSpan(rules, look),
  );
  const stop = stops.reduce<number | null>(
    (best, span) => (best === null || off(span) < off(best) ? span : best),
    null,
  );
  if (stop === null) return;
  motion.wantedSpan = stop;
  easeTo(motion, Math.min(stop, allowed(rules, look)));
}

/** Eases to a span, as far as limits let it. */
export function zoomTo(motion: Motion, rules: Rules, look: Look, span: number): void {
  const least = leastSpan(rules, look);
  motion.wantedSpan = clamp(span, least, Math.max(least, mostSpan(rules, look)));
  easeTo(motion, Math.max(least, Math.min(motion.wantedSpan, allowed(rules, look))));
}

/** Stands still at the span that is shown. */
export function stopZoom(motion: Motion): void {
  motion.wantedSpan = motion.span;
  motion.goalSpan = motion.span;
  motion.left = 0;
}

function easeTo(motion: Motion, goal: number): void {
  motion.goalSpan = goal;
  motion.left = log2(motion.span / goal);
  if (Math.abs(motion.left) >= ZOOM_TOLERANCE) return;
  motion.left = 0;
  motion.span = goal;
}

/** The greatest span that the bounds allow as the camera looks now. */
function allowed(rules: Rules, look: Look): number {
  return mostSpanInside(rules.boundary, look, mostSpan(rules, look));
}

/**
 * The greatest span worth going to. Beyond a switch by zoom the view may fit so badly that the bounds
 * would send it back through the switch at once, and so to and fro for ever: then it stays before it.
 */
function worthGoing(motion: Motion, rules: Rules, look: Look): number {
  const most = allowed(rules, look);
  if (!rules.switches || !rules.boundary.limitsZoom) return most;
  let least = most;
  for (const rule of [motion.pitchFar ? null : rules.pitch, motion.lensFar ? null : rules.lens]) {
    if (rule === null || rule.outAbove >= Math.min(most, motion.wantedSpan)) continue;
    beyond.copyFrom(motion);
    beyond.span = motion.wantedSpan;
    flipSwitches(beyond, rules);
    lookBeyond.frame(rules.screen, motion.insetLeft, motion.insetTop, motion.insetRight, motion.insetBottom);
    arriveAt(beyond, rules, lookBeyond, motion.wantedSpan);
    if (allowed(rules, lookBeyond) < rule.inBelow) least = Math.min(least, rule.outAbove);
  }
  return least;
}

const beyond = new Motion();
const lookBeyond = new Look();

/**
 * Brings span and goal inside the zoom range, and inside what the bounds allow as the camera looks
 * now; the goal comes back to what was wanted as far as they let it.
 */
export function keepSpan(motion: Motion, rules: Rules, look: Look): void {
  const least = leastSpan(rules, look);
  const most = Math.max(least, allowed(rules, look));
  const goal = clamp(motion.wantedSpan, least, Math.max(least, worthGoing(motion, rules, look)));
  if (motion.span >= least && motion.span <= most && goal === motion.goalSpan) return;
  if (rules.followsAtOnce) fitSpan(motion, rules, look, followAt);
  const room = Math.max(least, allowed(rules, look));
  motion.span = clamp(motion.span, least, room);
  easeTo(motion, clamp(motion.wantedSpan, least, Math.max(least, worthGoing(motion, rules, look))));
}

/**
 * Comes nearer until the view fits as the camera looks *from there*, and stands still.
 *
 * @param followTo brings the look to what a span makes of it
 */
export function fitSpan(motion: Motion, rules: Rules, look: Look, followTo: typeof followAt): void {
  const room = (span: number): number => {
    followTo(motion, rules, look, span);
    return allowed(rules, look) - span;
  };
  const { span } = motion;
  const least = leastSpan(rules, look);
  if (room(span) < 0) motion.span = room(least) > 0 ? bisect(room, least, span) : least;
  motion.goalSpan = motion.span;
  motion.left = 0;
  followTo(motion, rules, look, motion.span);
}
