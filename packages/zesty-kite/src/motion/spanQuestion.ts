/** The question how far the zoom goes, kept beside its answer. */

/** What it is asked of: kept motion. */
export interface Asking {
  readonly wantedSpan: number;
  readonly goalHeading: number;
  readonly tilt: number;
  readonly insetLeft: number;
  readonly insetTop: number;
  readonly insetRight: number;
  readonly insetBottom: number;
  readonly pitchFar: boolean;
  readonly lensFar: boolean;
  readonly fingers: number;
}

/** All that the goal span depends on besides the rules. It is kept beside the goal, and says if that has to be found again. */
export class SpanQuestion {
  /** World units. */
  wanted = NaN;
  /** Degrees: where the camera turns to, and what the player tilted. */
  heading = NaN;
  tilt = NaN;
  /** The pitch whatever the span, degrees; NaN for that of the zoom with the tilt. */
  pitch = NaN;
  /** CSS pixels. */
  insetLeft = NaN;
  insetTop = NaN;
  insetRight = NaN;
  insetBottom = NaN;
  /** On which sides the switches by zoom are. */
  pitchFar = false;
  lensFar = false;
  /** Two fingers hold: they set the span. */
  isHeld = false;
  /** A notch outward found no farther span. */
  isFarthest = false;

  copyFrom(other: SpanQuestion): void {
    this.wanted = other.wanted;
    this.heading = other.heading;
    this.tilt = other.tilt;
    this.pitch = other.pitch;
    this.insetLeft = other.insetLeft;
    this.insetTop = other.insetTop;
    this.insetRight = other.insetRight;
    this.insetBottom = other.insetBottom;
    this.pitchFar = other.pitchFar;
    this.lensFar = other.lensFar;
    this.isHeld = other.isHeld;
    this.isFarthest = other.isFarthest;
  }

  /** Whether it is the question of a motion. */
  isOf(motion: Asking): boolean {
    return (
      this.wanted === motion.wantedSpan &&
      this.heading === motion.goalHeading &&
      this.tilt === motion.tilt &&
      this.insetLeft === motion.insetLeft &&
      this.insetTop === motion.insetTop &&
      this.insetRight === motion.insetRight &&
      this.insetBottom === motion.insetBottom &&
      this.pitchFar === motion.pitchFar &&
      this.lensFar === motion.lensFar &&
      this.isHeld === (motion.fingers === 2)
    );
  }

  take(motion: Asking): void {
    this.wanted = motion.wantedSpan;
    this.heading = motion.goalHeading;
    this.tilt = motion.tilt;
    this.pitch = NaN;
    this.insetLeft = motion.insetLeft;
    this.insetTop = motion.insetTop;
    this.insetRight = motion.insetRight;
    this.insetBottom = motion.insetBottom;
    this.pitchFar = motion.pitchFar;
    this.lensFar = motion.lensFar;
    this.isHeld = motion.fingers === 2;
    this.isFarthest = false;
  }

  /** From now on it is the question of no motion: rules have changed. */
  forget(): void {
    this.wanted = NaN;
  }
}
