/**
 * The mover of following: a target is kept at a place of the screen, or in a zone around it.
 *
 * It keeps the screen position of the target, (u, v) in safe-frame heights from the middle. Zoom, turn and tilt go about the
 * target, as about a grip. Then the distance from the nearest focus with which it is inside the zone halves every half-life: a
 * target that moves evenly is followed speed · halfLife / ln 2 behind, and `lead` seconds ahead of it take that away.
 */
import { Decay } from '../math/index.ts';
import { ENDED_BY_STEERING, LENGTH_TOLERANCE, type Motion, type Mover } from '../motion/index.ts';
import { nearestTo, ScratchPoint, type Point } from '../view/index.ts';
import {
  atHeight,
  Following,
  FOLLOW_SIGNALS,
  type FollowingSignal,
  type FollowSignal,
  type SampleSignal,
} from './following.ts';
import { BEHIND, enter, isOutside, project, riseAt } from './zone.ts';

export const follows: Mover<Motion, Following, FollowingSignal> = {
  name: 'follow',
  label: 'follow',
  interruptions: {
    ...ENDED_BY_STEERING,
    drag: 'offsets',
    pinch: 'offsets',
    panKeys: 'offsets',
    wheelPan: 'offsets',
    pan: 'offsets',
    orbit: 'goesOn',
    notch: 'goesOn',
    zoomKeys: 'goesOn',
    turnKeys: 'goesOn',
    tiltKeys: 'goesOn',
    turn: 'goesOn',
    tilt: 'goesOn',
    zoom: 'goesOn',
    mover: 'replaced',
  },
  signals: FOLLOW_SIGNALS,
  createState: () => new Following(),
  isUnderWay: ({ underWay }) => underWay,
  pins: ({ request }) => request !== null,
  interrupt: (state, motion, effect, cause) => {
    if (state.request === null || (effect === 'offsets' && state.request.onPan === 'offset')) return;
    state.over(cause === 'mover' ? 'replaced' : 'interrupted', cause);
    motion.isPinned = false;
  },
  receive: (state, motion, signal) => {
    if (signal.kind === 'follow') begin(state, motion, signal);
    else if (state.request?.id !== signal.id) return;
    else if (signal.kind === 'unfollow') state.over(signal.lost ? 'lost' : 'ended', null);
    else {
      face(motion, signal.heading);
      takeSample(state, state.request, motion, signal);
    }
  },
  aim: (state, motion, seconds) => {
    const { request, underWay } = state;
    if (request === null) return;
    motion.projection.turn(motion);
    motion.hold.drop();
    noticePan(state, motion);
    holdInPlace(state, motion);
    if (seconds > 0) goOn(state, request, motion, seconds);
    else putAndLocate(state, motion, motion.focus.x, motion.focus.y);
    if (state.underWay !== underWay) motion.findMoving();
  },
  panned: (state, motion) => {
    if (state.request !== null) noticePan(state, motion);
  },
  finish: (state, motion) => {
    const { request, underWay, ahead } = state;
    if (request === null || !underWay) return;
    goalFor(state, request, motion, request.lead - ahead, to);
    motion.pan.stepX += to.x - motion.focus.x;
    motion.pan.stepY += to.y - motion.focus.y;
  },
};

function begin(state: Following, motion: Motion, request: FollowSignal): void {
  motion.interrupt('mover');
  if (!motion.pan.isDriven) motion.pan.stop();
  motion.hold.drop();
  const { periodX, periodY } = motion.constraints.ground;
  state.request = request;
  state.underWay = true;
  state.velocityX = state.velocityY = state.ahead = state.middleU = state.middleV = 0;
  state.x = nearestTo(motion.focus.x, request.x, periodX);
  state.y = nearestTo(motion.focus.y, request.y, periodY);
  face(motion, request.heading);
  locate(state, motion);
}

/** Turns, eased, the short way to a heading. */
function face({ turn, constraints, hold }: Motion, heading: number | undefined): void {
  if (heading === undefined) return;
  const degrees = heading - turn.goal;
  turn.stepBy(degrees - 360 * Math.round(degrees / 360), constraints.turn, hold.fingers);
}

function takeSample(state: Following, request: FollowSignal, motion: Motion, sample: SampleSignal): void {
  const { x, y, after, ahead, height } = sample;
  if (height !== request.height) state.request = atHeight(request, height);
  const { periodX, periodY } = motion.constraints.ground;
  const atX = nearestTo(state.x, x, periodX);
  const atY = nearestTo(state.y, y, periodY);
  state.velocityX = after > 0 ? (atX - state.x) / after : 0;
  state.velocityY = after > 0 ? (atY - state.y) / after : 0;
  state.x = atX;
  state.y = atY;
  state.ahead = ahead;
  // A velocity that has changed makes no jump: the camera goes on from where it is.
  noticePan(state, motion);
  locate(state, motion);
  if (state.underWay) return;
  // As long as it stays in the zone nothing moves.
  project(state, motion, atX + state.velocityX * request.lead, atY + state.velocityY * request.lead, shows);
  state.underWay = isOutside(state, request, motion, shows);
}

/** Sets where the target shows now, and that the focus was left here. */
function locate(state: Following, motion: Motion): void {
  const { x, y, velocityX, velocityY, ahead } = state;
  project(state, motion, x - velocityX * ahead, y - velocityY * ahead, shows);
  state.u = shows.x;
  state.v = shows.y;
  state.focusX = motion.focus.x;
  state.focusY = motion.focus.y;
}

/** A pan has moved the target on the screen: it is kept at its new place from now on. */
function noticePan(state: Following, motion: Motion): void {
  if (motion.focus.x === state.focusX && motion.focus.y === state.focusY) return;
  const { u, v } = state;
  locate(state, motion);
  state.middleU += state.u - u;
  state.middleV += state.v - v;
}

/** Zoom, turn and tilt go about the target, unless it is beyond the reach of a hand. */
function holdInPlace(state: Following, motion: Motion): void {
  const { x, y, velocityX, velocityY, ahead, u, v } = state;
  const { focus, zoom, projection } = motion;
  if (!(v > BEHIND && v > projection.reachV)) return;
  const nowX = x - velocityX * ahead;
  const nowY = y - velocityY * ahead;
  projection.meet(u, v, zoom.shown, riseAt(state, motion, nowX, nowY), shows);
  focus.x = nowX - shows.x;
  focus.y = nowY - shows.y;
}

/** Goes on by a step, from the focus that holds the target in place. */
function goOn(state: Following, request: FollowSignal, motion: Motion, seconds: number): void {
  const { velocityX, velocityY, ahead, focusX, focusY } = state;
  const { x, y } = motion.focus;
  state.ahead -= seconds;
  goalFor(state, request, motion, request.lead - ahead, from);
  goalFor(state, request, motion, request.lead - state.ahead, to);
  ease.take(motion.constraints.settings.reducedMotion ? 0 : request.halfLife);
  const { remaining, lag } = ease.over(seconds);
  const offX = (x - from.x) * remaining - (to.x - from.x) * lag;
  const offY = (y - from.y) * remaining - (to.y - from.y) * lag;
  const small = LENGTH_TOLERANCE * motion.span;
  const moves = velocityX !== 0 || velocityY !== 0;
  const off = Math.abs(offX) + Math.abs(offY);
  const isThere = !moves && off < small;
  const isOut = isOutside(state, request, motion, shows);
  putAndLocate(state, motion, isThere ? to.x : to.x + offX, isThere ? to.y : to.y + offY);
  // If bounds stop it, it moves by less than the tolerance allows; later on, the ground that is sampled there moves it by little.
  const moved = Math.abs(motion.focus.x - focusX) + Math.abs(motion.focus.y - focusY);
  const stands = moved <= small * (state.underWay ? 1 - remaining : 1);
  // A target that moves keeps it under way while it is outside; one that stands, until it is reached.
  state.underWay = moves ? isOut || off >= small : !isThere && !stands;
}

function putAndLocate(state: Following, motion: Motion, x: number, y: number): void {
  motion.focusing.putAt(x, y);
  locate(state, motion);
}

/** Sets `out` to the nearest focus with which the target is inside its zone, some seconds after its last sample. */
function goalFor(state: Following, request: FollowSignal, motion: Motion, seconds: number, out: Point): void {
  const { zoom, projection } = motion;
  const x = state.x + state.velocityX * seconds;
  const y = state.y + state.velocityY * seconds;
  project(state, motion, x, y, shows);
  enter(state, request, motion, shows, inside);
  projection.meet(inside.x, inside.y, zoom.shown, riseAt(state, motion, x, y), out);
  out.x = x - out.x;
  out.y = y - out.y;
}

const shows = new ScratchPoint();
const inside = new ScratchPoint();
const from = new ScratchPoint();
const to = new ScratchPoint();
const ease = new Decay();
