/** How far the zoom goes: the greatest span up to the wanted one that fits, as the camera will look there. */
import { maxSpanInside } from '../limits/index.ts';
import { clamp } from '../math/index.ts';
import { Look } from '../view/index.ts';
import { bareSpan, fieldOfViewAt, isFar, valueAt } from './byZoom.ts';
import { maxSpan, minSpan, type Rules } from './rules.ts';
import { ShownPose } from './shownPose.ts';
import type { SpanQuestion } from './spanQuestion.ts';

const look = new Look();
const pose = new ShownPose();

/** The answer: a stop if there are any, else the greatest span that fits; the least one if none does. World units. */
export function goalSpanOf(question: SpanQuestion, rules: Rules): number {
  frame(question, rules);
  const min = minSpan(rules, look);
  const max = maxSpan(rules, look);
  const wanted = clamp(question.wanted, min, max);
  // Between two fingers any span will do.
  const stop = question.isFree ? NaN : (rules.stops?.nearestTo(look, wanted, min, max) ?? NaN);
  if (stop === stop) {
    const fitting = stopThatFits(question, rules, stop, min);
    if (fitting === fitting) return fitting;
  }
  const span = spanThatFits(question, rules, wanted, min);
  return span === span ? span : min;
}

/** The greatest fitting span, or stop, up to `to` but beyond `from`; NaN if there is none. World units. */
export function fartherSpan(question: SpanQuestion, rules: Rules, from: number, to: number): number {
  frame(question, rules);
  const stop = rules.stops?.nearestTo(look, to, from * (1 + SAME), to) ?? NaN;
  if (stop === stop) return stopThatFits(question, rules, stop, from * (1 + SAME));
  if (rules.stops !== null) return NaN;
  const span = spanThatFits(question, rules, to, from);
  return span > from * (1 + SAME) ? span : NaN;
}

/** Two spans that differ by less are the same, as a share. */
const SAME = 1e-8;

function frame({ left, top, right, bottom }: SpanQuestion, { screen }: Rules): void {
  look.frame(screen, left, top, right, bottom);
}

/** Of the stops from one inward, the first that fits; NaN if none does. */
function stopThatFits(question: SpanQuestion, rules: Rules, stop: number, min: number): number {
  for (let span = stop; span === span; span = rules.stops?.beyond(look, span, -1, min, span) ?? NaN)
    if (roomAt(question, rules, span) >= -SLACK * span) return span;
  return NaN;
}

/** A view that is larger than what fits by less than this share fits: what is shown is limited exactly. */
const SLACK = 1e-9;
/** Shares of the span: no step inward is larger, so that no span that fits is passed over, and none is less. */
const LARGEST_STEP = 0.2;
const LEAST_STEP = 1e-3;

/** The greatest span up to `wanted` that fits; NaN if none from `min` on does. */
function spanThatFits(question: SpanQuestion, rules: Rules, wanted: number, min: number): number {
  let high = wanted;
  let room = roomAt(question, rules, high);
  if (room >= -SLACK * high) return high;
  if (!rules.looksBySpan) return high + room >= min ? high + room : NaN;
  let before = NaN;
  let roomBefore = NaN;
  while (high > min) {
    // To what fits as the camera looks from here, or along the chord.
    const chord = high - (room * (before - high)) / (roomBefore - room);
    const target = chord < high ? Math.min(high + room, chord - LEAST_STEP * high) : high + room;
    const step = clamp(high - target, LEAST_STEP * high, LARGEST_STEP * high);
    const low = Math.max(min, high - step);
    const roomLow = roomAt(question, rules, low);
    if (roomLow >= -SLACK * low) return spanBetween(question, rules, low, roomLow, high, room);
    before = high;
    roomBefore = room;
    high = low;
    room = roomLow;
  }
  return NaN;
}

/** As a share of the span. */
const EXACT = 1e-10;
/** An upper limit of rounds, and from which one on every second halves the interval. */
const MAX_ROUNDS = 90;
const HALVES_FROM = 8;

/**
 * The span between one that fits and one that does not at which the view just fits. By false position
 * (the Illinois method; M. Dowell and P. Jarratt, BIT 11, 1971).
 */
function spanBetween(
  question: SpanQuestion,
  rules: Rules,
  fits: number,
  roomThere: number,
  beyond: number,
  lacking: number,
): number {
  let low = fits;
  let roomLow = roomThere;
  let high = beyond;
  let roomHigh = lacking;
  let before = 0;
  for (let round = 1; round <= MAX_ROUNDS && high - low > EXACT * high && roomLow > EXACT * low; round++) {
    const chord = low + ((high - low) * roomLow) / (roomLow - roomHigh);
    const halves = (round >= HALVES_FROM && round % 2 === 0) || !(chord > low && chord < high);
    const middle = halves ? (low + high) / 2 : chord;
    const room = roomAt(question, rules, middle);
    if (room >= 0) {
      low = middle;
      roomLow = room;
      if (before > 0) roomHigh /= 2;
    } else {
      high = middle;
      roomHigh = room;
      if (before < 0) roomLow /= 2;
    }
    before = room;
  }
  return low;
}

/** How much larger the view could be, as the camera looks from a span; below 0: by how much it is too large. World units. */
function roomAt(question: SpanQuestion, rules: Rules, span: number): number {
  if (!rules.boundary.limitsZoom) return Infinity;
  const { pitch, heading, tilt, pitchFar, lensFar } = question;
  const { minPitch, maxPitch, lens, settings } = rules;
  const bare = bareSpan(look, span);
  const asked = valueAt(rules.pitch, bare, isFar(rules.pitch, bare, pitchFar)) + tilt;
  pose.heading = heading;
  pose.pitch = pitch === pitch ? pitch : clamp(asked, minPitch, maxPitch);
  const isLensFar = lens !== null && isFar(lens, bare, lensFar);
  pose.fieldOfView = fieldOfViewAt(lens, settings.lens.distance, look, span, isLensFar);
  look.turn(pose);
  return maxSpanInside(rules.boundary, look, maxSpan(rules, look)) - span;
}
