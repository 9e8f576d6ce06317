/** The mover of journeys: span, heading, pitch, lens and focus go along a path together. */
import { ANYWHERE, keepInside } from '../limits/index.ts';
import {
  askAnew,
  fieldOfViewAt,
  findMoving,
  flipSwitches,
  maxSpan,
  minSpan,
  Motion,
  pitchAsked,
  pitchAt,
  setPitch,
  stopTurn,
  stopZoom,
  type Mover,
  type Rules,
} from '../motion/index.ts';
import { maybe, maybeNumber, number, oneOf, place } from '../signals/index.ts';
import { Look, nearestCopy, ScratchPoint, type Point } from '../view/index.ts';
import { eased, EASES, PEAK, type Ease } from './ease.ts';
import { Journey, type Arrival, type Destination, type Stage } from './journey.ts';
import { stand } from './stand.ts';
import { ENDED_BY_ALL, takeOver } from './takeOver.ts';
import { RHO, shortestPath, StraightPath, type Path, type PathPoint } from './path.ts';

export const WAYS = ['shortest', 'straight', 'cut'] as const;
const FARTHEST = 1e12;
const RADIANS = 0.017453292519943295;

export interface TravelSignal extends Destination {
  readonly kind: 'travel';
  readonly id: number;
  readonly way: (typeof WAYS)[number];
  readonly speed: number;
  readonly minSeconds: number;
  readonly maxSeconds: number;
  readonly ease: Ease;
}

export interface TargetSignal extends Point {
  readonly kind: 'travelTarget';
  readonly id: number;
}

export interface EndSignal {
  readonly kind: 'travelEnd';
  readonly id: number;
}

const coordinate = place(FARTHEST);
const seconds = number(0, 3600);

export const travels: Mover<Rules, Journey> = {
  name: 'travel',
  column: 'travel',
  endedBy: ENDED_BY_ALL,
  signals: {
    travel: {
      id: number(0),
      x: maybe(coordinate),
      y: maybe(coordinate),
      span: maybeNumber(1e-6, FARTHEST),
      heading: maybeNumber(-1e6, 1e6),
      pitch: maybeNumber(0, 90),
      way: oneOf(WAYS),
      speed: number(1e-3, 1e3),
      minSeconds: seconds,
      maxSeconds: seconds,
      ease: oneOf(EASES),
    },
    travelTarget: { id: number(0), x: coordinate, y: coordinate },
    travelEnd: { id: number(0) },
  },
  keep: () => new Journey(),
  isUnderWay: ({ path }) => path !== null,
  end: (journey, motion, effect, cause, rules, look) => {
    if (journey.path === null) return;
    journey.over(cause === 'mover' ? 'replaced' : 'interrupted', cause);
    stay(motion, rules, look);
  },
  hear: (journey, motion, rules, look, signal) => {
    const heard = signal as TravelSignal | TargetSignal | EndSignal;
    if (heard.kind === 'travel') setOut(journey, motion, rules, look, heard);
    else if (heard.id !== journey.id || journey.path === null) return;
    else if (heard.kind === 'travelEnd') {
      journey.over('ended', null);
      stay(motion, rules, look);
      findMoving(motion, rules);
    } else {
      journey.movedX = nearestCopy(heard.x - journey.to.x, rules.ground.periodX ?? 0);
      journey.movedY = nearestCopy(heard.y - journey.to.y, rules.ground.periodY ?? 0);
    }
  },
  aim: (journey, motion, pace, rules, look) => {
    const { path } = journey;
    if (path === null) return;
    journey.elapsed += pace.seconds;
    if (journey.elapsed < journey.seconds) goOn(journey, path, motion, rules, look);
    else arrive(journey, motion, rules);
    putFocus(motion, rules, look);
  },
  finish: ({ to, movedX, movedY }, motion) => {
    motion.panX += to.x + movedX - motion.x;
    motion.panY += to.y + movedY - motion.y;
    motion.pitch = to.pitch;
    motion.fieldOfView = to.fieldOfView;
  },
};

/** The camera stops where it is. */
function stay(motion: Motion, rules: Rules, look: Look): void {
  stopZoom(motion, rules, look);
  stopTurn(motion, rules);
  setPitch(motion, rules, motion.pitch);
  askAnew(motion, rules, look);
  motion.easing = motion.tilting = true;
}

/** Takes the journey up from what is shown, to the nearest that is allowed. */
function setOut(journey: Journey, motion: Motion, rules: Rules, look: Look, signal: TravelSignal): void {
  const { id, way, ease, speed, minSeconds, maxSeconds } = signal;
  if (motion.fingers > 0) {
    journey.tells.get(id)?.({ outcome: 'refused', by: 'drag', limitedBy: [], peakSpeed: 0 });
    journey.tells.delete(id);
    return;
  }
  takeOver(motion, rules, look);
  stand(there, lookThere, motion, rules, signal);
  const { from, to } = journey;
  const { periodX = 0, periodY = 0 } = rules.ground;
  take(from, motion, rules, look);
  take(to, there, rules, lookThere);
  if (periodX > 0) to.x = from.x + nearestCopy(to.x - from.x, periodX);
  if (periodY > 0) to.y = from.y + nearestCopy(to.y - from.y, periodY);
  to.heading += shortTurn(rules, from.heading, to.heading);
  const goX = to.x - from.x;
  const goY = to.y - from.y;
  const distance = Math.sqrt(goX * goX + goY * goY);
  const path =
    way === 'straight'
      ? new StraightPath(distance, from.span, to.span)
      : shortestPath(distance, from.span, to.span, maxSpan(rules, look));
  // Half a screen from the middle, a turn of the map goes half as fast as the angle in radians grows.
  const turned = ((Math.abs(to.heading - from.heading) + Math.abs(to.pitch - from.pitch)) * RADIANS) / 2;
  const peak = PEAK[ease] * (path.length / RHO + turned);
  const atOnce = way === 'cut' || rules.settings.reducedMotion;
  journey.path = path;
  journey.id = id;
  journey.ease = ease;
  journey.seconds = atOnce ? 0 : Math.min(Math.max(peak / speed, minSeconds), Math.max(minSeconds, maxSeconds));
  journey.elapsed = journey.movedX = journey.movedY = 0;
  journey.limitedBy = limitsOf(signal, rules);
  journey.peakSpeed = journey.seconds > 0 ? peak / journey.seconds : 0;
  motion.goalSpan = there.goalSpan;
  motion.wantedSpan = journey.wantedSpan = there.wantedSpan;
  motion.goalHeading = to.heading;
  motion.zoomRemaining = motion.turnRemaining = motion.notches = 0;
  motion.stepping = motion.tilting = motion.tilted = false;
  motion.easing = motion.framing;
  if (journey.seconds === 0) {
    arrive(journey, motion, rules);
    putFocus(motion, rules, look);
    motion.groundStale = rules.terrain !== null;
    motion.easing ||= motion.groundStale;
  } else findMoving(motion, rules);
}

/** Puts the focus at `spot`, inside the bounds. */
function putFocus(motion: Motion, rules: Rules, look: Look): void {
  look.turn(motion);
  keepInside(rules.boundary, look, motion, spot, ANYWHERE, motion);
}

function take(out: Stage, motion: Motion, rules: Rules, look: Look): void {
  const { x, y, span, heading, pitch, fieldOfView } = motion;
  out.x = x;
  out.y = y;
  out.span = span;
  out.heading = heading;
  out.pitch = pitch;
  out.fieldOfView = fieldOfView;
  out.tilt = pitch - pitchAsked(motion, rules, span);
  out.widening = fieldOfView - fieldOfViewAt(motion, rules, look, span);
}

/** Whole turns to add to a heading, so that it is the short way there, where the range lets it. */
function shortTurn({ minHeading, maxHeading }: Rules, from: number, to: number): number {
  const turns = 360 * Math.round((from - to) / 360);
  return to + turns >= minHeading && to + turns <= maxHeading ? turns : 0;
}

/** What kept `there` from being what was asked for. */
function limitsOf({ x, y, span, heading, pitch }: Destination, rules: Rules): Arrival['limitedBy'] {
  const { periodX = 0, periodY = 0 } = rules.ground;
  const offX = x === undefined ? 0 : nearestCopy(there.x - x, periodX);
  const offY = y === undefined ? 0 : nearestCopy(there.y - y, periodY);
  const turned = heading === undefined ? 0 : there.heading - heading;
  const limits: Arrival['limitedBy'][number][] = [];
  if (Math.abs(offX) + Math.abs(offY) > SAME * there.span) limits.push('bounds');
  if (span !== undefined && Math.abs(there.span / span - 1) > SAME) limits.push('zoom');
  if (Math.abs(turned - 360 * Math.round(turned / 360)) > SAME) limits.push('turn');
  if (pitch !== undefined && Math.abs(there.pitch - pitch) > SAME) limits.push('tilt');
  return limits;
}

/** What differs by less is the same: spans, shares, degrees. */
const SAME = 1e-9;
const there = new Motion();
const lookThere = new Look();
const spot = new ScratchPoint();
const point: PathPoint = { along: -0, span: NaN };

/** Sets the pose on the way, and `spot` to where the focus is. */
function goOn(journey: Journey, path: Path, motion: Motion, rules: Rules, look: Look): void {
  const { from, to, elapsed, seconds, ease, movedX, movedY, wantedSpan } = journey;
  const share = eased(ease, elapsed / seconds);
  path.at(share, point);
  const gone = path.distance > 0 ? point.along / path.distance : share;
  spot.x = from.x + (to.x - from.x) * gone + movedX * share;
  spot.y = from.y + (to.y - from.y) * gone + movedY * share;
  const span = point.span * (motion.wantedSpan / wantedSpan);
  motion.span = Math.min(Math.max(span, minSpan(rules, look)), maxSpan(rules, look));
  motion.heading = from.heading + (to.heading - from.heading) * share;
  // Along curves pitch and lens follow the span; through a switch they would jump.
  const { pitch, lens } = rules;
  flipSwitches(motion, rules);
  const asked =
    pitch.outAbove < Infinity
      ? between(from.pitch, to.pitch, share)
      : pitchAsked(motion, rules, motion.span) + between(from.tilt, to.tilt, share);
  setPitch(motion, rules, asked);
  motion.pitch = motion.askedPitch = pitchAt(motion, rules, motion.span);
  motion.fieldOfView =
    lens !== null && lens.outAbove < Infinity
      ? between(from.fieldOfView, to.fieldOfView, share)
      : fieldOfViewAt(motion, rules, look, motion.span) + between(from.widening, to.widening, share);
}

function between(from: number, to: number, share: number): number {
  return from + (to - from) * share;
}

/** Sets the pose at the end, to the bit. */
function arrive(journey: Journey, motion: Motion, rules: Rules): void {
  const { to, movedX, movedY, wantedSpan } = journey;
  motion.span = to.span * (motion.wantedSpan / wantedSpan);
  motion.heading = to.heading;
  flipSwitches(motion, rules);
  setPitch(motion, rules, to.pitch);
  motion.pitch = motion.askedPitch = to.pitch;
  motion.fieldOfView = motion.askedLens = to.fieldOfView;
  // After a panel or another screen the curves ask for something else.
  motion.easing = motion.tilting = motion.wantedSpan !== wantedSpan || motion.framing;
  spot.x = to.x + movedX;
  spot.y = to.y + movedY;
  journey.over('arrived', null);
  findMoving(motion, rules);
}
