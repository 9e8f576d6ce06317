/** The heading: where the camera turns to, and how far it has come. Degrees clockwise. */
import { clamp, type Decay } from '../math/index.ts';
import type { Part } from './part.ts';
import { ANGLE_TOLERANCE } from './rest.ts';

/** The range of headings, infinite ends for none, and its stops; null for every heading. */
export interface HeadingLimits {
  readonly min: number;
  readonly max: number;
  readonly stops: { readonly step: number; readonly offset: number } | null;
}

/** Headings are kept unwrapped up to so many degrees; beyond, whole turns are forgotten. */
const MAX_TURN = 1e6;

export class Heading implements Part {
  shown = -0;
  /** The heading being eased to, not wrapped, and what is left of the turn. */
  goal = -0;
  remaining = -0;
  /** The turn under way goes by a step, or by a call: a hand that drags does not end it. */
  isStep = false;
  /** A button that turns by dragging is down: until it goes up, any heading will do. */
  isOrbiting = false;
  /** How fast held keys turn, degrees per second, and how far they moved the goal in the present step. */
  rate = -0;
  goalMoved = -0;
  /** The shown heading at the beginning of the present step. */
  before = NaN;

  copyFrom(other: Heading): void {
    this.shown = other.shown;
    this.goal = other.goal;
    this.remaining = other.remaining;
    this.isStep = other.isStep;
    this.isOrbiting = other.isOrbiting;
    this.rate = other.rate;
    this.goalMoved = other.goalMoved;
    this.before = other.before;
  }

  get isActive(): boolean {
    return this.remaining !== 0;
  }

  /** Eases on by a step. */
  step(decay: Decay): void {
    const left = decay.left(this.remaining + this.goalMoved, this.goalMoved);
    this.remaining = Math.abs(left) < ANGLE_TOLERANCE ? 0 : left;
    if (this.remaining === 0) this.isStep = false;
    this.shown = this.goal + this.remaining;
  }

  /** Goes on turning by what is held. */
  steer(seconds: number, { min, max }: HeadingLimits): void {
    const before = this.goal;
    this.goal = Math.max(min, Math.min(before + this.rate * seconds, max));
    this.goalMoved = this.goal - before;
    this.remaining = this.shown - this.goal;
    if (Math.abs(this.goal) <= MAX_TURN) return;
    if (min === -Infinity && max === Infinity) {
      const turns = 360 * Math.round(this.goal / 360);
      this.shown -= turns;
      this.goal -= turns;
    } else this.easeTo(clamp(this.goal, -MAX_TURN, MAX_TURN));
  }

  /** Turns by degrees clockwise, counted from the goal, so that quick turns add up. Any heading will do. */
  turnBy(degrees: number, { min, max }: HeadingLimits): void {
    const goal = clamp(this.goal + degrees, Math.max(min, -3 * MAX_TURN), Math.min(max, 3 * MAX_TURN));
    if (Math.abs(goal) > MAX_TURN && min === -Infinity && max === Infinity) {
      const turns = 360 * Math.round(goal / 360);
      this.shown -= turns;
      this.easeTo(goal - turns);
    } else this.easeTo(clamp(goal, -MAX_TURN, MAX_TURN));
  }

  /** The same for a step or a call: it ends at a stop, and a hand that drags does not end it. */
  stepBy(degrees: number, limits: HeadingLimits, fingers: number): void {
    this.turnBy(degrees, limits);
    this.rest(limits, fingers);
    this.isStep = this.isActive;
  }

  /** Moves the goal to the nearest stop, if there are stops and nothing held turns. */
  rest(limits: HeadingLimits, fingers: number): void {
    if (limits.stops === null || fingers > 1 || this.isOrbiting || this.rate !== 0) return;
    this.easeTo(restingHeading(limits, this.goal));
  }

  /** Ends a turn at the heading that is shown; with stops, at the nearest. */
  stop(limits: HeadingLimits, fingers: number): void {
    this.easeTo(this.shown);
    this.isStep = false;
    this.rest(limits, fingers);
  }

  /** Looks at once where a heading says, as far as range and stops let it. */
  face(heading: number, limits: HeadingLimits): void {
    const inside = headingInside(limits, heading);
    this.turnTo(limits.stops === null ? inside : restingHeading(limits, inside));
    this.isStep = false;
  }

  /** Is at a heading, and turns no more. */
  turnTo(heading: number): void {
    this.shown = this.goal = heading;
    this.remaining = 0;
  }

  /** Comes inside limits that have changed. */
  refit(limits: HeadingLimits, fingers: number): void {
    this.shown = headingInside(limits, this.shown);
    this.goal = headingInside(limits, this.goal);
    const left = this.shown - this.goal;
    this.remaining = Math.abs(left) < ANGLE_TOLERANCE ? 0 : left;
    this.rest(limits, fingers);
  }

  /** A turn within its tolerance arrives with the next step, which solves the focus. */
  easeTo(goal: number): void {
    this.goal = goal;
    this.remaining = this.shown - goal;
  }
}

/** A stop this close to an end of the range, in steps, is inside. */
const SLACK = 2e-9;

/** The heading nearest to one that the settings let the camera rest at. */
function restingHeading({ min, max, stops }: HeadingLimits, heading: number): number {
  if (stops === null) return clamp(heading, min, max);
  const { step, offset } = stops;
  const first = Math.ceil((min - offset) / step - SLACK);
  const last = Math.floor((max - offset) / step + SLACK);
  if (first > last) return clamp(heading, min, max);
  return clamp(offset + step * clamp(Math.round((heading - offset) / step), first, last), min, max);
}

/** A heading inside its range: the nearest one, whole turns aside. */
export function headingInside({ min, max }: HeadingLimits, heading: number): number {
  if (heading >= min && heading <= max) return heading;
  // The same way to look, a whole number of turns away, where that is inside.
  const turned =
    heading < min ? heading + 360 * Math.ceil((min - heading) / 360) : heading - 360 * Math.ceil((heading - max) / 360);
  return turned >= min && turned <= max ? turned : clamp(heading, min, max);
}
