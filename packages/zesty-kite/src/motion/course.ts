/**
 * Kept motion along the grid of time. It moves by whole steps of 1/120 s, counted by an integer, and
 * in shorter ones to and from the times of signals; frames look ahead from it and change nothing.
 */
import { Look } from '../view/index.ts';
import { GRID_SECONDS, GRID_TICKS, gridSteps, TICKS_PER_MICRO, TICKS_PER_SECOND } from './clock.ts';
import { isStill, Motion } from './motion.ts';
import { createPace, setPace, setPaceFor } from './pace.ts';
import type { Rules } from './rules.ts';
import { move, step } from './step.ts';

export class Course {
  readonly kept = new Motion();
  readonly #look = new Look();
  readonly #gridPace = createPace();
  readonly #partPace = createPace();
  #rules: Rules;
  /** The time of the kept state: steps of the grid, and ticks past the last of them. */
  #steps = 0;
  #past = 0;

  constructor(rules: Rules) {
    this.#rules = rules;
    setPace(this.#gridPace, rules.settings, GRID_SECONDS);
  }

  get rules(): Rules {
    return this.#rules;
  }

  /** The look of the kept state. */
  get look(): Look {
    this.#aim(this.kept);
    return this.#look;
  }

  #aim({ insetLeft, insetTop, insetRight, insetBottom, heading, pitch, fieldOfView }: Motion): void {
    this.#look.frame(this.#rules.screen, insetLeft, insetTop, insetRight, insetBottom);
    this.#look.turn(heading, pitch, fieldOfView);
  }

  /** The time of the kept state in whole microseconds, rounded up. */
  get micros(): number {
    return Math.ceil((this.#steps * GRID_TICKS + this.#past) / TICKS_PER_MICRO);
  }

  /** From here on, other rules. What is kept is not yet brought inside. */
  adopt(rules: Rules): void {
    this.#rules = rules;
    setPace(this.#gridPace, rules.settings, GRID_SECONDS);
  }

  /** Back to time zero, with nothing moving and nothing held. */
  restart(): void {
    this.kept.copyFrom(new Motion());
    this.#steps = 0;
    this.#past = 0;
  }

  /** Moves the kept state on to a time that is not before its own. */
  runTo(micros: number): void {
    const ticks = micros * TICKS_PER_MICRO;
    const steps = gridSteps(ticks);
    const past = ticks - steps * GRID_TICKS;
    this.#runToStep(steps);
    if (past > this.#past && !isStill(this.kept)) this.#part(this.kept, past - this.#past);
    this.#past = past;
  }

  /** The look of a frame that was just shown. */
  lookOf(frame: Motion): Look {
    this.#aim(frame);
    return this.#look;
  }

  /** Writes to `frame` what shows at a time; the kept state moves on to the step before it. */
  show(micros: number, frame: Motion): void {
    const ticks = micros * TICKS_PER_MICRO;
    this.#runToStep(gridSteps(ticks));
    frame.copyFrom(this.kept);
    const ahead = ticks - this.#steps * GRID_TICKS - this.#past;
    if (ahead > 0 && !isStill(frame)) this.#part(frame, ahead);
  }

  #runToStep(steps: number): void {
    if (steps <= this.#steps) return;
    if (!isStill(this.kept)) {
      if (this.#past > 0) {
        this.#part(this.kept, GRID_TICKS - this.#past);
        this.#steps += 1;
      }
      if (steps > this.#steps) move(this.kept, this.#gridPace, this.#rules, this.look, steps - this.#steps);
    }
    this.#steps = steps;
    this.#past = 0;
  }

  /** One step of less than the grid's. */
  #part(motion: Motion, ticks: number): void {
    setPaceFor(this.#partPace, motion, this.#rules.settings, ticks / TICKS_PER_SECOND);
    this.#aim(motion);
    step(motion, this.#partPace, this.#rules, this.#look);
  }
}
