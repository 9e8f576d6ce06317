/** The zoom: which span is wanted, how much of it fits, and how far it has come. World units. */
import { added, exp2, log2, wholeOf, type Decay } from '../math/index.ts';
import type { Part } from './part.ts';
import { ZOOM_TOLERANCE } from './rest.ts';

export class Zoom implements Part {
  /** The span that the player asked for, whatever the present screen allows. */
  wanted = NaN;
  /** The span being eased to: how much of the wanted one fits. */
  goal = NaN;
  /** The span on its way there. Pitch, lens and switches follow this one. */
  eased = NaN;
  /** The span that shows: the eased one, or what fits now. */
  shown = NaN;
  /** The remaining zoom: log₂(eased / goal), halving every half-life. */
  remaining = -0;
  /** A notch outward has found no farther span since the goal was found. */
  isFarthest = false;
  /** Parts of a notch that have not come to a whole stop yet. */
  notches = -0;
  /** How fast held keys zoom, notches per second. */
  rate = -0;
  /** How far they moved the goal in the present step, octaves. */
  goalMoved = -0;
  /** The shown span at the beginning of the present step. */
  before = NaN;
  /** The last goal whose log₂ was computed, and that log₂. */
  #span = NaN;
  #logSpan = NaN;

  copyFrom(other: Zoom): void {
    this.wanted = other.wanted;
    this.goal = other.goal;
    this.eased = other.eased;
    this.shown = other.shown;
    this.remaining = other.remaining;
    this.isFarthest = other.isFarthest;
    this.notches = other.notches;
    this.rate = other.rate;
    this.goalMoved = other.goalMoved;
    this.before = other.before;
  }

  get isActive(): boolean {
    return this.remaining !== 0;
  }

  /** log₂ of the eased span, before the zoom range cuts it. */
  get logEased(): number {
    const { goal } = this;
    if (goal !== this.#span) this.#logSpan = log2(goal);
    this.#span = goal;
    return this.#logSpan + this.remaining;
  }

  /** Eases on by a step. */
  step(decay: Decay): void {
    const left = decay.left(this.remaining + this.goalMoved, this.goalMoved);
    this.remaining = Math.abs(left) < ZOOM_TOLERANCE ? 0 : left;
    this.eased = this.goal * exp2(this.remaining);
  }

  /** Makes a span the goal, and goes there from where it is. */
  easeTo(span: number): void {
    this.goal = span;
    this.remaining = log2(this.eased / span);
    if (Math.abs(this.remaining) < ZOOM_TOLERANCE) this.finish();
  }

  /** Goes to the goal at once. */
  finish(): void {
    this.remaining = 0;
    this.eased = this.goal;
  }

  /** Is at a span that fits, and wants no other. */
  hold(span: number): void {
    this.wanted = this.goal = span;
    this.finish();
  }

  /** Another frame shows the same at another span. */
  scale(factor: number): void {
    this.wanted *= factor;
    this.goal *= factor;
    this.eased *= factor;
    this.shown *= factor;
  }

  /** The zoom range holds to the bit, whatever rounding says. */
  keepIn(min: number, max: number): void {
    this.eased = Math.max(min, Math.min(this.eased, max));
  }

  /** Whole notches to go by now; parts are kept until they make one. */
  wholeNotches(notches: number): number {
    const sum = added(this.notches, notches);
    const whole = wholeOf(sum);
    this.notches = sum - whole;
    return whole;
  }
}
