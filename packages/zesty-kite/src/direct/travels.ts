/** The mover of journeys: span, heading, pitch, lens and focus go along a path together. */
import type { HeadingLimits, Motion, Mover } from '../motion/index.ts';
import { maybe, maybeNumber, number, oneOf, coordinate, span, type SignalsOf } from '../signals/index.ts';
import { nearestCopy, nearestTo } from '../view/index.ts';
import { eased, EASES, PEAK } from './ease.ts';
import { Journey, pathOf, type Arrival, type Destination, type Plan, type Stage } from './journey.ts';
import { lengthsOf, shareAt } from './lengths.ts';
import { goOn } from './onTheWay.ts';
import { resolvePlacement } from './resolvePlacement.ts';
import { ENDED_BY_ALL, standStill, takeOver } from './takeOver.ts';

export const WAYS = ['shortest', 'straight', 'cut'] as const;
const FARTHEST = 1e12;

const onGround = coordinate(FARTHEST);
const seconds = number(0, 3600);

const signals = {
  travel: {
    id: number(0),
    x: maybe(onGround),
    y: maybe(onGround),
    height: maybeNumber(-FARTHEST, FARTHEST),
    span,
    heading: maybeNumber(-1e6, 1e6),
    pitch: maybeNumber(0, 90),
    way: oneOf(WAYS),
    speed: number(1e-3, 1e3),
    minSeconds: seconds,
    maxSeconds: seconds,
    ease: oneOf(EASES),
  },
  travelTarget: { id: number(0), x: onGround, y: onGround },
  travelEnd: { id: number(0) },
};
type TravelSignal = Extract<SignalsOf<typeof signals>, { readonly kind: 'travel' }>;

export const travels: Mover<Motion, Journey, SignalsOf<typeof signals>> = {
  name: 'travel',
  label: 'travel',
  interruptions: ENDED_BY_ALL,
  signals,
  takesOver: ['travel'],
  createState: () => new Journey(),
  isUnderWay: ({ plan }) => plan !== null,
  interrupt: (journey, motion, _, cause) => {
    if (journey.plan === null) return;
    journey.over(cause === 'mover' ? 'replaced' : 'interrupted', cause);
    standStill(motion);
  },
  restore: (journey) => {
    const { plan } = journey;
    if (plan !== null) journey.plan = { ...plan, path: pathOf(plan.course, plan.from, plan.to) };
  },
  receive: (journey, motion, signal) => {
    if (signal.kind === 'travel') setOut(journey, motion, signal);
    else if (signal.id !== journey.plan?.id) return;
    else if (signal.kind === 'travelEnd') {
      journey.over('ended', null);
      standStill(motion);
    } else {
      const { periodX = 0, periodY = 0 } = motion.constraints.ground;
      journey.movedX = nearestCopy(signal.x - journey.plan.to.x, periodX);
      journey.movedY = nearestCopy(signal.y - journey.plan.to.y, periodY);
    }
  },
  aim: (journey, motion, seconds) => {
    const { plan } = journey;
    if (plan === null) return;
    journey.elapsed += seconds;
    if (journey.elapsed < plan.seconds) {
      const part = eased(plan.ease, journey.elapsed / plan.seconds);
      goOn(plan, shareAt(plan.lengths, part), motion, journey.movedX, journey.movedY);
    } else arrive(journey, plan, motion);
  },
  finish: ({ plan, movedX, movedY }, { focus }) => {
    if (plan === null) return;
    focus.x = focus.rawX = plan.to.x + movedX;
    focus.y = focus.rawY = plan.to.y + movedY;
  },
};

/** Takes the journey up from what is shown, to the nearest that is allowed. */
function setOut(journey: Journey, motion: Motion, signal: TravelSignal): void {
  const { id, way, ease, speed, minSeconds, maxSeconds } = signal;
  if (motion.hold.fingers > 0) {
    journey.endListeners.get(id)?.({ outcome: 'refused', by: 'drag', limitedBy: [], peakSpeed: 0 });
    journey.endListeners.delete(id);
    return;
  }
  takeOver(motion);
  const there = motion.copy();
  resolvePlacement(there, motion, signal);
  const { zoom, turn, tilt, lens, insets, constraints } = motion;
  const { periodX, periodY } = constraints.ground;
  const from = stageOf(motion);
  const named = stageOf(there);
  const to = {
    ...named,
    x: nearestTo(from.x, named.x, periodX),
    y: nearestTo(from.y, named.y, periodY),
    heading: named.heading + shortTurn(constraints.turn, from.heading, named.heading),
  };
  const course = { isStraight: way === 'straight', maxSpan: motion.zooming.max };
  const path = pathOf(course, from, to);
  // From here on kept motion has this destination.
  zoom.copyFrom(there.zoom);
  zoom.shown = zoom.eased = from.span;
  motion.question = there.question;
  tilt.offset = there.tilt.offset;
  turn.goal = to.heading;
  turn.remaining = 0;
  turn.isStep = tilt.isActive = lens.isActive = tilt.isTilted = false;
  const along = { path, from, to, wantedSpan: zoom.wanted };
  const atOnce = way === 'cut' || constraints.settings.reducedMotion;
  const lengths = atOnce ? [] : lengthsOf(along, motion);
  const peak = PEAK[ease] * (lengths.at(-1) ?? 0);
  const seconds = atOnce ? 0 : Math.min(Math.max(peak / speed, minSeconds), Math.max(minSeconds, maxSeconds));
  const limitedBy = limitsOf(signal, there);
  journey.plan = {
    ...along,
    id,
    course,
    lengths,
    ease,
    seconds,
    limitedBy,
    peakSpeed: seconds > 0 ? peak / seconds : 0,
  };
  journey.elapsed = journey.movedX = journey.movedY = 0;
  if (seconds > 0) return;
  arrive(journey, journey.plan, motion);
  motion.markGroundStale();
  if (insets.isActive) motion.easeLook();
}

function stageOf(motion: Motion): Stage {
  const { focus, span, heading, pitch, fieldOfView } = motion;
  return {
    x: focus.rawX,
    y: focus.rawY,
    span,
    heading,
    pitch,
    fieldOfView,
    tilt: pitch - motion.curvePitch(span),
    lensOffset: fieldOfView - motion.fieldOfViewAt(span),
    pitchFar: motion.tilt.isFar,
    lensFar: motion.lens.isFar,
  };
}

/** Whole turns to add to a heading, so that it is the short way there, if the range allows it. */
function shortTurn({ min, max }: HeadingLimits, from: number, to: number): number {
  const turns = 360 * Math.round((from - to) / 360);
  return to + turns >= min && to + turns <= max ? turns : 0;
}

/** The limits that changed `there`. */
function limitsOf({ x, y, span, heading, pitch }: Destination, there: Motion): Arrival['limitedBy'] {
  const { periodX = 0, periodY = 0 } = there.constraints.ground;
  const offX = x === undefined ? 0 : nearestCopy(there.x - x, periodX);
  const offY = y === undefined ? 0 : nearestCopy(there.y - y, periodY);
  const turned = heading === undefined ? 0 : there.heading - heading;
  const limits: Arrival['limitedBy'][number][] = [];
  if (Math.abs(offX) + Math.abs(offY) > SAME * there.span) limits.push('bounds');
  if (span !== undefined && Math.abs(there.span / there.zooming.spanOf(span, pitch) - 1) > SAME) limits.push('zoom');
  if (Math.abs(turned - 360 * Math.round(turned / 360)) > SAME) limits.push('turn');
  if (pitch !== undefined && Math.abs(there.pitch - pitch) > SAME) limits.push('tilt');
  return limits;
}

/** Values that differ by less are the same: spans, shares, degrees. */
const SAME = 1e-9;

/** Sets the pose at the end: that of a placing, to the bit. */
function arrive(journey: Journey, { to }: Plan, motion: Motion): void {
  const { movedX, movedY } = journey;
  const { focus, zoom, turn, tilt, lens, insets, zooming } = motion;
  tilt.isFar = to.pitchFar;
  lens.isFar = to.lensFar;
  motion.question = null;
  zooming.findGoal();
  zoom.finish();
  turn.shown = to.heading;
  motion.flipSwitches();
  motion.arriveAt(zoom.eased);
  tilt.isActive = lens.isActive = insets.isActive;
  motion.focusing.putAt(to.x + movedX, to.y + movedY);
  focus.rawX = to.x + movedX;
  focus.rawY = to.y + movedY;
  journey.over('arrived', null);
  motion.findMoving();
}
