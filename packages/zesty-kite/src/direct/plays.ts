/** The mover of cutscenes: the pose goes along a track of keyframes, forward or backward, or stands. */
import { clamp } from '../math/index.ts';
import { headingInside, type Motion, type Mover } from '../motion/index.ts';
import {
  trueOrAbsent,
  maybe,
  maybeNumber,
  number,
  oneOf,
  coordinate,
  text,
  type Field,
  type OptionalField,
  type SignalsOf,
} from '../signals/index.ts';
import { nearestTo, type Ground, type Point } from '../view/index.ts';
import { checkedKeyframes, KEYFRAME_SCHEMA, type Keyframe } from './keyframes.ts';
import { Playing } from './playing.ts';
import { checkedPoint } from './samples.ts';
import { ENDED_BY_ALL, standStill, takeOver } from './takeOver.ts';
import { Track } from './track.ts';

const CUES = ['pause', 'forward', 'backward', 'skip', 'end', 'seek', 'rate'] as const;
/** Seconds that pass in the scene in a second. */
export const RATES = { min: 0.01, max: 100 } as const;

/** The place of a target. */
export interface TargetSpot extends Point {
  readonly target: string;
}

const worldUnits = { type: 'number', minimum: -1e12, maximum: 1e12 };
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
      properties: { target: { type: 'string' }, x: worldUnits, y: worldUnits },
      required: ['target', 'x', 'y'],
    },
  },
});

const keyframes: Field<readonly Keyframe[]> = {
  clean: (value, path) => checkedKeyframes(`signal.${path}`, value),
  schema: { type: 'array', minItems: 1, items: KEYFRAME_SCHEMA },
};

const signals = {
  play: { id: number(0), keyframes, rate: maybeNumber(RATES.min, RATES.max), loop: trueOrAbsent(), targets },
  playTarget: { id: number(0), target: text('the name of a target'), x: coordinate(1e12), y: coordinate(1e12) },
  cue: { id: number(0), cue: oneOf(CUES), value: maybeNumber(0, 86_400) },
};
export type CueName = (typeof CUES)[number];
type PlayingSignal<K extends keyof typeof signals> = SignalsOf<Pick<typeof signals, K>>;

export const plays: Mover<Motion, Playing, SignalsOf<typeof signals>> = {
  name: 'cutscene',
  label: 'cutscene',
  interruptions: ENDED_BY_ALL,
  signals,
  takesOver: ['play'],
  createState: () => new Playing(),
  isUnderWay: ({ track, pace }) => track !== null && pace !== 0,
  interrupt: (playing, motion, _, cause) => {
    if (playing.track === null) return;
    standStill(motion);
    playing.over(cause === 'mover' ? 'replaced' : 'interrupted', cause);
  },
  restore: (playing) => {
    const { track } = playing;
    if (track !== null) playing.track = new Track(track.keyframes, track.start);
  },
  receive: (playing, motion, signal) => {
    if (signal.kind === 'play') begin(playing, motion, signal);
    else if (playing.track === null || signal.id !== playing.id) return;
    else if (signal.kind === 'cue') cue(playing, playing.track, motion, signal);
    else putTarget(playing, playing.track, motion.constraints.ground, signal);
  },
  aim: (playing, motion, seconds) => {
    const { track, pace } = playing;
    if (track === null || pace === 0) return;
    playing.goOn(pace * seconds);
    show(playing, track, motion);
    if (!playing.loop && playing.time === (pace > 0 ? track.length : 0)) finish(playing, motion, pace);
  },
  finish: ({ track, pace, spots }, { focus, zoom, turn, tilt }) => {
    if (track === null) return;
    const shot = track.at(pace < 0 ? 0 : track.length, false, spots);
    focus.x = focus.rawX = shot.x;
    focus.y = focus.rawY = shot.y;
    zoom.eased = shot.span;
    turn.shown = shot.heading;
    if (shot.pitch === shot.pitch) tilt.pitch = shot.pitch;
  },
};

function begin(playing: Playing, motion: Motion, signal: PlayingSignal<'play'>): void {
  if (motion.hold.fingers > 0) {
    playing.end(signal.id, { outcome: 'refused', by: 'drag' });
    return;
  }
  takeOver(motion);
  const { x, y, span, heading, pitch } = motion;
  const keyframes = signal.keyframes.map((keyframe) => {
    const { span: zoom, pitch: named } = keyframe;
    return { ...keyframe, span: zoom === undefined ? undefined : motion.zooming.spanOf(zoom, named) };
  });
  const track = new Track(keyframes, { x, y, span, heading, pitch });
  playing.id = signal.id;
  playing.track = track;
  playing.time = -1;
  playing.pace = playing.rate = signal.rate ?? 1;
  playing.loop = signal.loop === true && track.length > 0;
  playing.spots = new Float64Array(2 * track.targets.length);
  for (const spot of signal.targets ?? []) putTarget(playing, track, motion.constraints.ground, spot);
  // The keyframe at 0 is passed at once.
  playing.goTo(0, false);
  show(playing, track, motion);
  if (track.length === 0) finish(playing, motion, 1);
}

/** Sets the place of a target: in a world that repeats itself, the copy nearest to the last one. */
function putTarget({ spots }: Playing, track: Track, { periodX, periodY }: Ground, { target, x, y }: TargetSpot): void {
  const i = 2 * track.targets.indexOf(target);
  if (i < 0) return;
  const [fromX = 0, fromY = 0] = [spots[i], spots[i + 1]];
  spots[i] = nearestTo(fromX, x, periodX);
  spots[i + 1] = nearestTo(fromY, y, periodY);
}

function cue(playing: Playing, track: Track, motion: Motion, { cue: what, value = 0 }: PlayingSignal<'cue'>): void {
  if (what === 'skip') {
    playing.goTo(track.length, true);
    show(playing, track, motion);
    standStill(motion);
    playing.over('skipped', null);
  } else if (what === 'end') {
    standStill(motion);
    playing.over('interrupted', null);
  } else if (what === 'seek') {
    playing.time = Math.min(value, track.length);
    show(playing, track, motion);
  } else if (what === 'rate') {
    playing.rate = Math.min(Math.max(value, RATES.min), RATES.max);
    playing.pace = Math.sign(playing.pace) * playing.rate;
  } else playing.pace = what === 'pause' ? 0 : what === 'forward' ? playing.rate : -playing.rate;
}

function finish(playing: Playing, motion: Motion, pace: number): void {
  standStill(motion);
  playing.over(pace > 0 ? 'played' : 'rewound', null);
  motion.findMoving();
}

/** Sets the pose of the present time, inside all limits. */
function show({ time, spots }: Playing, track: Track, motion: Motion): void {
  const { zoom, turn, tilt, lens, constraints, zooming } = motion;
  const shot = track.at(time, constraints.settings.reducedMotion, spots);
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
