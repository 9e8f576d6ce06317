/** Changes of the zoom: the wanted span, the goal that fits, and the span that fits now. */
import { fitsByFar, maxSpanInside } from '../limits/index.ts';
import { clamp, exp2, log2 } from '../math/index.ts';
import { spanOf, type Span } from '../settings/index.ts';
import { fartherSpan, goalSpanOf } from './goalSpan.ts';
import type { Kept } from './kept.ts';
import { maxSpan, minSpan, type Constraints } from './constraints.ts';
import { SpanQuestion } from './spanQuestion.ts';

export class Zooming {
  readonly #kept: Kept;
  /** The zoom range, and what it is of. */
  #min = NaN;
  #max = NaN;
  #rules: Constraints | null = null;
  #frameHeight = NaN;
  #height = NaN;

  constructor(kept: Kept) {
    this.#kept = kept;
  }

  /** The ends of the zoom range, whatever the bounds say. */
  get min(): number {
    this.#findRange();
    return this.#min;
  }

  get max(): number {
    this.#findRange();
    return this.#max;
  }

  #findRange(): void {
    const { constraints, projection } = this.#kept;
    if (
      constraints === this.#rules &&
      projection.frameHeight === this.#frameHeight &&
      projection.height === this.#height
    )
      return;
    this.#rules = constraints;
    this.#frameHeight = projection.frameHeight;
    this.#height = projection.height;
    this.#min = minSpan(constraints, projection);
    this.#max = maxSpan(constraints, projection);
  }

  /**
   * Returns the span of the safe frame that shows a zoom.
   *
   * @param pitch as the camera looks there, degrees; that of the zoom if it is undefined
   */
  spanOf(zoom: Span, pitch?: number): number {
    if (typeof zoom === 'number') return zoom;
    const { constraints, projection } = this.#kept;
    const { settings, screen } = constraints;
    const bare = spanOf(zoom, settings.lens, screen.height, pitch ?? settings.pitch.degrees);
    // The lens may have changed since the zoom was asked for.
    return bare > 0 ? bare * (projection.frameHeight / projection.height) : this.#kept.zoom.wanted;
  }

  /** The farthest span, world units: the greatest that fits as the camera looks there, once panels have arrived. Stops do not count. */
  get farthest(): number {
    const frame = this.#kept.constraints.settings.safeFrame;
    return goalSpanOf(new SpanQuestion(this.#kept, { wanted: Infinity, frame, isFree: true }), this.#kept.constraints);
  }

  /** Finds the goal again if what it depends on has changed; the zoom goes there from where it is. */
  findGoal(): void {
    const { zoom, hold, constraints } = this.#kept;
    if (this.#kept.question?.isOf(this.#kept) === true) return;
    const question = this.settle();
    if (hold.fingers === 2) {
      zoom.goal = zoom.eased;
      zoom.finish();
    } else zoom.easeTo(goalSpanOf(question, constraints));
  }

  /** From now on kept motion goes by this question, which the goal answers. */
  settle(): SpanQuestion {
    this.#kept.zoom.isFarthest = false;
    return (this.#kept.question = new SpanQuestion(this.#kept));
  }

  /** Sets the span that shows: where the zoom is, or what fits as the camera looks now. */
  show(): void {
    const { zoom, constraints, projection } = this.#kept;
    zoom.shown = zoom.eased;
    if (!constraints.boundary.limitsZoom) return;
    if (fitsByFar(constraints.boundary, projection, zoom.eased)) return;
    const fits = maxSpanInside(constraints.boundary, projection, this.max, this.#kept.question);
    if (zoom.eased > fits) zoom.shown = Math.max(fits, this.min);
  }

  /**
   * Zooms by notches (positive: nearer), counted from the goal, so that quick notches add up: each by
   * the settings' factor, or on to the next stop.
   */
  addNotches(notches: number): void {
    const { zoom, constraints, projection } = this.#kept;
    const { min, max } = this;
    const whole = constraints.stops === null ? NaN : zoom.wholeNotches(notches);
    if (whole === 0) return;
    this.findGoal();
    const span =
      constraints.stops === null
        ? clamp(zoom.goal * exp2(-notches * log2(constraints.settings.zoom.notch)), min, max)
        : constraints.stops.beyond(projection, zoom.goal, -whole, min, max);
    // NaN: there is no stop in that direction.
    if (span !== span || span === zoom.goal) return;
    if (notches < 0) this.#zoomOut(span);
    else this.#want(span);
  }

  #want(span: number): void {
    this.#kept.zoom.wanted = span;
    this.findGoal();
  }

  /** Zooms out to a span, or as far as the view fits; if no farther than now, to the next span beyond at which it does. */
  #zoomOut(span: number): void {
    const { zoom, constraints } = this.#kept;
    if (zoom.isFarthest) return;
    const question = new SpanQuestion(this.#kept);
    const { max } = this;
    let from = zoom.goal;
    for (let to = span; from < max; to = Math.min(to * constraints.settings.zoom.notch, max)) {
      const farther = fartherSpan(question, constraints, from, to);
      // A span that does not fit is not wanted: a later turn would go there.
      if (farther === farther) {
        this.#want(farther);
        return;
      }
      if (!constraints.looksBySpan) break;
      from = to;
    }
    // At the limit of a narrow screen, zooming on into it does not forget what was wanted.
    zoom.isFarthest = true;
  }

  /** Eases to a span, as far as stops and limits let it. */
  easeTo(span: number): void {
    this.#want(clamp(span, this.min, this.max));
  }

  /** Ends a zoom under way at the span that is shown; with stops, at the nearest, once no two fingers hold. */
  stop(): void {
    if (this.#kept.zoom.isActive) this.stayAt(this.#kept.zoom.shown);
  }

  /** Sets the span and the wanted span; with stops, the zoom goes on to the nearest. */
  stayAt(span: number): void {
    this.#kept.zoom.hold(span);
    this.#kept.question = null;
    this.findGoal();
  }

  /**
   * Zooms at once: to the greatest span up to one that fits.
   *
   * @param pitch as the camera looks there; null for that of the zoom, with the tilt
   */
  atOnce(span: number, pitch: number | null): void {
    const { zoom, constraints } = this.#kept;
    const named = pitch === null ? NaN : this.#kept.insidePitch(pitch);
    zoom.wanted = clamp(span, this.min, this.max);
    let question = this.#goAtOnce(named);
    // Beyond a switch the camera looks otherwise: another stop may fit.
    if (!question.isOf(this.#kept)) question = this.#goAtOnce(named);
    if (pitch !== null) {
      this.#kept.setPitch(named);
      // The tilt is that of this span.
      if (constraints.pitch.curve !== null) zoom.wanted = zoom.goal;
    }
    // From the same edges, to the bit: what shows is found as the goal was.
    this.settle().copyFrom(question);
  }

  /** Goes to the goal at once, and returns the question that it answers. @param pitch as of a question */
  #goAtOnce(pitch: number): SpanQuestion {
    const { zoom, hold, constraints } = this.#kept;
    const question = new SpanQuestion(this.#kept, { pitch });
    zoom.goal = hold.fingers === 2 ? zoom.wanted : goalSpanOf(question, constraints);
    zoom.finish();
    this.#kept.flipSwitches();
    return question;
  }
}
