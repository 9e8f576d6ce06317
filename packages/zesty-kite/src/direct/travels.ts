/** The mover of journeys: span, heading, pitch, lens and focus go along a path together. */
import { maxSpanAt } from '../limits/index.ts';
import { clamp, exp2, log2 } from '../math/index.ts';
import {
  arriveAt,
  fieldOfViewAt,
  findGoal,
  findMoving,
  finishZoom,
  flipSwitches,
  keepInRange,
  maxSpan,
  Motion,
  pitchAsked,
  pitchAt,
  putFocus,
  type Mover,
  type Rules,
} from '../motion/index.ts';
import { maybe, maybeNumber, number, oneOf, place } from '../signals/index.ts';
import { Look, nearestCopy, type Point } from '../view/index.ts';
import { eased, EASES, PEAK, type Ease } from './ease.ts';
import { Journey, Stage, type Arrival, type Destination } from './journey.ts';
import { stand } from './stand.ts';
import { ENDED_BY_ALL, standStill, takeOver } from './takeOver.ts';
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
  takesOver: ['travel'],
  keep: () => new Journey(),
  isUnderWay: ({ path }) => path !== null,
  end: (journey, motion, effect, cause, rules, look) => {
    if (journey.path === null) return;
    journey.over(cause === 'mover' ? 'replaced' : 'interrupted', cause);
    standStill(motion, rules, look);
  },
  hear: (journey, motion, rules, look, signal) => {
    const heard = signal as TravelSignal | TargetSignal | EndSignal;
    if (heard.kind === 'travel') setOut(journey, motion, rules, look, heard);
    else if (heard.id !== journey.id || journey.path === null) return;
    else if (heard.kind === 'travelEnd') {
      journey.over('ended', null);
      standStill(motion, rules, look);
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
    else arrive(journey, motion, rules, look);
  },
  finish: ({ path, to, movedX, movedY }, motion) => {
    if (path === null) return;
    motion.panX += to.x + movedX - motion.x;
    motion.panY += to.y + movedY - motion.y;
  },
};

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
  journey.path = path;
  journey.id = id;
  journey.ease = ease;
  journey.elapsed = journey.movedX = journey.movedY = 0;
  journey.limitedBy = limitsOf(signal, rules);
  // From here on kept motion wants to be there.
  motion.tilt = there.tilt;
  motion.wantedSpan = journey.wantedSpan = there.wantedSpan;
  motion.goalSpan = there.goalSpan;
  motion.question.copyFrom(there.question);
  motion.goalHeading = to.heading;
  motion.zoomRemaining = motion.turnRemaining = motion.notches = 0;
  motion.stepping = motion.tilting = motion.tilted = false;
  motion.easing = motion.framing;
  const peak = peakOf(journey, path, motion, rules);
  const atOnce = way === 'cut' || rules.settings.reducedMotion;
  journey.seconds = atOnce ? 0 : Math.min(Math.max(peak / speed, minSeconds), Math.max(minSeconds, maxSeconds));
  journey.elapsed = 0;
  journey.peakSpeed = journey.seconds > 0 ? peak / journey.seconds : 0;
  if (journey.seconds === 0) {
    arrive(journey, motion, rules, look);
    motion.groundStale = rules.terrain !== null;
    motion.easing ||= motion.groundStale;
  } else findMoving(motion, rules);
}

/** How far the picture would move, in screen heights, were it to go on at its fastest moment. */
function peakOf(journey: Journey, path: Path, motion: Motion, rules: Rules): number {
  const { from, to, ease } = journey;
  // Half a screen from the middle, a turn of the map goes half as fast as the angle in radians grows.
  const turned = ((Math.abs(to.heading - from.heading) + Math.abs(to.pitch - from.pitch)) * RADIANS) / 2;
  const planned = PEAK[ease] * (path.length / RHO + turned);
  if (rules.settings.bounds === null) return planned;
  // Bounds push the view off the path, now and then for a moment: all of it is looked at, and the fastest part more closely.
  tried.copyFrom(motion);
  journey.seconds = 1;
  let fastest = 0;
  let where = 0;
  for (let part = 0; part < PARTS; part++) {
    const speed = speedBetween(journey, path, tried, rules, part / PARTS, (part + 1) / PARTS, 1);
    if (speed > fastest) {
      fastest = speed;
      where = part;
    }
  }
  const around = speedBetween(journey, path, tried, rules, (where - 1) / PARTS, (where + 2) / PARTS, PARTS / 4);
  return Math.max(planned, fastest, around);
}

/** Parts of a way along bounds that are looked at. */
const PARTS = 256;
const LN2 = 0.6931471805599453;
const tried = new Motion();

/** How fast the picture moves at most in steps from one share of the time to another, screen heights in all of the time. */
function speedBetween(
  journey: Journey,
  path: Path,
  motion: Motion,
  rules: Rules,
  from: number,
  to: number,
  steps: number,
): number {
  let most = 0;
  for (let step = 0; step <= steps; step++) {
    const { x, y, span, heading, pitch } = motion;
    journey.elapsed = clamp(from + ((to - from) * step) / steps, 0, 1);
    goOn(journey, path, motion, rules, lookThere);
    if (step === 0) continue;
    const moved = ((motion.x - x) * (motion.x - x) + (motion.y - y) * (motion.y - y)) / (motion.span * span);
    const zoomed = (log2(motion.span / span) * LN2) / 2;
    const angle = ((Math.abs(motion.heading - heading) + Math.abs(motion.pitch - pitch)) * RADIANS) / 2;
    most = Math.max(most, Math.sqrt(moved + zoomed * zoomed) + angle);
  }
  return (most * steps) / (to - from);
}

function take(out: Stage, motion: Motion, rules: Rules, look: Look): void {
  const { rawX, rawY, span, heading, pitch, fieldOfView } = motion;
  out.x = rawX;
  out.y = rawY;
  out.span = span;
  out.heading = heading;
  out.pitch = pitch;
  out.fieldOfView = fieldOfView;
  out.tilt = pitch - pitchAsked(motion, rules, span);
  out.widening = fieldOfView - fieldOfViewAt(motion, rules, look, span);
  out.pitchFar = motion.pitchFar;
  out.lensFar = motion.lensFar;
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
const point: PathPoint = { along: -0, span: NaN };

/** Sets the pose on the way. */
function goOn(journey: Journey, path: Path, motion: Motion, rules: Rules, look: Look): void {
  const { from, to, elapsed, seconds, ease, movedX, movedY, wantedSpan } = journey;
  const share = eased(ease, elapsed / seconds);
  path.at(share, point);
  const gone = path.distance > 0 ? point.along / path.distance : share;
  // Panels and other screens scale all spans; other limits, where it goes in the end.
  const scale = motion.wantedSpan / wantedSpan;
  const otherGoal = motion.goalSpan / (to.span * scale);
  motion.easedSpan = point.span * scale * (otherGoal === 1 ? 1 : exp2(share * log2(otherGoal)));
  motion.zoomRemaining = 0;
  motion.heading = from.heading + (to.heading - from.heading) * share;
  motion.pitchFar = to.pitchFar;
  motion.lensFar = to.lensFar;
  keepInRange(motion, rules, look);
  // Along curves pitch and lens follow the span; through a switch they would jump.
  const { pitch, lens, minPitch, maxPitch } = rules;
  const asked =
    pitch.outAbove < Infinity
      ? between(from.pitch, pitchAt(motion, rules, motion.goalSpan), share)
      : pitchAsked(motion, rules, motion.easedSpan) + between(from.tilt, motion.tilt, share);
  motion.pitch = motion.askedPitch = clamp(asked, minPitch, maxPitch);
  motion.fieldOfView =
    lens !== null && lens.outAbove < Infinity
      ? between(from.fieldOfView, fieldOfViewAt(motion, rules, look, motion.goalSpan), share)
      : fieldOfViewAt(motion, rules, look, motion.easedSpan) + between(from.widening, 0, share);
  motion.askedLens = motion.fieldOfView;
  const x = from.x + (to.x - from.x) * gone + movedX * share;
  const y = from.y + (to.y - from.y) * gone + movedY * share;
  // On the way the zoom gives way to the bounds, down to what the ends would have there, and the focus goes straight on.
  look.turn(motion);
  const fits = maxSpanAt(rules.boundary, look, x, y, motion.easedSpan);
  const straight = between(from.span * scale, motion.goalSpan, gone);
  motion.easedSpan = Math.min(motion.easedSpan, Math.max(fits, straight));
  keepInRange(motion, rules, look);
  putFocus(motion, rules, look, x, y);
}

function between(from: number, to: number, share: number): number {
  return from + (to - from) * share;
}

/** Sets the pose at the end: that of a placing, to the bit. */
function arrive(journey: Journey, motion: Motion, rules: Rules, look: Look): void {
  const { to, movedX, movedY } = journey;
  motion.pitchFar = to.pitchFar;
  motion.lensFar = to.lensFar;
  motion.question.forget();
  findGoal(motion, rules);
  finishZoom(motion);
  motion.heading = to.heading;
  flipSwitches(motion, rules);
  arriveAt(motion, rules, look, motion.easedSpan);
  motion.easing = motion.tilting = motion.framing;
  putFocus(motion, rules, look, to.x + movedX, to.y + movedY);
  motion.rawX = to.x + movedX;
  motion.rawY = to.y + movedY;
  journey.over('arrived', null);
  findMoving(motion, rules);
}
