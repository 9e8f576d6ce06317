/**
 * Kept motion along the grid of time. It moves by whole steps of 1/60 s, counted by an integer, and
 * in shorter ones to and from the times of signals; frames look ahead from it and change nothing.
 */
import { Cell } from '../math/index.ts';
import { Look } from '../view/index.ts';
import { GRID_SECONDS, GRID_TICKS, gridSteps, TICKS_PER_MICRO } from './clock.ts';
import { findMoving } from './interrupt.ts';
import { isStill, Motion } from './motion.ts';
import type { Heard } from './mover.ts';
import { lookAtGround, stopLooking } from './followers.ts';
import { Pace } from './pace.ts';
import type { Rules } from './rules.ts';
import { raiseEye, solveFocus } from './solveFocus.ts';
import { hasArrived, step } from './step.ts';

/** More steps than anything takes to come to rest that nobody holds: an hour of them. */
const LONGEST = 3600 / GRID_SECONDS;
/** The ground below is looked at once in so many steps. */
const LOOK_STEPS = 4;
/** Once nothing else moves, a grip lets it be looked at for so many half-lives and so many seconds. */
const LAST_LOOKS = 8;
const LAST_LOOK = 0.25;

export class Timeline {
  readonly kept: Motion;
  readonly #look = new Look();
  readonly #gridPace = new Pace();
  readonly #partPace = new Pace();
  #rules: Rules;
  /** The time of the kept state: steps of the grid, and ticks past the last of them. */
  #steps = 0;
  #past = 0;
  /** Focus and look of the kept state have been solved. */
  #settled = true;
  /** Called after each step of the kept state along the grid. */
  watch: (() => void) | null = null;

  constructor(rules: Rules) {
    this.#rules = rules;
    this.kept = this.createMotion();
    this.adopt(rules);
  }

  get rules(): Rules {
    return this.#rules;
  }

  /** The look of the kept state. */
  get look(): Look {
    const { kept } = this;
    this.#frame(this.#look, kept);
    this.#look.turn(kept);
    return this.#look;
  }

  /** All of a look that a step does not set itself. */
  #frame(look: Look, motion: Motion): void {
    look.frame(this.#rules.screen, motion.insetLeft, motion.insetTop, motion.insetRight, motion.insetBottom);
  }

  /** The time of the kept state in whole microseconds, rounded up. */
  get micros(): number {
    this.readMicros(time);
    return time.value;
  }

  /** The same, set in place. */
  readMicros(out: Cell): void {
    out.value = Math.ceil((this.#steps * GRID_TICKS + this.#past) / TICKS_PER_MICRO);
  }

  /** From here on, other rules. What is kept is not yet brought inside. */
  adopt(rules: Rules): void {
    this.#rules = rules;
    this.kept.question.forget();
    this.#partPace.take(rules.settings);
    this.#partPace.hilly = rules.terrain !== null;
    this.#gridPace.take(rules.settings);
    this.#gridPace.over(GRID_SECONDS);
  }

  /** Back to time zero, with nothing moving and nothing held. */
  restart(): void {
    this.#rules.movers.forEach((mover, i) => {
      const state = this.kept.states[i];
      if (state !== undefined) mover.end(state, this.kept, 'ends', 'session', this.#rules, this.look);
      this.kept.states[i] = mover.keep();
    });
    this.kept.copyFrom(new Motion());
    this.#steps = 0;
    this.#past = 0;
    this.#settled = true;
  }

  /** Motion at rest, with what every mover keeps. */
  createMotion(): Motion {
    return new Motion(this.#rules.movers.map((mover) => mover.keep()));
  }

  /** Lets a mover hear its signal. Says whether it has taken over from the hands. */
  hear(signal: Heard): boolean {
    const { kept, rules, look } = this;
    for (let i = 0; i < kept.states.length; i++) {
      const mover = rules.movers[i];
      const state = kept.states[i];
      if (state === undefined || mover === undefined || !(signal.kind in mover.signals)) continue;
      mover.hear?.(state, kept, rules, look, signal);
      findMoving(kept, rules);
      return mover.takesOver?.includes(signal.kind) === true && mover.isUnderWay(state);
    }
    return false;
  }

  /** Lets the movers know what a hand has done. */
  handMoved(anew: boolean, glides: boolean): void {
    const { kept, rules, look, micros } = this;
    rules.movers.forEach((mover, i) => {
      const state = kept.states[i];
      if (state !== undefined) mover.hand?.(state, kept, rules, look, { anew, glides, micros });
    });
    findMoving(kept, rules);
  }

  /** Lets time go by without moving anything: up to a time that is not before its own, while nothing would have moved. */
  skipTo(micros: number): void {
    const ticks = micros * TICKS_PER_MICRO;
    this.#steps = gridSteps(ticks);
    this.#past = ticks - this.#steps * GRID_TICKS;
  }

  /** Moves the kept state on to the time of a signal, which is not before its own. */
  runTo(micros: number): void {
    time.value = micros;
    this.#runToTime();
  }

  /** Moves the kept state on to the next whole microsecond: a session says no finer ones. */
  runToMicro(): void {
    this.readMicros(time);
    this.#runToTime();
  }

  #runToTime(): void {
    const ticks = time.value * TICKS_PER_MICRO;
    const steps = gridSteps(ticks);
    const past = ticks - steps * GRID_TICKS;
    this.#runToStep(steps);
    if (past > this.#past && !isStill(this.kept)) this.#part(this.kept, this.look, past - this.#past);
    else if (!this.#settled) solveFocus(this.kept, this.#rules, this.look);
    this.#settled = true;
    this.#past = past;
  }

  /**
   * Writes to `frame` what shows at a time; the kept state moves on to the step before it.
   *
   * @param micros in an object, so that no number is boxed
   * @param look scratch; left as `frame` makes it
   */
  show(micros: Readonly<Cell>, frame: Motion, look: Look): void {
    const ticks = micros.value * TICKS_PER_MICRO;
    this.#runToStep(gridSteps(ticks));
    frame.copyFrom(this.kept);
    this.#frame(look, frame);
    const ahead = ticks - this.#steps * GRID_TICKS - this.#past;
    if (ahead > 0 && !isStill(frame)) this.#part(frame, look, ahead);
    else {
      look.turn(frame);
      if (!this.#settled) solveFocus(frame, this.#rules, look);
    }
    raiseEye(frame, this.#rules, look);
  }

  #runToStep(steps: number): void {
    if (steps <= this.#steps) return;
    const { kept } = this;
    const last = Math.min(steps, this.#steps + LONGEST);
    this.#frame(this.#look, kept);
    while (this.#steps < last && !isStill(kept)) {
      if (this.#past > 0) this.#partPace.overFor(kept, GRID_TICKS - this.#past);
      this.#toNextStep(this.#past > 0 ? this.#partPace : this.#gridPace);
      this.#past = 0;
      if (this.watch !== null) this.watch();
    }
    this.#steps = steps;
    this.#past = 0;
  }

  /** The ground is looked at on some steps of the grid: there the focus has to be where it belongs. */
  #toNextStep(pace: Pace): void {
    const { kept } = this;
    this.#steps += 1;
    const looks = this.#steps % LOOK_STEPS === 0 && (kept.groundStale || kept.climb !== 0) && kept.fingers === 0;
    this.#settled = step(kept, pace, this.#rules, this.#look, looks);
    const keepsPlace = (kept.gripping || (kept.led && !kept.moving)) && hasArrived(kept);
    if (!keepsPlace) kept.lastLooks = 0;
    if (!looks) return;
    // A grip, or what is followed, moves the focus; the ground there asks for another height, and that moves the focus again: not for ever.
    const { followHalfLife } = this.#rules.settings.ground;
    if (keepsPlace) kept.lastLooks += 1;
    if (kept.lastLooks * LOOK_STEPS * GRID_SECONDS > LAST_LOOKS * followHalfLife + LAST_LOOK) stopLooking(kept);
    else lookAtGround(kept, this.#rules, LOOK_STEPS * GRID_SECONDS);
  }

  /** One step of less than the grid's. */
  #part(motion: Motion, look: Look, ticks: number): void {
    this.#partPace.overFor(motion, ticks);
    step(motion, this.#partPace, this.#rules, look, true);
  }
}

/** Microseconds. */
const time = new Cell();
