/** The question how far the zoom goes, kept beside its answer. */
import { Hint } from '../limits/index.ts';
import type { Insets as Sides } from '../view/index.ts';
import type { Heading } from './heading.ts';
import type { Hold } from './hold.ts';
import type { Insets } from './insets.ts';
import type { Lens } from './lens.ts';
import type { Tilt } from './tilt.ts';
import type { Zoom } from './zoom.ts';

/** The parts of kept motion that a question is made of. */
export interface Asking {
  readonly zoom: Zoom;
  readonly turn: Heading;
  readonly tilt: Tilt;
  readonly lens: Lens;
  readonly insets: Insets;
  readonly hold: Hold;
}

/**
 * All that the goal span depends on besides the rules. It does not change once it is answered, so frames share it. It is also the
 * hint that its search leaves: a step makes one object at most.
 */
export class SpanQuestion extends Hint {
  /** World units. */
  readonly wanted: number;
  /** Degrees: where the camera turns to, and what the player tilted. */
  readonly heading: number;
  readonly tilt: number;
  /** The pitch whatever the span, degrees; NaN for that of the zoom with the tilt. */
  readonly pitch: number;
  /** CSS pixels. */
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  /** On which sides the switches by zoom are. */
  readonly pitchFar: boolean;
  readonly lensFar: boolean;
  /** Any span will do, as between two fingers: stops do not count. */
  readonly isFree: boolean;
  constructor(
    { zoom, turn, tilt, lens, insets, hold }: Asking,
    { wanted = zoom.wanted, pitch = NaN, frame = insets, isFree = hold.fingers === 2 }: Partial<Other> = {},
  ) {
    super();
    this.wanted = wanted;
    this.heading = turn.goal;
    this.tilt = tilt.offset;
    this.pitch = pitch;
    this.left = frame.left;
    this.top = frame.top;
    this.right = frame.right;
    this.bottom = frame.bottom;
    this.pitchFar = tilt.isFar;
    this.lensFar = lens.isFar;
    this.isFree = isFree;
  }

  /** Whether it is the question of a motion. */
  isOf({ zoom, turn, tilt, lens, insets, hold }: Asking): boolean {
    return (
      this.wanted === zoom.wanted &&
      this.heading === turn.goal &&
      this.tilt === tilt.offset &&
      this.left === insets.left &&
      this.top === insets.top &&
      this.right === insets.right &&
      this.bottom === insets.bottom &&
      this.pitchFar === tilt.isFar &&
      this.lensFar === lens.isFar &&
      this.isFree === (hold.fingers === 2)
    );
  }
}

/** Values of a question that differ from those of kept motion. */
interface Other {
  readonly wanted: number;
  readonly pitch: number;
  readonly frame: Sides;
  readonly isFree: boolean;
}
