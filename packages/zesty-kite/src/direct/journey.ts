/** What is kept of a journey: where from, where to, how, and how far it has come. */
import type { Cause, Part } from '../motion/index.ts';
import type { Ease } from './ease.ts';
import type { Path } from './path.ts';

/** Where to: what is left out stays as it is, or where it is heading. */
export interface Destination {
  /** The focus, world units. */
  readonly x?: number | undefined;
  readonly y?: number | undefined;
  /** World units from the top to the bottom of the safe frame. */
  readonly span?: number | undefined;
  /** Degrees clockwise; the short way there is taken. */
  readonly heading?: number | undefined;
  /** Degrees below the horizon. */
  readonly pitch?: number | undefined;
}

/** How a journey ended. */
export interface Arrival {
  /**
   * `arrived`; `interrupted` by steering or a call; `replaced` by another journey; `ended` by the program; or `refused`, because
   * a finger held the ground when it was to begin.
   */
  readonly outcome: 'arrived' | 'interrupted' | 'replaced' | 'ended' | 'refused';
  /** What interrupted it: a row of the table of what ends what, such as `drag` or `notch`; `session` where one began. */
  readonly by: Cause | 'session' | null;
  /** What kept the destination from being what was asked for; it was the nearest that is allowed. */
  readonly limitedBy: readonly ('bounds' | 'zoom' | 'turn' | 'tilt')[];
  /** How fast the picture moved at the fastest moment, as planned: screen heights per second; 0 for a cut. */
  readonly peakSpeed: number;
}

type Tell = (arrival: Arrival) => void;
/** A pose on the way, or an end of it. */
export class Stage {
  /** The raw focus: bounds are applied on the way. */
  x = -0;
  y = -0;
  span = NaN;
  heading = -0;
  /** What is added to what the zoom asks of pitch and lens, degrees. */
  tilt = -0;
  widening = -0;
  pitch = NaN;
  fieldOfView = -0;
  /** The sides of the switches by zoom. */
  pitchFar = false;
  lensFar = false;

  copyFrom(other: Stage): void {
    this.x = other.x;
    this.y = other.y;
    this.span = other.span;
    this.heading = other.heading;
    this.tilt = other.tilt;
    this.widening = other.widening;
    this.pitch = other.pitch;
    this.fieldOfView = other.fieldOfView;
    this.pitchFar = other.pitchFar;
    this.lensFar = other.lensFar;
  }
}

export class Journey implements Part {
  /** Null while it stays. */
  path: Path | null = null;
  id = NaN;
  ease: Ease = 'none';
  seconds = NaN;
  elapsed = -0;
  readonly from = new Stage();
  readonly to = new Stage();
  /** The wanted span, as it was at the beginning: a panel or another screen changes it. */
  wantedSpan = NaN;
  /** How far the target has moved since it set off. */
  movedX = -0;
  movedY = -0;
  limitedBy: Arrival['limitedBy'] = [];
  peakSpeed = NaN;
  /** Who waits for the end of which journey. Frames have none. */
  readonly tells = new Map<number, Tell>();
  /** Counts the calls. */
  last = -0;

  copyFrom(other: Journey): void {
    this.path = other.path;
    this.id = other.id;
    this.ease = other.ease;
    this.seconds = other.seconds;
    this.elapsed = other.elapsed;
    this.from.copyFrom(other.from);
    this.to.copyFrom(other.to);
    this.wantedSpan = other.wantedSpan;
    this.movedX = other.movedX;
    this.movedY = other.movedY;
  }

  over(outcome: Arrival['outcome'], by: Arrival['by']): void {
    this.path = null;
    const { limitedBy, peakSpeed } = this;
    this.tells.get(this.id)?.({ outcome, by, limitedBy, peakSpeed });
    this.tells.delete(this.id);
  }
}
