/**
 * Kept motion along the grid of time. It moves by whole steps of 1/60 s, counted by an integer, and
 * in shorter ones to and from the times of signals; frames look ahead from it and change nothing.
 */
import type { Projection } from '../view/index.ts';
import { raiseEye } from './clearance.ts';
import { GRID_SECONDS, GRID_TICKS, gridSteps, TICKS_PER_MICRO, TICKS_PER_SECOND } from './clock.ts';
import { Motion } from './motion.ts';
import type { MoverSignal, Mover } from './mover.ts';
import { Pace } from './pace.ts';
import type { Constraints } from './constraints.ts';
import { step } from './step.ts';

/** More steps than anything takes to come to rest that nobody holds: an hour of them. */
const LONGEST = 3600 / GRID_SECONDS;
/** The ground below is looked at once in so many steps. */
const LOOK_STEPS = 4;
/** Once nothing else moves, a grip lets it be looked at for so many half-lives and so many seconds. */
const LAST_LOOKS = 8;
const LAST_LOOK = 0.25;

export class Timeline {
  readonly kept: Motion;
  /** Their factors stay for whole steps of the grid; shorter ones have theirs. */
  readonly #gridPace = new Pace();
  readonly #partPace = new Pace();
  /** The time of the kept state: steps of the grid, and ticks past the last of them. */
  steps = 0;
  past = 0;
  /** Focus and look of the kept state have been solved. */
  isSolved = true;
  #spare: Motion | null = null;
  /** Called after each step of the kept state along the grid. */
  watch: (() => void) | null = null;

  constructor(constraints: Constraints, movers: readonly Mover[]) {
    this.kept = new Motion(constraints, movers);
    this.adopt(constraints);
  }

  get constraints(): Constraints {
    return this.kept.constraints;
  }

  /** The abilities that move the camera by themselves, in the order in which they are asked. */
  get movers(): readonly Mover[] {
    return this.kept.moving.map(({ mover }) => mover);
  }

  /** The look of the kept state. */
  get projection(): Projection {
    return this.kept.layLook();
  }

  /** The time of the kept state in whole microseconds, rounded up. */
  get micros(): number {
    return Math.ceil((this.steps * GRID_TICKS + this.past) / TICKS_PER_MICRO);
  }

  /** Sets other constraints. Kept motion is not yet inside them. */
  adopt(constraints: Constraints): void {
    this.kept.constraints = constraints;
    this.kept.question = null;
    this.#partPace.take(constraints.settings);
    this.#gridPace.take(constraints.settings);
  }

  /** Learns another mover. */
  learn(mover: Mover): void {
    this.#spare = null;
    this.kept.learn(mover);
  }

  /** Scratch, in any state. */
  get scratch(): Motion {
    return (this.#spare ??= this.createMotion());
  }

  /** Scratch, in the kept state: whoever tries something out begins with this. */
  spare(): Motion {
    const { scratch } = this;
    scratch.copyFrom(this.kept);
    scratch.layLook();
    return scratch;
  }

  /** Motion at rest, with what every mover keeps. */
  createMotion(projection?: Projection): Motion {
    return new Motion(this.constraints, this.movers, projection);
  }

  /** Hands a mover its signal. Says whether it has taken over from the hands. */
  receive(signal: MoverSignal): boolean {
    this.kept.layLook();
    return this.kept.receive(signal);
  }

  /**
   * Called after each signal. If nothing moves any more it solves the focus, as no further step will do it, and ends the
   * grip of a zoom or a turn when no hand holds.
   */
  finishSignal(): void {
    const { kept } = this;
    const { hold } = kept;
    kept.layLook();
    kept.zooming.findGoal();
    if (!kept.isStill) return;
    kept.focusing.solve();
    if (hold.fingers === 0 && !hold.isOrbit) hold.drop();
  }

  /** Lets the movers know what a hand has done. */
  handMoved(fingersChanged: boolean, glides: boolean): void {
    this.kept.layLook();
    this.kept.handMoved({ fingersChanged, glides, micros: this.micros });
  }

  /** Lets time go by without moving anything: up to a time that is not before its own, while nothing would have moved. */
  skipTo(micros: number): void {
    const ticks = micros * TICKS_PER_MICRO;
    this.steps = gridSteps(ticks);
    this.past = ticks - this.steps * GRID_TICKS;
  }

  /** Moves the kept state on to the time of a signal, which is not before its own. */
  runTo(micros: number): void {
    const ticks = micros * TICKS_PER_MICRO;
    const steps = gridSteps(ticks);
    const past = ticks - steps * GRID_TICKS;
    this.#runToStep(steps);
    this.kept.layLook();
    if (past > this.past && !this.kept.isStill) this.#part(this.kept, past - this.past);
    else if (!this.isSolved) this.kept.focusing.solve();
    this.isSolved = true;
    this.past = past;
  }

  /** Writes to `frame` what shows at a time in microseconds; the kept state moves on to the step before it. */
  show(micros: number, frame: Motion): void {
    const ticks = micros * TICKS_PER_MICRO;
    this.#runToStep(gridSteps(ticks));
    frame.copyFrom(this.kept);
    frame.layFrame();
    const ahead = ticks - this.steps * GRID_TICKS - this.past;
    if (ahead > 0 && !frame.isStill) this.#part(frame, ahead);
    else {
      frame.projection.turn(frame);
      if (!this.isSolved) frame.focusing.solve();
    }
    raiseEye(frame);
  }

  #runToStep(steps: number): void {
    if (steps <= this.steps) return;
    const { kept } = this;
    const last = Math.min(steps, this.steps + LONGEST);
    kept.layFrame();
    while (this.steps < last && !kept.isStill) {
      this.#toNextStep();
      this.past = 0;
      if (this.watch !== null) this.watch();
    }
    this.steps = steps;
    this.past = 0;
  }

  /** The ground is looked at on some steps of the grid: there the focus has to be where it belongs. */
  #toNextStep(): void {
    const { kept } = this;
    const { level, hold } = kept;
    this.steps += 1;
    const looks = this.steps % LOOK_STEPS === 0 && (level.isStale || level.groundRate !== 0) && hold.fingers === 0;
    if (this.past > 0) {
      const seconds = (GRID_TICKS - this.past) / TICKS_PER_SECOND;
      this.isSolved = step(kept, this.#partPace, seconds, true, looks);
    } else this.isSolved = step(kept, this.#gridPace, GRID_SECONDS, true, looks);
    const keepsPlace = (hold.isGrip || (kept.isPinned && !kept.isMoved)) && kept.hasArrived;
    if (!keepsPlace) level.samplesAtRest = 0;
    if (!looks) return;
    // A grip or a target moves the focus; its ground has another height, and that moves the focus again, for a limited time.
    const { followHalfLife } = this.constraints.settings.ground;
    if (keepsPlace) level.samplesAtRest += 1;
    if (level.samplesAtRest * LOOK_STEPS * GRID_SECONDS > LAST_LOOKS * followHalfLife + LAST_LOOK) level.stop();
    else level.take(kept.groundLevel, LOOK_STEPS * GRID_SECONDS, kept.span);
    // The grip waited for the ground alone.
    if (hold.isGrip && kept.hasArrived && !kept.isLagging) hold.drop();
  }

  /** One step of less than the grid's. */
  #part(motion: Motion, ticks: number): void {
    step(motion, this.#partPace, ticks / TICKS_PER_SECOND, false, true);
  }
}
