/**
 * Kept motion along the grid of time. It moves by whole steps of 1/240 s, counted by an integer, and
 * in shorter ones to and from the times of signals; frames look ahead from it and change nothing.
 */
import { limitsFor, type Limits } from '../limits/index.ts';
import type { FullSettings } from '../settings/index.ts';
import type { Screen } from '../view/index.ts';
import { GRID_SECONDS, GRID_TICKS, gridSteps, TICKS_PER_MICRO, TICKS_PER_SECOND } from './clock.ts';
import { isAtRest, isStill, Motion } from './motion.ts';
import { glance, move } from './move.ts';
import { createPace, setPace, setPaceFor } from './pace.ts';

export class Course {
  readonly kept = new Motion();
  readonly #gridPace = createPace();
  readonly #partPace = createPace();
  #settings: FullSettings;
  #limits: Limits;
  /** The time of the kept state: steps of the grid, and ticks past the last of them. */
  #steps = 0;
  #past = 0;

  constructor(settings: FullSettings, screen: Screen) {
    this.#settings = settings;
    this.#limits = limitsFor(settings, screen);
    setPace(this.#gridPace, settings, GRID_SECONDS);
  }

  get limits(): Limits {
    return this.#limits;
  }

  /** The time of the kept state in whole microseconds, rounded up. */
  get micros(): number {
    return Math.ceil((this.#steps * GRID_TICKS + this.#past) / TICKS_PER_MICRO);
  }

  /** From here on, other settings or another screen. What is kept is not yet brought inside. */
  adopt(settings: FullSettings, screen: Screen): void {
    this.#settings = settings;
    this.#limits = limitsFor(settings, screen);
    setPace(this.#gridPace, settings, GRID_SECONDS);
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
    if (past > this.#past && !isStill(this.kept)) this.#part(past - this.#past);
    this.#past = past;
  }

  /** Writes to `frame` what shows at a time; the kept state moves on to the step before it. */
  show(micros: number, frame: Motion): void {
    const ticks = micros * TICKS_PER_MICRO;
    this.#runToStep(gridSteps(ticks));
    frame.copyFrom(this.kept);
    if (isAtRest(this.kept)) return;
    const ahead = ticks - this.#steps * GRID_TICKS - this.#past;
    setPaceFor(this.#partPace, this.kept, this.#settings, ahead / TICKS_PER_SECOND);
    glance(frame, this.#partPace, this.#limits);
  }

  #runToStep(steps: number): void {
    if (steps <= this.#steps) return;
    if (!isStill(this.kept)) {
      if (this.#past > 0) {
        this.#part(GRID_TICKS - this.#past);
        this.#steps += 1;
      }
      if (steps > this.#steps) move(this.kept, this.#gridPace, this.#limits, steps - this.#steps);
    }
    this.#steps = steps;
    this.#past = 0;
  }

  /** One step of less than the grid's. */
  #part(ticks: number): void {
    setPaceFor(this.#partPace, this.kept, this.#settings, ticks / TICKS_PER_SECOND);
    move(this.kept, this.#partPace, this.#limits, 1);
  }
}
