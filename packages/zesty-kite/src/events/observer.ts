/** Observes kept motion after each of its steps and each signal, so that every frame rate fires the same events. */
import type { Observer } from '../camera/index.ts';
import type { Intent, Side } from '../hands/index.ts';
import { keepInside, maxSpanInside } from '../limits/index.ts';
import type { Motion, Timeline } from '../motion/index.ts';
import type { Reports } from '../reports.ts';
import { ScratchPoint } from '../view/index.ts';
import { VisibleArrival } from './arrival.ts';
import { Listeners, type By } from './events.ts';

/** Within this of a limit is at it: spans, octaves, degrees. */
const NEAR = 1e-4;
const NEAR_DEGREES = 1e-6;
const LIMITS = ['bounds', 'zoom', 'turn', 'tilt'] as const;
/** Motions under way besides movers. */
const EASES = ['zoom', 'turn', 'tilt', 'glide'];

/** Calls of the program that move the camera. */
const MOVES = ['turn', 'tilt', 'zoom', 'pan', 'home', 'place'];

export class Watch implements Observer {
  readonly listeners = new Listeners();
  readonly #reports: Reports;
  /** Bit by bit: what was under way, and which limits it was at; below 0 before it was first looked at. */
  #underWay = 0;
  #limits = -1;
  #resting = true;
  /** At which the pointer pans. */
  #sides: readonly Side[] = [];
  #timeline: Timeline | null = null;
  #steering = false;
  #arrived = true;
  readonly #arrival = new VisibleArrival();

  constructor(reports: Reports) {
    this.#reports = reports;
  }

  /** From here on, as it is now. */
  restart(timeline: Timeline): void {
    const { kept } = timeline;
    this.listeners.clear();
    this.#timeline = timeline;
    this.#underWay = underWay(kept);
    this.#limits = -1;
    this.#resting = kept.isAtRest && !kept.isHeld;
    this.#steering = false;
    this.#arrived = this.#resting;
    this.lookAhead();
  }

  /** The limits that are reached already, for new listeners. */
  lookAhead(): void {
    if (this.#limits < 0 && this.listeners.has('limit') && this.#timeline !== null)
      this.#limits = limitsMet(this.#timeline);
  }

  hands(intents: readonly Intent[], by: string, time: number): void {
    if (this.#steering || !intents.some(isSteering)) return;
    this.#steering = true;
    this.#resting = false;
    this.listeners.put('steer', { time, by: by as By });
  }

  obeyed(intent: Intent, time: number): void {
    if (intent.kind !== 'steer') return;
    const pans = intent.right !== 0 || intent.down !== 0;
    const sides = pans ? intent.sides : [];
    if (sides.join() === this.#sides.join()) return;
    this.#sides = sides;
    this.listeners.put('edge', { time, sides });
  }

  report(): void {
    this.listeners.callAll((call) => this.#reports.callSafely(call));
  }

  update(timeline: Timeline, by: string | null, time: number): void {
    const { kept } = timeline;
    const { listeners } = this;
    // The program moves the camera: the player's next input is a new steering.
    if (by !== null && MOVES.includes(by) && kept.hold.fingers === 0 && !kept.pan.isDriven && !kept.isSteered)
      this.#steering = false;
    if (listeners.has('limit')) this.#lookAtLimits(timeline, time);
    else this.#limits = -1;
    const now = underWay(kept);
    if (now !== this.#underWay) {
      const ended = this.#underWay & ~now;
      this.#underWay = now;
      const why = (by as By | null) ?? (kept.focus.isLimited ? 'limit' : 'arrival');
      for (let bit = 0; ended >> bit !== 0; bit++)
        if ((ended >> bit) & 1)
          listeners.put('end', {
            time,
            what: EASES[bit] ?? kept.moving[bit - EASES.length]?.mover.name ?? '',
            by: why,
          });
    }
    const resting = kept.isAtRest && !kept.isHeld;
    if (listeners.has('arrive')) this.#lookAtArrival(timeline, time, resting);
    if (resting && !this.#resting) {
      this.#steering = false;
      listeners.put('rest', { time });
    }
    this.#resting = resting;
  }

  #lookAtArrival(timeline: Timeline, time: number, resting: boolean): void {
    const arrived = resting || this.#arrival.isVisible(timeline);
    if (arrived && !this.#arrived) this.listeners.put('arrive', { time });
    this.#arrived = arrived;
  }

  #lookAtLimits(timeline: Timeline, time: number): void {
    const now = limitsMet(timeline);
    const before = this.#limits;
    this.#limits = now;
    LIMITS.forEach((limit, bit) => {
      const reached = ((now >> bit) & 1) === 1;
      if (reached !== (((before >> bit) & 1) === 1)) this.listeners.put('limit', { time, limit, reached });
    });
  }
}

/** Whether an intent moves the camera: a press alone may be a tap. */
function isSteering(intent: Intent): boolean {
  if (intent.kind === 'hold')
    return intent.fingers.length > 0 && (intent.change === 'moved' || intent.change === 'zone');
  if (intent.kind === 'step' || intent.kind === 'orbit') return intent.turn !== 0 || intent.tilt !== 0;
  if (intent.kind !== 'steer') return true;
  const { right, down, turn, tilt, zoom } = intent;
  return right !== 0 || down !== 0 || turn !== 0 || tilt !== 0 || zoom !== 0;
}

function underWay({ zoom, turn, tilt, pan, isMoved, moving }: Motion): number {
  let bits = 0;
  if (zoom.isActive) bits |= 1;
  if (turn.isActive) bits |= 2;
  if (tilt.isTilted) bits |= 4;
  if (pan.isGliding && pan.isMoving) bits |= 8;
  if (isMoved)
    moving.forEach(({ mover, state }, i) => {
      if (mover.isUnderWay(state)) bits |= 1 << (i + EASES.length);
    });
  return bits;
}

function limitsMet(timeline: Timeline): number {
  // The focus of kept motion may be solved later.
  const motion = timeline.spare();
  motion.focusing.solve();
  const { constraints, projection, span, heading, pitch, zooming } = motion;
  const max = maxSpanInside(constraints.boundary, projection, zooming.max);
  const { turn, minPitch, maxPitch } = constraints;
  let bits = 0;
  if (constraints.settings.bounds !== null && isAtBounds(motion)) bits |= 1;
  if (span <= zooming.min * (1 + NEAR) || span >= max * (1 - NEAR)) bits |= 2;
  if (heading <= turn.min + NEAR_DEGREES || heading >= turn.max - NEAR_DEGREES) bits |= 4;
  if (pitch <= minPitch + NEAR_DEGREES || pitch >= maxPitch - NEAR_DEGREES) bits |= 8;
  return bits;
}

/** Whether the focus can go no further in some direction. */
function isAtBounds(motion: Motion): boolean {
  const { focus, span, constraints, projection } = motion;
  const way = NEAR * span;
  const there = new ScratchPoint();
  const kept = new ScratchPoint();
  for (let side = 0; side < 4; side++) {
    there.x = focus.x + (side === 0 ? way : side === 1 ? -way : 0);
    there.y = focus.y + (side === 2 ? way : side === 3 ? -way : 0);
    keepInside(constraints.boundary, projection, motion, there, focus, kept);
    if (Math.abs(kept.x - there.x) + Math.abs(kept.y - there.y) > 0.1 * way) return true;
  }
  return false;
}
