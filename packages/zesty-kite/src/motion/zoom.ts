/** Zooming wants a span. How much of it fits is the goal, time eases toward the goal, and what fits now is shown. */
import { fitsByFar, maxSpanInside } from '../limits/index.ts';
import { Cell, clamp, exp2, exp2In, log2, log2In } from '../math/index.ts';
import type { Look } from '../view/index.ts';
import { fartherSpan, goalSpanOf } from './goalSpan.ts';
import type { Motion } from './motion.ts';
import type { Pace } from './pace.ts';
import { ZOOM_TOLERANCE } from './rest.ts';
import { maxSpan, minSpan, SpanRange, type Rules } from './rules.ts';
import { SpanQuestion } from './spanQuestion.ts';

const cell = new Cell();
const range = new SpanRange();

/** Eases the span on by a step. */
export function zoomOn(motion: Motion, pace: Pace, rules: Rules, look: Look): void {
  const remaining =
    (motion.zoomRemaining + motion.zoomGoalMoved) * pace.zoom.remaining - motion.zoomGoalMoved * pace.zoom.lag;
  motion.zoomRemaining = Math.abs(remaining) < ZOOM_TOLERANCE ? 0 : remaining;
  cell.value = motion.zoomRemaining;
  exp2In(cell);
  motion.easedSpan = motion.goalSpan * cell.value;
  keepInRange(motion, rules, look);
}

/** The zoom range holds to the bit, whatever rounding says. */
export function keepInRange(motion: Motion, rules: Rules, look: Look): void {
  range.set(rules, look);
  if (motion.easedSpan < range.min) motion.easedSpan = range.min;
  else if (motion.easedSpan > range.max) motion.easedSpan = range.max;
}

/** Finds the goal again if what it depends on has changed; the zoom goes there from where it is. */
export function findGoal(motion: Motion, rules: Rules): void {
  const { question } = motion;
  if (question.isOf(motion)) return;
  question.take(motion);
  if (motion.fingers === 2) {
    motion.goalSpan = motion.easedSpan;
    motion.zoomRemaining = 0;
  } else easeTo(motion, goalSpanOf(question, rules));
}

/** Makes a span the goal, from where the zoom is. */
function easeTo(motion: Motion, span: number): void {
  motion.goalSpan = span;
  cell.value = motion.easedSpan / span;
  log2In(cell);
  motion.zoomRemaining = cell.value;
  if (Math.abs(motion.zoomRemaining) >= ZOOM_TOLERANCE) return;
  motion.zoomRemaining = 0;
  motion.easedSpan = span;
}

/** Sets the span that shows: where the zoom is, or what fits as the camera looks now. */
export function showSpan(motion: Motion, rules: Rules, look: Look): void {
  motion.span = motion.easedSpan;
  const { boundary } = rules;
  if (!boundary.limitsZoom) return;
  wide.span = motion.easedSpan;
  if (fitsByFar(boundary, look, wide)) return;
  range.set(rules, look);
  const fits = maxSpanInside(boundary, look, range.max);
  if (motion.easedSpan > fits) motion.span = Math.max(fits, range.min);
}

/** A span in an object, so that no number is boxed. */
const wide = { span: NaN };

/**
 * Zooms by notches (positive: farther), counted from the goal, so that quick notches add up: each by
 * the settings' factor, or on to the next stop.
 */
export function addNotches(motion: Motion, rules: Rules, look: Look, notches: number): void {
  const { zoom } = rules.settings;
  const { stops } = rules;
  const min = minSpan(rules, look);
  const max = maxSpan(rules, look);
  const whole = stops === null ? NaN : wholeNotches(motion, notches);
  if (whole === 0) return;
  findGoal(motion, rules);
  const span =
    stops === null
      ? clamp(motion.goalSpan * exp2(notches * log2(zoom.notch)), min, max)
      : stops.beyond(look, motion.goalSpan, whole, min, max);
  // NaN: there is no stop in that direction.
  if (span !== span || span === motion.goalSpan) return;
  if (notches < 0) {
    motion.wantedSpan = span;
    findGoal(motion, rules);
  } else zoomOut(motion, rules, look, span);
}

/** Zooms out to a span, or as far as the view fits; if no farther than now, to the next span beyond at which it does. */
function zoomOut(motion: Motion, rules: Rules, look: Look, span: number): void {
  const { question, goalSpan } = motion;
  if (question.isFarthest) return;
  const max = maxSpan(rules, look);
  const notch = rules.settings.zoom.notch;
  let from = goalSpan;
  for (let to = span; from < max; to = Math.min(to * notch, max)) {
    const farther = fartherSpan(question, rules, from, to);
    if (farther === farther) {
      // What does not fit is not wanted: a later turn would go there.
      motion.wantedSpan = farther;
      findGoal(motion, rules);
      return;
    }
    if (!rules.looksBySpan) break;
    from = to;
  }
  // At the limit of a narrow screen, zooming on into it does not forget what was wanted.
  question.isFarthest = true;
}

/** Where zooming out leads, world units: the greatest span that fits as the camera looks there. */
export function farthestSpan(motion: Motion, rules: Rules): number {
  ask.take(motion);
  ask.wanted = Infinity;
  return goalSpanOf(ask, rules);
}

const ask = new SpanQuestion();

/** Whole notches to go by now; parts are kept until they make one. */
function wholeNotches(motion: Motion, notches: number): number {
  const sum = motion.notches * notches < 0 ? notches : motion.notches + notches;
  const whole = Math.trunc(sum + Math.sign(sum) * 1e-9);
  motion.notches = sum - whole;
  return whole;
}

/** Eases to a span, as far as stops and limits let it. */
export function setGoalSpan(motion: Motion, rules: Rules, look: Look, span: number): void {
  motion.wantedSpan = clamp(span, minSpan(rules, look), maxSpan(rules, look));
  findGoal(motion, rules);
}

/** Ends a zoom under way at the span that is shown; where there are stops, at the nearest, once no two fingers hold. */
export function stopZoom(motion: Motion, rules: Rules): void {
  if (motion.zoomRemaining !== 0) stayAt(motion, rules, motion.span);
}

/** The zoom is at a span, and wants no other; where there are stops, it goes on to the nearest. */
export function stayAt(motion: Motion, rules: Rules, span: number): void {
  holdSpan(motion, span);
  motion.question.forget();
  findGoal(motion, rules);
}

/** Sets the span at once to one that fits. */
export function holdSpan(motion: Motion, span: number): void {
  motion.easedSpan = motion.goalSpan = motion.wantedSpan = span;
  motion.zoomRemaining = 0;
}

/** Puts the span where it is going, at once. */
export function finishZoom(motion: Motion): void {
  motion.easedSpan = motion.goalSpan;
  motion.zoomRemaining = 0;
}
