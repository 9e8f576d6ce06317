/** The mover of cutscenes: the pose goes along a track of keyframes, forward or backward, or stands. */
import { clamp } from '../math/index.ts';
import {
  fieldOfViewAt,
  findMoving,
  flipSwitches,
  headingInside,
  holdSpan,
  maxSpan,
  minSpan,
  pitchAt,
  putFocus,
  setPitch,
  type Cause,
  type Motion,
  type Mover,
  type Part,
  type Rules,
} from '../motion/index.ts';
import {
  mark,
  maybe,
  maybeNumber,
  number,
  oneOf,
  place,
  text,
  type Field,
  type OptionalField,
} from '../signals/index.ts';
import { nearestCopy, type Look, type Point } from '../view/index.ts';
import { checkedKeyframes, KEYFRAME_SCHEMA, Shot, Track, type Keyframe } from './keyframes.ts';
import { checkedPoint } from './samples.ts';
import { ENDED_BY_ALL, standStill, takeOver } from './takeOver.ts';

/** How a cutscene ended. */
export interface Finale {
  /**
   * It was played to its end, backward to its beginning, or skipped; a call or steering interrupted it; another took its place; or
   * it was refused, because a finger held the ground when it was to begin.
   */
  readonly outcome: 'played' | 'rewound' | 'skipped' | 'interrupted' | 'replaced' | 'refused';
  /** What interrupted it: a row of the table of what ends what; `session` where one began. */
  readonly by: Cause | 'session' | null;
}

/** A keyframe with an event has been passed. */
export interface Passed {
  readonly event: string;
  /** Of the keyframe, seconds. */
  readonly at: number;
  /** The scene goes backward. */
  readonly backward: boolean;
  /** It was skipped over. */
  readonly skipped: boolean;
}

export const CUES = ['pause', 'forward', 'backward', 'skip', 'end', 'seek', 'rate'] as const;
/** Seconds that pass in the scene in a second. */
export const RATES = { min: 0.01, max: 100 } as const;

/** Where a target is. */
export interface TargetSpot extends Point {
  readonly target: string;
}

export interface PlaySignal {
  readonly kind: 'play';
  readonly id: number;
  readonly keyframes: readonly Keyframe[];
  /** 1 when left out. */
  readonly rate?: number;
  readonly loop?: boolean;
  readonly targets?: readonly TargetSpot[];
}

export interface CueSignal {
  readonly kind: 'cue';
  readonly id: number;
  readonly cue: (typeof CUES)[number];
  /** The time that it seeks, seconds; or the new rate. */
  readonly value?: number;
}

export interface PlayTargetSignal extends TargetSpot {
  readonly kind: 'playTarget';
  readonly id: number;
}

interface Listener {
  readonly passed: (passed: Passed) => void;
  readonly over: (finale: Finale) => void;
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
  /** Where the targets are, x and y by turns. Frames share them: signals alone move them. */
  spots = NONE;
  /** Who is told of which. Frames have none. */
  readonly tells = new Map<number, Listener>();
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

  /** On to another time, and tells of what lies between. */
  goTo(time: number, skipped: boolean): void {
    const { track, time: before } = this;
    if (track === null) return;
    this.time = Math.min(Math.max(time, 0), track.length);
    const listener = this.tells.get(this.id);
    if (listener === undefined) return;
    const backward = time < before;
    const { times, events } = track;
    for (let k = 0; k < times.length; k++) {
      const i = backward ? times.length - 1 - k : k;
      const at = times[i] ?? NaN;
      const event = events[i] ?? null;
      const isBetween = backward ? at < before && at >= time : at > before && at <= time;
      if (event !== null && isBetween) listener.passed({ event, at, backward, skipped });
    }
  }

  over(outcome: Finale['outcome'], by: Finale['by']): void {
    this.track = null;
    const listener = this.tells.get(this.id);
    this.tells.delete(this.id);
    listener?.over({ outcome, by });
  }
}

const coordinate = { type: 'number', minimum: -1e12, maximum: 1e12 };
const targets: OptionalField<readonly TargetSpot[]> = maybe({
  clean: (value, path) => {
    const list: readonly unknown[] = Array.isArray(value) ? value : [];
    return list.map((spot, i) => {
      const { x, y } = checkedPoint(`signal.${path}[${String(i)}]`, spot);
      return { target: String((spot as Partial<TargetSpot>).target), x, y };
    });
  },
  schema: {
    type: 'array',
    items: {
      type: 'object',
      properties: { target: { type: 'string' }, x: coordinate, y: coordinate },
      required: ['target', 'x', 'y'],
    },
  },
});

const keyframes: Field<readonly Keyframe[]> = {
  clean: (value, path) => checkedKeyframes(`signal.${path}`, value),
  schema: { type: 'array', minItems: 1, items: KEYFRAME_SCHEMA },
};

export const plays: Mover<Rules, Playing> = {
  name: 'cutscene',
  column: 'cutscene',
  endedBy: ENDED_BY_ALL,
  signals: {
    play: { id: number(0), keyframes, rate: maybeNumber(RATES.min, RATES.max), loop: mark(), targets },
    playTarget: { id: number(0), target: text('the name of a target'), x: place(1e12), y: place(1e12) },
    cue: { id: number(0), cue: oneOf(CUES), value: maybeNumber(0, 86_400) },
  },
  takesOver: ['play'],
  keep: () => new Playing(),
  isUnderWay: ({ track, pace }) => track !== null && pace !== 0,
  end: (playing, motion, effect, cause, rules, look) => {
    if (playing.track === null) return;
    standStill(motion, rules, look);
    playing.over(cause === 'mover' ? 'replaced' : 'interrupted', cause);
  },
  hear: (playing, motion, rules, look, signal) => {
    const heard = signal as PlaySignal | CueSignal | PlayTargetSignal;
    if (heard.kind === 'play') begin(playing, motion, rules, look, heard);
    else if (playing.track === null || heard.id !== playing.id) return;
    else if (heard.kind === 'cue') cue(playing, playing.track, motion, rules, look, heard);
    else putTarget(playing, playing.track, rules, heard);
    findMoving(motion, rules);
  },
  aim: (playing, motion, { seconds }, rules, look) => {
    const { track, pace } = playing;
    if (track === null || pace === 0) return;
    playing.goOn(pace * seconds);
    show(playing, track, motion, rules, look);
    if (!playing.loop && playing.time === (pace > 0 ? track.length : 0)) finish(playing, motion, rules, look, pace);
  },
  finish: ({ track, pace, spots }, motion) => {
    if (track === null) return;
    track.at(pace < 0 ? 0 : track.length, false, spots, shot);
    motion.panX += shot.x - motion.x;
    motion.panY += shot.y - motion.y;
    motion.easedSpan = shot.span;
    motion.heading = shot.heading;
    if (shot.pitch === shot.pitch) motion.pitch = shot.pitch;
  },
};

function begin(playing: Playing, motion: Motion, rules: Rules, look: Look, signal: PlaySignal): void {
  if (motion.fingers > 0) {
    playing.tells.get(signal.id)?.over({ outcome: 'refused', by: 'drag' });
    playing.tells.delete(signal.id);
    return;
  }
  takeOver(motion, rules, look);
  const { x, y, span, heading, pitch } = motion;
  const track = new Track(signal.keyframes, { x, y, span, heading, pitch });
  playing.id = signal.id;
  playing.track = track;
  playing.time = -1;
  playing.pace = playing.rate = signal.rate ?? 1;
  playing.loop = signal.loop === true && track.length > 0;
  playing.spots = new Float64Array(2 * track.targets.length);
  for (const spot of signal.targets ?? []) putTarget(playing, track, rules, spot);
  // The keyframe at 0 is passed at once.
  playing.goTo(0, false);
  show(playing, track, motion, rules, look);
  if (track.length === 0) finish(playing, motion, rules, look, 1);
}

/** Sets where a target is: in a world that repeats itself, the copy nearest to where it was. */
function putTarget({ spots }: Playing, track: Track, { ground }: Rules, { target, x, y }: TargetSpot): void {
  const i = 2 * track.targets.indexOf(target);
  if (i < 0) return;
  const [fromX = 0, fromY = 0] = [spots[i], spots[i + 1]];
  spots[i] = fromX + nearestCopy(x - fromX, ground.periodX ?? 0);
  spots[i + 1] = fromY + nearestCopy(y - fromY, ground.periodY ?? 0);
}

function cue(
  playing: Playing,
  track: Track,
  motion: Motion,
  rules: Rules,
  look: Look,
  { cue: what, value = 0 }: CueSignal,
): void {
  if (what === 'skip') {
    playing.goTo(track.length, true);
    show(playing, track, motion, rules, look);
    standStill(motion, rules, look);
    playing.over('skipped', null);
  } else if (what === 'end') {
    standStill(motion, rules, look);
    playing.over('interrupted', null);
  } else if (what === 'seek') {
    playing.time = Math.min(value, track.length);
    show(playing, track, motion, rules, look);
  } else if (what === 'rate') {
    playing.rate = Math.min(Math.max(value, RATES.min), RATES.max);
    playing.pace = Math.sign(playing.pace) * playing.rate;
  } else playing.pace = what === 'pause' ? 0 : what === 'forward' ? playing.rate : -playing.rate;
}

function finish(playing: Playing, motion: Motion, rules: Rules, look: Look, pace: number): void {
  standStill(motion, rules, look);
  playing.over(pace > 0 ? 'played' : 'rewound', null);
  findMoving(motion, rules);
}

/** Sets the pose of the present time, inside all limits. */
function show({ time, spots }: Playing, track: Track, motion: Motion, rules: Rules, look: Look): void {
  track.at(time, rules.settings.reducedMotion, spots, shot);
  holdSpan(motion, clamp(shot.span, minSpan(rules, look), maxSpan(rules, look)));
  motion.heading = motion.goalHeading = headingInside(rules, shot.heading);
  motion.turnRemaining = motion.notches = 0;
  motion.stepping = motion.tilting = motion.tilted = false;
  motion.groundStale = rules.terrain !== null;
  flipSwitches(motion, rules);
  if (shot.pitch === shot.pitch) setPitch(motion, rules, shot.pitch);
  motion.pitch = motion.askedPitch = pitchAt(motion, rules, motion.easedSpan);
  motion.fieldOfView = motion.askedLens = fieldOfViewAt(motion, rules, look, motion.easedSpan);
  putFocus(motion, rules, look, shot.x, shot.y);
  motion.question.take(motion);
}

const shot = new Shot();
