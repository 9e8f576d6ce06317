/** How far the zoom goes: the greatest span up to the wanted one that fits, as the camera will look there. */
import { Hint } from '../limits/index.ts';
import { clamp } from '../math/index.ts';
import { Projection } from '../view/index.ts';
import { bareSpan, fieldOfViewAt, isFar, valueAt } from './byZoom.ts';
import { maxSpan, minSpan, type Constraints } from './constraints.ts';
import { ShownPose } from './shownPose.ts';
import type { SpanQuestion } from './spanQuestion.ts';

/** The answer: a stop if there are any, else the greatest span that fits; the least one if none does. World units. */
export function goalSpanOf(question: SpanQuestion, constraints: Constraints): number {
  return search.begin(question, constraints).goal();
}

/** The greatest fitting span, or stop, up to `to` but beyond `from`; NaN if there is none. World units. */
export function fartherSpan(question: SpanQuestion, constraints: Constraints, from: number, to: number): number {
  return search.begin(question, constraints).farther(from, to);
}

/** Two spans that differ by less are the same, as a share. */
const SAME = 1e-8;
/** A view that is larger than what fits by less than this share fits: what is shown is limited exactly. */
const SLACK = 1e-9;
/** Shares of the span: no step inward is larger, so that no span that fits is passed over, and none is less. */
const LARGEST_STEP = 0.2;
const LEAST_STEP = 1e-3;
/** As a share of the span. */
const EXACT = 1e-10;
/** An upper limit of rounds, and from which one on every second halves the interval. */
const MAX_ROUNDS = 90;
const HALVES_FROM = 8;

/** Every search begins without what an earlier one found, so an answer depends on its question alone. */
class SpanSearch {
  #question: SpanQuestion | null = null;
  #rules: Constraints | null = null;
  readonly #hint = new Hint();
  #min = NaN;
  #max = NaN;
  readonly #projection = new Projection();
  readonly #pose = new ShownPose();

  begin(question: SpanQuestion, constraints: Constraints): this {
    const { left, top, right, bottom } = question;
    this.#question = question;
    this.#rules = constraints;
    this.#hint.first = -1;
    this.#projection.frame(constraints.screen, left, top, right, bottom);
    this.#min = minSpan(constraints, this.#projection);
    this.#max = maxSpan(constraints, this.#projection);
    return this;
  }

  goal(): number {
    const question = this.#question;
    const constraints = this.#rules;
    if (question === null || constraints === null) return NaN;
    const min = this.#min;
    const max = this.#max;
    const wanted = clamp(question.wanted, min, max);
    // Between two fingers any span will do.
    const stop = question.isFree ? NaN : (constraints.stops?.nearestTo(this.#projection, wanted, min, max) ?? NaN);
    const fitting = stop === stop ? this.#fittingStop(stop, min) : NaN;
    const span = fitting === fitting ? fitting : this.#fitting(wanted, min);
    question.copyFrom(this.#hint);
    return span === span ? span : min;
  }

  farther(from: number, to: number): number {
    const { stops } = this.#rules ?? {};
    const beyond = from * (1 + SAME);
    if (stops) return this.#fittingStop(stops.nearestTo(this.#projection, to, beyond, to), beyond);
    const span = this.#fitting(to, from);
    return span > beyond ? span : NaN;
  }

  /** Of the stops from one inward, the first that fits; NaN if none does. */
  #fittingStop(stop: number, min: number): number {
    const { stops } = this.#rules ?? {};
    for (let span = stop; span === span; span = stops?.beyond(this.#projection, span, -1, min, span) ?? NaN)
      if (this.#room(span) >= -SLACK * span) return span;
    return NaN;
  }

  /** The greatest span up to `wanted` that fits; NaN if none from `min` on does. */
  #fitting(wanted: number, min: number): number {
    let high = wanted;
    let room = this.#room(high);
    if (room >= -SLACK * high) return high;
    if (this.#rules?.looksBySpan !== true) return high + room >= min ? high + room : NaN;
    let before = NaN;
    let roomBefore = NaN;
    while (high > min) {
      // To what fits as the camera looks from here, or along the chord.
      const chord = high - (room * (before - high)) / (roomBefore - room);
      const target = chord < high ? Math.min(high + room, chord - LEAST_STEP * high) : high + room;
      const step = clamp(high - target, LEAST_STEP * high, LARGEST_STEP * high);
      const low = Math.max(min, high - step);
      const roomLow = this.#room(low);
      if (roomLow >= -SLACK * low) return this.#between(low, roomLow, high, room);
      before = high;
      roomBefore = room;
      high = low;
      room = roomLow;
    }
    return NaN;
  }

  /**
   * The span between one that fits and one that does not at which the view just fits. By false position
   * (the Illinois method; M. Dowell and P. Jarratt, BIT 11, 1971).
   */
  #between(fits: number, roomThere: number, beyond: number, lacking: number): number {
    let low = fits;
    let roomLow = roomThere;
    let high = beyond;
    let roomHigh = lacking;
    let before = 0;
    for (let round = 1; round <= MAX_ROUNDS && high - low > EXACT * high && roomLow > EXACT * low; round++) {
      const chord = low + ((high - low) * roomLow) / (roomLow - roomHigh);
      const halves = (round >= HALVES_FROM && round % 2 === 0) || !(chord > low && chord < high);
      const middle = halves ? (low + high) / 2 : chord;
      const room = this.#room(middle);
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
  #room(span: number): number {
    const question = this.#question;
    const constraints = this.#rules;
    if (question === null || constraints?.boundary.limitsZoom !== true) return Infinity;
    const projection = this.#projection;
    const pose = this.#pose;
    const { pitch, heading, tilt, pitchFar, lensFar } = question;
    const { minPitch, maxPitch, lens, settings } = constraints;
    const { shape, margin, screenMargin } = constraints.boundary;
    const bare = bareSpan(projection, span);
    const asked = valueAt(constraints.pitch, bare, isFar(constraints.pitch, bare, pitchFar)) + tilt;
    pose.heading = heading;
    pose.pitch = pitch === pitch ? pitch : clamp(asked, minPitch, maxPitch);
    const isLensFar = lens !== null && isFar(lens, bare, lensFar);
    pose.fieldOfView = fieldOfViewAt(lens, settings.lens.distance, projection, span, isLensFar);
    projection.turn(pose);
    const fits = shape.maxSpan(projection.outline, margin, screenMargin, this.#max, this.#hint);
    if (shape.hint !== null) this.#hint.copyFrom(shape.hint);
    return fits - span;
  }
}

const search = new SpanSearch();
