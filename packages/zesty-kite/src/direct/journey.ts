/** The state of a journey: span, heading, pitch, lens and focus go along a path together. */
import type { HeadingLimits, Motion, Part } from '../motion/index.ts';
import { nearestCopy, nearestTo, type Point } from '../view/index.ts';
import { eased, PEAK } from './ease.ts';
import { lengthsOf, shareAt } from './lengths.ts';
import { goOn } from './onTheWay.ts';
import { resolvePlacement } from './resolvePlacement.ts';
import { copyOf, standStill, takeOver } from './takeOver.ts';
import type { TravelSignal } from './travelSignals.ts';
import { pathOf, stageOf, type Arrival, type Destination, type Plan } from './way.ts';

/** Values that differ by less are the same: spans, shares, degrees. */
const SAME = 1e-9;

export class Journey implements Part {
  /** Null while it stays. */
  plan: Plan | null = null;
  elapsed = -0;
  /** How far the target has moved since it set off. */
  movedX = -0;
  movedY = -0;
  /** Callbacks for the end of each journey. Frames have none. */
  readonly endListeners = new Map<number, (arrival: Arrival) => void>();
  /** Counts the calls. */
  last = -0;
  readonly #motion: Motion;

  constructor(motion: Motion) {
    this.#motion = motion;
  }

  copyFrom(other: Journey): void {
    this.plan = other.plan;
    this.elapsed = other.elapsed;
    this.movedX = other.movedX;
    this.movedY = other.movedY;
  }

  restore(): void {
    const { plan } = this;
    if (plan !== null) this.plan = { ...plan, path: pathOf(plan.course, plan.from, plan.to) };
  }

  /** Takes the journey up from what is shown, to the nearest that is allowed. */
  begin(signal: TravelSignal): void {
    const { id, way, ease, speed, minSeconds, maxSeconds } = signal;
    const motion = this.#motion;
    if (motion.hold.fingers > 0) {
      this.#end(id, { outcome: 'refused', by: 'drag', limitedBy: [], peakSpeed: 0 });
      return;
    }
    takeOver(motion);
    const there = copyOf(motion);
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
    const peakSpeed = seconds > 0 ? peak / seconds : 0;
    const plan = { ...along, id, course, lengths, ease, seconds, limitedBy: limitsOf(signal, there), peakSpeed };
    this.plan = plan;
    this.elapsed = this.movedX = this.movedY = 0;
    if (seconds > 0) return;
    this.#arrive(plan);
    motion.markGroundStale();
    if (insets.isActive) motion.easeLook();
  }

  /** The target is somewhere else now. */
  moveTarget({ to }: Plan, { x, y }: Point): void {
    const { periodX = 0, periodY = 0 } = this.#motion.constraints.ground;
    this.movedX = nearestCopy(x - to.x, periodX);
    this.movedY = nearestCopy(y - to.y, periodY);
  }

  /** Goes on by a step. */
  aim(plan: Plan, seconds: number): void {
    this.elapsed += seconds;
    if (this.elapsed < plan.seconds) {
      const part = eased(plan.ease, this.elapsed / plan.seconds);
      goOn(plan, shareAt(plan.lengths, part), this.#motion, this.movedX, this.movedY);
    } else this.#arrive(plan);
  }

  finish({ to }: Plan): void {
    const { focus } = this.#motion;
    focus.x = focus.rawX = to.x + this.movedX;
    focus.y = focus.rawY = to.y + this.movedY;
  }

  /** Ends it where it is. */
  stop(outcome: Arrival['outcome'], by: Arrival['by']): void {
    this.#over(outcome, by);
    standStill(this.#motion);
  }

  /** Sets the pose at the end: that of a placing, to the bit. */
  #arrive(plan: Plan): void {
    const motion = this.#motion;
    const { zoom, turn, tilt, lens, insets, zooming, focusing } = motion;
    tilt.isFar = plan.to.pitchFar;
    lens.isFar = plan.to.lensFar;
    motion.question = null;
    zooming.findGoal();
    zoom.finish();
    turn.shown = plan.to.heading;
    motion.flipSwitches();
    motion.arriveAt(zoom.eased);
    tilt.isActive = lens.isActive = insets.isActive;
    focusing.putAt(plan.to.x + this.movedX, plan.to.y + this.movedY);
    this.finish(plan);
    this.#over('arrived', null);
    motion.findMoving();
  }

  #over(outcome: Arrival['outcome'], by: Arrival['by']): void {
    const { id = NaN, limitedBy = [], peakSpeed = 0 } = this.plan ?? {};
    this.plan = null;
    this.#end(id, { outcome, by, limitedBy, peakSpeed });
  }

  #end(id: number, arrival: Arrival): void {
    const listener = this.endListeners.get(id);
    this.endListeners.delete(id);
    listener?.(arrival);
  }
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
