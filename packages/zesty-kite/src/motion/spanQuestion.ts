/** The question how far the zoom goes, kept beside its answer. */

import type { Heading } from './heading.ts';
import type { Hold } from './hold.ts';
import type { Insets } from './insets.ts';
import type { Lens } from './lens.ts';
import type { Part } from './part.ts';
import type { Tilt } from './tilt.ts';
import type { Zoom } from './zoom.ts';

/** What it is asked of: kept motion. */
export interface Asking {
  readonly zoom: Zoom;
  readonly turn: Heading;
  readonly tilt: Tilt;
  readonly lens: Lens;
  readonly insets: Insets;
  readonly hold: Hold;
}

/** All that the goal span depends on besides the rules. It is kept beside the goal, and says if that has to be found again. */
export class SpanQuestion implements Part {
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
  isOf({ zoom, turn, tilt, lens, insets, hold }: Asking): boolean {
    return (
      this.wanted === zoom.wanted &&
      this.heading === turn.goal &&
      this.tilt === tilt.offset &&
      this.insetLeft === insets.left &&
      this.insetTop === insets.top &&
      this.insetRight === insets.right &&
      this.insetBottom === insets.bottom &&
      this.pitchFar === tilt.isFar &&
      this.lensFar === lens.isFar &&
      this.isHeld === (hold.fingers === 2)
    );
  }

  take({ zoom, turn, tilt, lens, insets, hold }: Asking): void {
    this.wanted = zoom.wanted;
    this.heading = turn.goal;
    this.tilt = tilt.offset;
    this.pitch = NaN;
    this.insetLeft = insets.left;
    this.insetTop = insets.top;
    this.insetRight = insets.right;
    this.insetBottom = insets.bottom;
    this.pitchFar = tilt.isFar;
    this.lensFar = lens.isFar;
    this.isHeld = hold.fingers === 2;
    this.isFarthest = false;
  }

  /** From now on it is the question of no motion: rules have changed. */
  forget(): void {
    this.wanted = NaN;
  }
}
