/** A cutscene that plays, as kept motion has it. */
import type { Cause, Part } from '../motion/index.ts';
import type { Track } from './track.ts';

/** How a cutscene ended. */
export interface Finale {
  /**
   * It was played to its end, backward to its beginning, or skipped; a call or steering interrupted it; another took its place; or
   * it was refused, because a finger held the ground when it was to begin.
   */
  readonly outcome: 'played' | 'rewound' | 'skipped' | 'interrupted' | 'replaced' | 'refused';
  /** The row of the table of what ends what that interrupted it. */
  readonly by: Cause | null;
}

/** A keyframe with an event has been passed. */
export interface Passed {
  /** The name that the cutscene gives it. */
  readonly event: string;
  /** Of the keyframe, seconds. */
  readonly at: number;
  /** The scene goes backward. */
  readonly backward: boolean;
  /** It was skipped over. */
  readonly skipped: boolean;
}

const NONE = new Float64Array(0);

export class Playing implements Part {
  id = NaN;
  /** Null while none plays. */
  track: Track | null = null;
  /** Seconds since it began. */
  time = -0;
  /** Seconds of the scene in a second: 0 while it pauses, below 0 backward. */
  pace = -0;
  rate = 1;
  loop = false;
  /** The places of the targets, x and y by turns. Frames share them: signals alone move them. */
  spots: Float64Array = NONE;
  /** Listeners by cutscene. Frames have none. */
  readonly endListeners = new Map<number, (finale: Finale) => void>();
  readonly eventListeners = new Map<number, (passed: Passed) => void>();
  /** Counts the calls. */
  last = -0;

  copyFrom(other: Playing): void {
    this.id = other.id;
    this.track = other.track;
    this.time = other.time;
    this.pace = other.pace;
    this.rate = other.rate;
    this.loop = other.loop;
    this.spots = other.spots;
  }

  /** On by some seconds of the scene; from its end to its beginning, or back, if it loops. */
  goOn(by: number): void {
    const length = this.track?.length ?? 0;
    const time = this.time + by;
    if (!this.loop || length === 0 || (time < length && time >= 0)) {
      this.goTo(time, false);
      return;
    }
    this.goTo(by > 0 ? length : 0, false);
    // The keyframe that it comes to is passed as well.
    this.time = by > 0 ? -1 : length + 1;
    this.goTo(time - length * Math.floor(time / length), false);
  }

  /** Goes on to another time, and fires the events between. */
  goTo(time: number, skipped: boolean): void {
    const { track, time: before } = this;
    if (track === null) return;
    this.time = Math.min(Math.max(time, 0), track.length);
    const listener = this.eventListeners.get(this.id);
    if (listener === undefined) return;
    const backward = time < before;
    const { times, events } = track;
    for (let k = 0; k < times.length; k++) {
      const i = backward ? times.length - 1 - k : k;
      const at = times[i] ?? NaN;
      const event = events[i] ?? null;
      const isBetween = backward ? at < before && at >= time : at > before && at <= time;
      if (event !== null && isBetween) listener({ event, at, backward, skipped });
    }
  }

  over(outcome: Finale['outcome'], by: Finale['by']): void {
    this.track = null;
    this.end(this.id, { outcome, by });
  }

  /** Tells a cutscene's listener how it ended, and forgets it. */
  end(id: number, finale: Finale): void {
    const listener = this.endListeners.get(id);
    this.endListeners.delete(id);
    this.eventListeners.delete(id);
    listener?.(finale);
  }
}
