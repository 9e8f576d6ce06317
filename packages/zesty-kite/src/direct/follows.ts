/**
 * The mover of following: a target is kept at a place of the screen, or in a zone around it.
 *
 * What it keeps is where the target shows, (u, v) in safe-frame heights from the middle. In a step, zoom, turn and tilt go
 * about the target: the focus goes to where the target still shows at (u, v), as a grip does. Then the distance from the
 * nearest focus with which it would be inside the zone halves every half-life. So a target that moves evenly is followed
 * at a distance of speed · halfLife / ln 2, and `lead` seconds ahead of it take that away.
 */
import { Cell, Decay } from '../math/index.ts';
import {
  addStep,
  dropGrip,
  ENDED_BY_STEERING,
  findMoving,
  interrupt,
  isDriven,
  endPan,
  LENGTH_TOLERANCE,
  putFocus,
  type Cause,
  type Motion,
  type Mover,
  type Pace,
  type Part,
  type Rules,
} from '../motion/index.ts';
import { maybeNumber, number, oneOf, place } from '../signals/index.ts';
import { nearestCopy, REACH, ScratchPoint, Sight, type Look, type Point } from '../view/index.ts';

/** How following ended. */
export interface Parting {
  /** Steering or a call interrupted it, another took its place, the target was lost, or the program ended it. */
  readonly outcome: 'interrupted' | 'replaced' | 'lost' | 'ended';
  /** What interrupted it: a row of the table of what ends what; `session` where one began. */
  readonly by: Cause | 'session' | null;
}

const FARTHEST = 1e12;
export const SHAPES = ['box', 'circle'] as const;
/** What a player's pan does: shift where the target shows, or end following. */
export const PANS = ['offset', 'end'] as const;

export interface FollowSignal extends Point {
  readonly kind: 'follow';
  readonly id: number;
  readonly halfLife: number;
  readonly lead: number;
  /** The zone: shares of the safe frame's width and height; of a circle, its width as a share of the height. */
  readonly zoneWidth: number;
  readonly zoneHeight: number;
  readonly zone: (typeof SHAPES)[number];
  readonly onPan: (typeof PANS)[number];
  /** The heading to turn to, degrees. */
  readonly heading?: number;
}

/** Where the target is in the present frame. */
export interface SampleSignal extends Point {
  readonly kind: 'followed';
  readonly id: number;
  /** Seconds since the sample before. */
  readonly after: number;
  /** How much later than the signal it is, seconds. */
  readonly ahead: number;
  readonly heading?: number | undefined;
}

export interface UnfollowSignal {
  readonly kind: 'unfollow';
  readonly id: number;
  readonly lost: boolean;
}

export class Following implements Part {
  id = NaN;
  on = false;
  underWay = false;
  /** The target at the last sample, its velocity, and how much later that is than now: world units, seconds. */
  x = -0;
  y = -0;
  velocityX = -0;
  velocityY = -0;
  ahead = -0;
  lead = -0;
  halfLife = NaN;
  /** Where it shows, and where it should: safe-frame heights from the middle. */
  u = -0;
  v = -0;
  middleU = -0;
  middleV = -0;
  zoneWidth = -0;
  zoneHeight = -0;
  round = false;
  offsets = true;
  /** The focus, as it was left. */
  focusX = -0;
  focusY = -0;
  /** The look, as it was then. */
  span = NaN;
  heading = -0;
  pitch = NaN;
  fieldOfView = -0;
  /** The focus with which the target would be inside the zone, were it to stay where it was in the last step. */
  goalX = -0;
  goalY = -0;
  /** Who waits for the end of which. Frames have none. */
  readonly tells = new Map<number, (parting: Parting) => void>();
  /** Counts the calls. */
  last = -0;

  copyFrom(other: Following): void {
    this.id = other.id;
    this.on = other.on;
    this.underWay = other.underWay;
    this.x = other.x;
    this.y = other.y;
    this.velocityX = other.velocityX;
    this.velocityY = other.velocityY;
    this.ahead = other.ahead;
    this.lead = other.lead;
    this.halfLife = other.halfLife;
    this.u = other.u;
    this.v = other.v;
    this.middleU = other.middleU;
    this.middleV = other.middleV;
    this.zoneWidth = other.zoneWidth;
    this.zoneHeight = other.zoneHeight;
    this.round = other.round;
    this.offsets = other.offsets;
    this.focusX = other.focusX;
    this.focusY = other.focusY;
    this.span = other.span;
    this.heading = other.heading;
    this.pitch = other.pitch;
    this.fieldOfView = other.fieldOfView;
    this.goalX = other.goalX;
    this.goalY = other.goalY;
  }

  over(outcome: Parting['outcome'], by: Parting['by']): void {
    this.on = this.underWay = false;
    this.tells.get(this.id)?.({ outcome, by });
    this.tells.delete(this.id);
  }
}

export const follows: Mover<Rules, Following> = {
  name: 'follow',
  column: 'follow',
  endedBy: {
    ...ENDED_BY_STEERING,
    drag: 'offsets',
    pinch: 'offsets',
    pan: 'offsets',
    shift: 'offsets',
    panCall: 'offsets',
    orbit: 'goesOn',
    notch: 'goesOn',
    zoomKeys: 'goesOn',
    turnKeys: 'goesOn',
    tiltKeys: 'goesOn',
    turn: 'goesOn',
    tilt: 'goesOn',
    zoom: 'goesOn',
    mover: 'newWish',
  },
  signals: {
    follow: {
      id: number(0),
      x: place(FARTHEST),
      y: place(FARTHEST),
      halfLife: number(0, 60),
      lead: number(-60, 60),
      zoneWidth: number(0, 1),
      zoneHeight: number(0, 1),
      zone: oneOf(SHAPES),
      onPan: oneOf(PANS),
      heading: maybeNumber(-1e6, 1e6),
    },
    followed: {
      id: number(0),
      x: place(FARTHEST),
      y: place(FARTHEST),
      after: number(0, 1e9),
      ahead: number(0, 1e9),
      heading: maybeNumber(-1e6, 1e6),
    },
    unfollow: { id: number(0), lost: { clean: (value) => value === true, schema: { type: 'boolean' } } },
  },
  keep: () => new Following(),
  isUnderWay: ({ underWay }) => underWay,
  leads: ({ on }) => on,
  end: (state, motion, effect, cause) => {
    if (!state.on || (effect === 'offsets' && state.offsets)) return;
    state.over(cause === 'mover' ? 'replaced' : 'interrupted', cause);
    motion.led = false;
  },
  hear: (state, motion, rules, look, signal) => {
    const heard = signal as FollowSignal | SampleSignal | UnfollowSignal;
    if (heard.kind === 'follow') begin(state, motion, rules, look, heard);
    else if (!state.on || heard.id !== state.id) return;
    else if (heard.kind === 'unfollow') state.over(heard.lost ? 'lost' : 'ended', null);
    else {
      const { underWay } = state;
      face(motion, rules, heard.heading);
      takeSample(state, motion, rules, look, heard);
      if (state.underWay === underWay) return;
    }
    findMoving(motion, rules);
  },
  aim: (state, motion, pace, rules, look) => {
    if (!state.on) return;
    look.turn(motion);
    dropGrip(motion);
    noticePan(state, motion, rules, look);
    if (pace.seconds === 0 && looksAsBefore(state, motion)) return;
    const { underWay } = state;
    lead(state, motion, pace, rules, look);
    if (state.underWay !== underWay) findMoving(motion, rules);
  },
  panned: (state, motion, rules, look) => {
    if (state.on) noticePan(state, motion, rules, look);
  },
  finish: ({ underWay, goalX, goalY }, motion) => {
    if (!underWay) return;
    motion.panX += goalX - motion.x;
    motion.panY += goalY - motion.y;
  },
};

function begin(state: Following, motion: Motion, rules: Rules, look: Look, signal: FollowSignal): void {
  interrupt(motion, rules, look, 'mover');
  if (!isDriven(motion)) endPan(motion);
  dropGrip(motion);
  const { id, x, y, halfLife, lead, zone, zoneWidth, zoneHeight, onPan } = signal;
  state.id = id;
  state.on = state.underWay = true;
  state.velocityX = state.velocityY = state.ahead = 0;
  state.x = near(motion.x, x, rules.ground.periodX);
  state.y = near(motion.y, y, rules.ground.periodY);
  state.halfLife = rules.settings.reducedMotion ? 0 : halfLife;
  state.lead = lead;
  state.round = zone === 'circle';
  const wide = look.frameWidth * look.perPixel;
  state.zoneWidth = (zoneWidth * (state.round ? 1 : wide)) / 2;
  state.zoneHeight = zoneHeight / 2;
  state.middleU = state.middleV = 0;
  state.offsets = onPan === 'offset';
  face(motion, rules, signal.heading);
  state.goalX = motion.x;
  state.goalY = motion.y;
  locate(state, motion, rules, look);
}

/** Turns, eased, the short way to a heading. */
function face(motion: Motion, rules: Rules, heading: number | undefined): void {
  if (heading === undefined) return;
  const turn = heading - motion.goalHeading;
  addStep(motion, rules, turn - 360 * Math.round(turn / 360));
}

/** The copy of a coordinate nearest to another, in a world that repeats itself. */
function near(from: number, to: number, period = 0): number {
  return period > 0 ? from + nearestCopy(to - from, period) : to;
}

function takeSample(
  state: Following,
  motion: Motion,
  rules: Rules,
  look: Look,
  { x, y, after, ahead }: SampleSignal,
): void {
  const { periodX, periodY } = rules.ground;
  const atX = near(state.x, x, periodX);
  const atY = near(state.y, y, periodY);
  state.velocityX = after > 0 ? (atX - state.x) / after : 0;
  state.velocityY = after > 0 ? (atY - state.y) / after : 0;
  state.x = atX;
  state.y = atY;
  state.ahead = ahead;
  // A velocity that has changed makes no jump: the camera goes on from where it is.
  noticePan(state, motion, rules, look);
  locate(state, motion, rules, look);
  if (state.underWay) return;
  // As long as it stays in the zone nothing moves.
  target.x = atX + state.velocityX * state.lead;
  target.y = atY + state.velocityY * state.lead;
  project(motion, rules, look, target);
  state.underWay = isOutside(state, shows);
}

/** Sets where the target shows now, and that the focus was left here. */
function locate(state: Following, motion: Motion, rules: Rules, look: Look): void {
  const { x, y, velocityX, velocityY, ahead } = state;
  target.x = x - velocityX * ahead;
  target.y = y - velocityY * ahead;
  project(motion, rules, look, target);
  state.u = shows.x;
  state.v = shows.y;
  state.focusX = motion.x;
  state.focusY = motion.y;
  state.span = motion.span;
  state.heading = motion.heading;
  state.pitch = motion.pitch;
  state.fieldOfView = motion.fieldOfView;
}

/** Whoever has moved the focus since it was left has moved where the target shows, and that is where it is kept from now on. */
function noticePan(state: Following, motion: Motion, rules: Rules, look: Look): void {
  if (motion.x === state.focusX && motion.y === state.focusY) return;
  const { u, v } = state;
  locate(state, motion, rules, look);
  state.middleU += state.u - u;
  state.middleV += state.v - v;
}

function looksAsBefore({ span, heading, pitch, fieldOfView }: Following, motion: Motion): boolean {
  return (
    span === motion.span && heading === motion.heading && pitch === motion.pitch && fieldOfView === motion.fieldOfView
  );
}

/** Goes on by a step. */
function lead(state: Following, motion: Motion, pace: Pace, rules: Rules, look: Look): void {
  const { x, y, velocityX, velocityY, ahead, lead: early } = state;
  // Zoom, turn and tilt go about the target, unless it is beyond the reach of a hand.
  target.x = x - velocityX * ahead;
  target.y = y - velocityY * ahead;
  held.x = state.u;
  held.y = state.v;
  if (isInReach(state, look)) focusFor(motion, rules, look, held, motion);
  stays.x = motion.x;
  stays.y = motion.y;
  if (pace.seconds === 0) {
    putFocus(motion, rules, look, stays.x, stays.y);
    locate(state, motion, rules, look);
    return;
  }
  state.ahead -= pace.seconds;
  when.value = early - ahead;
  goalFor(state, motion, rules, look, from);
  when.value = early - state.ahead;
  goalFor(state, motion, rules, look, to);
  state.goalX = to.x;
  state.goalY = to.y;
  // As every ease does (see `Decay`): a target that moves evenly in the step is lagged behind by a share of its way.
  ease.take(state.halfLife);
  ease.over(pace);
  const { remaining, lag } = ease;
  const offX = (stays.x - from.x) * remaining - (to.x - from.x) * lag;
  const offY = (stays.y - from.y) * remaining - (to.y - from.y) * lag;
  const small = LENGTH_TOLERANCE * motion.span;
  const moves = velocityX !== 0 || velocityY !== 0;
  const isThere = !moves && Math.abs(offX) < small && Math.abs(offY) < small;
  putFocus(motion, rules, look, isThere ? to.x : to.x + offX, isThere ? to.y : to.y + offY);
  // A target that is still on the move keeps it under way while it is outside; one that stands, until it has been come to.
  state.underWay = moves
    ? isOutside(state, shows) || Math.abs(offX) + Math.abs(offY) >= small
    : !isThere && !stands(state, motion, small * (1 - remaining));
  locate(state, motion, rules, look);
}

/** The screen line on which it shows lies less than `REACH` spans beyond the focus. */
function isInReach({ v }: Following, { sinPitch, cosPitch, widening }: Look): boolean {
  return v > BEHIND && v + REACH * (sinPitch + widening * v * cosPitch) > 0;
}

/** The bounds let it come no nearer: it moves by less than it would with less than the tolerance to go. */
function stands({ focusX, focusY }: Following, { x, y }: Motion, least: number): boolean {
  return Math.abs(x - focusX) + Math.abs(y - focusY) <= least;
}

/** Sets `out` to the nearest focus with which the target is inside its zone, `when` after its last sample. */
function goalFor(state: Following, motion: Motion, rules: Rules, look: Look, out: Point): void {
  target.x = state.x + state.velocityX * when.value;
  target.y = state.y + state.velocityY * when.value;
  project(motion, rules, look, target);
  enter(state, shows);
  focusFor(motion, rules, look, inside, out);
}

/** What is nearer to the eye than this counts as behind it, in spans. */
const NEAREST = 1e-3;
const BEHIND = -1e9;

/** Sets `shows`: where a point of the ground shows, in safe-frame heights from the middle; far above where it does not. */
function project(motion: Motion, rules: Rules, look: Look, at: Readonly<Point>): void {
  const { sinHeading, cosHeading, sinPitch, cosPitch, widening } = look;
  const east = at.x - motion.x;
  const south = at.y - motion.y;
  findRise(motion, rules, at);
  const right = east * cosHeading + south * sinHeading;
  const toward = south * cosHeading - east * sinHeading;
  const depth = motion.span - widening * (toward * cosPitch + rise.value * sinPitch);
  shows.x = right / depth;
  shows.y = (toward * sinPitch - rise.value * cosPitch) / depth;
  if (depth > NEAREST * motion.span) return;
  shows.x = 0;
  shows.y = BEHIND;
}

/** Sets `rise`: how much higher than the focus the ground is somewhere. */
function findRise({ level }: Motion, { terrain }: Rules, at: Readonly<Point>): void {
  if (terrain === null) rise.value = 0;
  else rise.value = terrain.heightAt(at.x, at.y) - level;
}

/** Sets `out` to the focus with which `target` shows at a place. */
function focusFor(motion: Motion, rules: Rules, look: Look, place: Readonly<Point>, out: Point): void {
  findRise(motion, rules, target);
  sight.u = place.x;
  sight.v = place.y;
  sight.span = motion.span;
  sight.rise = rise.value;
  look.meetAlong(sight);
  out.x = target.x - look.meetX;
  out.y = target.y - look.meetY;
}

/** Sets `inside` to the place in the zone nearest to another. */
function enter({ middleU, middleV, zoneWidth, zoneHeight, round }: Following, place: Readonly<Point>): void {
  const right = place.x - middleU;
  const down = Math.max(place.y, BEHIND) - middleV;
  if (round) {
    const far = Math.sqrt(right * right + down * down);
    const share = far > zoneWidth ? zoneWidth / far : 1;
    inside.x = middleU + right * share;
    inside.y = middleV + down * share;
    return;
  }
  inside.x = middleU + Math.min(Math.max(right, -zoneWidth), zoneWidth);
  inside.y = middleV + Math.min(Math.max(down, -zoneHeight), zoneHeight);
}

function isOutside(state: Following, place: Readonly<Point>): boolean {
  enter(state, place);
  return Math.abs(place.x - inside.x) + Math.abs(place.y - inside.y) > LENGTH_TOLERANCE;
}

const shows = new ScratchPoint();
const inside = new ScratchPoint();
/** Of the target: where it is, and where it is held on the screen. */
const target = new ScratchPoint();
const held = new ScratchPoint();
const stays = new ScratchPoint();
const from = new ScratchPoint();
const to = new ScratchPoint();
const ease = new Decay();
/** Seconds after the last sample. */
const when = new Cell();
/** How much higher than the focus the ground is. */
const rise = new Cell();
const sight = new Sight();
