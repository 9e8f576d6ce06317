/** The mover of cutscenes: the pose goes along a track of keyframes, forward or backward, or stands. */
import { ANYWHERE, keepInside } from '../limits/index.ts';
import {
  askAnew,
  fieldOfViewAt,
  findMoving,
  flipSwitches,
  headingInside,
  maxSpan,
  minSpan,
  pitchAt,
  setPitch,
  stopTurn,
  stopZoom,
  type Cause,
  type Motion,
  type Mover,
  type Part,
  type Rules,
} from '../motion/index.ts';
import { number, oneOf, type Field } from '../signals/index.ts';
import { ScratchPoint, type Look } from '../view/index.ts';
import { checkedKeyframes, KEYFRAME_SCHEMA, Shot, Track, type Keyframe } from './keyframes.ts';
import { ENDED_BY_ALL, takeOver } from './takeOver.ts';

/** How a cutscene ended. */
export interface Finale {
  /** It was played to its end, backward to its beginning, or skipped; a call or steering interrupted it; another took its place. */
  readonly outcome: 'played' | 'rewound' | 'skipped' | 'interrupted' | 'replaced';
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

export const CUES = ['pause', 'forward', 'backward', 'skip', 'end'] as const;

export interface PlaySignal {
  readonly kind: 'play';
  readonly id: number;
  readonly keyframes: readonly Keyframe[];
}

export interface CueSignal {
  readonly kind: 'cue';
  readonly id: number;
  readonly cue: (typeof CUES)[number];
}

interface Listener {
  readonly passed: (passed: Passed) => void;
  readonly over: (finale: Finale) => void;
}

export class Playing implements Part {
  id = NaN;
  /** Null while none plays. */
  track: Track | null = null;
  /** Seconds since it began. */
  time = -0;
  /** 1, 0 or -1. */
  pace = -0;
  /** Who is told of which. Frames have none. */
  readonly tells = new Map<number, Listener>();
  /** Counts the calls. */
  last = -0;

  copyFrom(other: Playing): void {
    this.id = other.id;
    this.track = other.track;
    this.time = other.time;
    this.pace = other.pace;
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

const keyframes: Field<readonly Keyframe[]> = {
  clean: (value, path) => checkedKeyframes(`signal.${path}`, value),
  schema: { type: 'array', minItems: 1, items: KEYFRAME_SCHEMA },
};

export const plays: Mover<Rules, Playing> = {
  name: 'cutscene',
  column: 'cutscene',
  endedBy: ENDED_BY_ALL,
  signals: { play: { id: number(0), keyframes }, cue: { id: number(0), cue: oneOf(CUES) } },
  keep: () => new Playing(),
  isUnderWay: ({ track, pace }) => track !== null && pace !== 0,
  end: (playing, motion, effect, cause, rules, look) => {
    if (playing.track === null) return;
    leave(motion, rules, look);
    playing.over(cause === 'mover' ? 'replaced' : 'interrupted', cause);
  },
  hear: (playing, motion, rules, look, signal) => {
    const heard = signal as PlaySignal | CueSignal;
    if (heard.kind === 'play') begin(playing, motion, rules, look, heard);
    else if (playing.track !== null && heard.id === playing.id) cue(playing, motion, rules, look, heard.cue);
    findMoving(motion, rules);
  },
  aim: (playing, motion, { seconds }, rules, look) => {
    const { track, pace } = playing;
    if (track === null || pace === 0) return;
    playing.goTo(playing.time + pace * seconds, false);
    show(playing, track, motion, rules, look);
    if (playing.time === (pace > 0 ? track.length : 0)) finish(playing, motion, rules, look, pace);
  },
  finish: ({ track, pace }, motion) => {
    if (track === null) return;
    track.at(pace < 0 ? 0 : track.length, false, shot);
    motion.panX += shot.x - motion.x;
    motion.panY += shot.y - motion.y;
    motion.span = shot.span;
    motion.heading = shot.heading;
    if (shot.pitch === shot.pitch) motion.pitch = shot.pitch;
  },
};

function begin(playing: Playing, motion: Motion, rules: Rules, look: Look, signal: PlaySignal): void {
  if (motion.fingers > 0) {
    playing.tells.get(signal.id)?.over({ outcome: 'interrupted', by: 'drag' });
    playing.tells.delete(signal.id);
    return;
  }
  takeOver(motion, rules, look);
  const { x, y, span, heading, pitch } = motion;
  const track = new Track(signal.keyframes, { x, y, span, heading, pitch });
  playing.id = signal.id;
  playing.track = track;
  playing.time = -1;
  playing.pace = 1;
  // The keyframe at 0 is passed at once.
  playing.goTo(0, false);
  show(playing, track, motion, rules, look);
  if (track.length === 0) finish(playing, motion, rules, look, 1);
}

function cue(playing: Playing, motion: Motion, rules: Rules, look: Look, what: CueSignal['cue']): void {
  const { track } = playing;
  if (track === null) return;
  if (what === 'skip') {
    playing.goTo(track.length, true);
    show(playing, track, motion, rules, look);
    leave(motion, rules, look);
    playing.over('skipped', null);
  } else if (what === 'end') {
    leave(motion, rules, look);
    playing.over('interrupted', null);
  } else playing.pace = what === 'pause' ? 0 : what === 'forward' ? 1 : -1;
}

function finish(playing: Playing, motion: Motion, rules: Rules, look: Look, pace: number): void {
  leave(motion, rules, look);
  playing.over(pace > 0 ? 'played' : 'rewound', null);
  findMoving(motion, rules);
}

/** From here on the camera stands; where there are stops, it goes on to the nearest. */
function leave(motion: Motion, rules: Rules, look: Look): void {
  stopZoom(motion, rules, look);
  stopTurn(motion, rules);
  askAnew(motion, rules, look);
  motion.easing = motion.tilting = true;
}

/** Sets the pose of the present time, inside all limits. */
function show({ time }: Playing, track: Track, motion: Motion, rules: Rules, look: Look): void {
  track.at(time, rules.settings.reducedMotion, shot);
  motion.span = Math.min(Math.max(shot.span, minSpan(rules, look)), maxSpan(rules, look));
  motion.goalSpan = motion.wantedSpan = motion.span;
  motion.heading = motion.goalHeading = headingInside(rules, shot.heading);
  motion.zoomRemaining = motion.turnRemaining = motion.notches = 0;
  motion.stepping = motion.tilting = motion.tilted = false;
  motion.groundStale = rules.terrain !== null;
  flipSwitches(motion, rules);
  if (shot.pitch === shot.pitch) setPitch(motion, rules, shot.pitch);
  motion.pitch = motion.askedPitch = pitchAt(motion, rules, motion.span);
  motion.fieldOfView = motion.askedLens = fieldOfViewAt(motion, rules, look, motion.span);
  look.turn(motion);
  spot.x = shot.x;
  spot.y = shot.y;
  keepInside(rules.boundary, look, motion, spot, ANYWHERE, motion);
}

const shot = new Shot();
const spot = new ScratchPoint();
