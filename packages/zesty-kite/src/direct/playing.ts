/** The state of a cutscene: the pose goes along a track of keyframes, forward or backward, or stands. */
import { clamp } from '../math/index.ts';
import { headingInside, type Cause, type Motion, type Part } from '../motion/index.ts';
import { nearestTo } from '../view/index.ts';
import { RATES, type PlayingSignal, type TargetSpot } from './playSignals.ts';
import { standStill, takeOver } from './takeOver.ts';
import { Track } from './track.ts';

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
  readonly #motion: Motion;

  constructor(motion: Motion) {
    this.#motion = motion;
  }

  copyFrom(other: Playing): void {
    this.id = other.id;
    this.track = other.track;
    this.time = other.time;
    this.pace = other.pace;
    this.rate = other.rate;
    this.loop = other.loop;
    this.spots = other.spots;
  }

  restore(): void {
    const { track } = this;
    if (track !== null) this.track = new Track(track.keyframes, track.start);
  }

  begin(signal: PlayingSignal<'play'>): void {
    const motion = this.#motion;
    if (motion.hold.fingers > 0) {
      this.end(signal.id, { outcome: 'refused', by: 'drag' });
      return;
    }
    takeOver(motion);
    const { x, y, span, heading, pitch } = motion;
    const keyframes = signal.keyframes.map((keyframe) => {
      const { span: zoom, pitch: named } = keyframe;
      return { ...keyframe, span: zoom === undefined ? undefined : motion.zooming.spanOf(zoom, named) };
    });
    const track = new Track(keyframes, { x, y, span, heading, pitch });
    this.id = signal.id;
    this.track = track;
    this.time = -1;
    this.pace = this.rate = signal.rate ?? 1;
    this.loop = signal.loop === true && track.length > 0;
    this.spots = new Float64Array(2 * track.targets.length);
    for (const spot of signal.targets ?? []) this.putTarget(track, spot);
    // The keyframe at 0 is passed at once.
    this.#goTo(track, 0, false);
    this.#show(track);
    if (track.length === 0) this.#arrive();
  }

  /** Sets the place of a target: in a world that repeats itself, the copy nearest to the last one. */
  putTarget(track: Track, { target, x, y }: TargetSpot): void {
    const { spots } = this;
    const { periodX, periodY } = this.#motion.constraints.ground;
    const i = 2 * track.targets.indexOf(target);
    if (i < 0) return;
    const [fromX = 0, fromY = 0] = [spots[i], spots[i + 1]];
    spots[i] = nearestTo(fromX, x, periodX);
    spots[i + 1] = nearestTo(fromY, y, periodY);
  }

  obey(track: Track, { cue, value = 0 }: PlayingSignal<'cue'>): void {
    if (cue === 'skip') {
      this.#goTo(track, track.length, true);
      this.#show(track);
      this.stop('skipped', null);
    } else if (cue === 'end') this.stop('interrupted', null);
    else if (cue === 'seek') {
      this.time = Math.min(value, track.length);
      this.#show(track);
    } else if (cue === 'rate') {
      this.rate = clamp(value, RATES.min, RATES.max);
      this.pace = Math.sign(this.pace) * this.rate;
    } else this.pace = cue === 'pause' ? 0 : cue === 'forward' ? this.rate : -this.rate;
  }

  /** Goes on by a step. */
  aim(track: Track, seconds: number): void {
    this.#goOn(track, this.pace * seconds);
    this.#show(track);
    if (!this.loop && this.time === (this.pace > 0 ? track.length : 0)) this.#arrive();
  }

  finish(track: Track): void {
    const { focus, zoom, turn, tilt } = this.#motion;
    const shot = track.at(this.pace < 0 ? 0 : track.length, false, this.spots);
    focus.x = focus.rawX = shot.x;
    focus.y = focus.rawY = shot.y;
    zoom.eased = shot.span;
    turn.shown = shot.heading;
    if (shot.pitch === shot.pitch) tilt.pitch = shot.pitch;
  }

  /** Ends it where it is. */
  stop(outcome: Finale['outcome'], by: Finale['by']): void {
    standStill(this.#motion);
    this.track = null;
    this.end(this.id, { outcome, by });
  }

  #arrive(): void {
    this.stop(this.pace > 0 ? 'played' : 'rewound', null);
    this.#motion.findMoving();
  }

  /** On by some seconds of the scene; from its end to its beginning, or back, if it loops. */
  #goOn(track: Track, by: number): void {
    const { length } = track;
    const time = this.time + by;
    if (!this.loop || length === 0 || (time < length && time >= 0)) {
      this.#goTo(track, time, false);
      return;
    }
    this.#goTo(track, by > 0 ? length : 0, false);
    // The keyframe that it comes to is passed as well.
    this.time = by > 0 ? -1 : length + 1;
    this.#goTo(track, time - length * Math.floor(time / length), false);
  }

  /** Goes on to another time, and fires the events between. */
  #goTo(track: Track, time: number, skipped: boolean): void {
    const before = this.time;
    this.time = clamp(time, 0, track.length);
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

  /** Sets the pose of the present time, inside all limits. */
  #show(track: Track): void {
    const motion = this.#motion;
    const { zoom, turn, tilt, lens, constraints, zooming } = motion;
    const shot = track.at(this.time, constraints.settings.reducedMotion, this.spots);
    zoom.hold(clamp(shot.span, zooming.min, zooming.max));
    zoom.notches = 0;
    turn.turnTo(headingInside(constraints.turn, shot.heading));
    turn.isStep = tilt.isActive = lens.isActive = tilt.isTilted = false;
    motion.markGroundStale();
    motion.flipSwitches();
    if (shot.pitch === shot.pitch) motion.setPitch(shot.pitch);
    tilt.arriveAt(motion.pitchAt(zoom.eased));
    lens.arriveAt(motion.fieldOfViewAt(zoom.eased));
    motion.focusing.putAt(shot.x, shot.y);
    motion.zooming.settle();
  }

  /** Tells a cutscene's listener how it ended, and forgets it. */
  end(id: number, finale: Finale): void {
    const listener = this.endListeners.get(id);
    this.endListeners.delete(id);
    this.eventListeners.delete(id);
    listener?.(finale);
  }
}
