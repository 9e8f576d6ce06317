/** Signals on their way in: calls take effect at once, what has a time waits for it. */
import { SignalFilter } from '../hands/index.ts';
import { GRID_SECONDS, type MoverSignal } from '../motion/index.ts';
import { cleanSignal, SIGNALS, SignalQueue, type Plan, type SignalBody } from '../signals/index.ts';
import { refuse } from '../messages/index.ts';
import { hasUnit, SPAN, type Span } from '../settings/index.ts';
import { CALLS } from './calling.ts';
import type { Dispatcher } from './dispatcher.ts';
import type { FrameClock } from './frameClock.ts';
import type { Recorder } from './recorder.ts';
import type { Stage } from './stage.ts';

/** A signal later than the frame waits; by more than an hour it is from another clock. */
const PATIENCE_MICROS = 3600 * 1_000_000;
const STEP_MICROS = Math.ceil(GRID_SECONDS * 1e6);

export class Inbox {
  readonly waiting = new SignalQueue();
  readonly filter: SignalFilter;
  readonly #stage: Stage;
  readonly #clock: FrameClock;
  readonly #dispatcher: Dispatcher;
  readonly #recorder: Recorder;
  /** The signals of abilities that the camera has learned. */
  readonly #learned = new Map<string, Plan>();
  /** Calls since the last frame; the next one stamps them. */
  readonly #calls: SignalBody[] = [];
  /** The camera was at rest when the first of them came. */
  calledAtRest = false;

  constructor(stage: Stage, clock: FrameClock, dispatcher: Dispatcher, recorder: Recorder) {
    this.#stage = stage;
    this.#clock = clock;
    this.#dispatcher = dispatcher;
    this.#recorder = recorder;
    this.filter = new SignalFilter(stage.settings);
  }

  get hasCalls(): boolean {
    return this.#calls.length > 0;
  }

  isKnown(kind: string): boolean {
    return kind in SIGNALS || this.#learned.has(kind);
  }

  learn(kinds: ReadonlyMap<string, Plan>): void {
    for (const [kind, plan] of kinds) this.#learned.set(kind, plan);
  }

  /**
   * Takes a signal in.
   *
   * @returns whether the camera uses it
   */
  take(signal: MoverSignal & { readonly time?: number }): boolean {
    const { changes, terrains } = this.#stage;
    let body = cleanSignal(signal, this.#learned);
    if (body === null || !this.filter.takes(body)) return false;
    const given = signal.time ?? -Infinity;
    let time = Number.isFinite(given) ? given : -Infinity;
    const { span = 1 } = body as { readonly span?: Span };
    if (!hasUnit(span, changes.last.lens)) refuse('signal.span', span, SPAN);
    if (body.kind === 'terrain') terrains.expect(body);
    if (body.kind === 'change') {
      body = changes.amended(body);
      time = changes.add(body.settings, time);
      this.filter.adopt(changes.last);
    }
    const isCall = CALLS.has(body.kind) || body.kind === 'change' || this.#learned.has(body.kind);
    if (isCall && time === -Infinity && this.#isFree) this.#call(body);
    else this.waiting.add(body, time);
    return true;
  }

  /** Nothing waits that a call could overtake. */
  get #isFree(): boolean {
    return this.waiting.isEmpty && !this.#recorder.isWriting && !this.#dispatcher.isDwelling;
  }

  /** Lets a call take effect at the time of the last frame: no frame shows less of a motion than one before. */
  #call(body: SignalBody): void {
    const { timeline } = this.#stage;
    if (this.#calls.length === 0) this.calledAtRest = timeline.kept.isAtRest;
    timeline.runTo(this.calledAtRest ? timeline.micros : this.lastShown);
    this.#dispatcher.takeEffect(body, timeline.micros, null);
    this.#calls.push(body);
  }

  /** The time of the last frame, or of the last signal if that is later, microseconds. */
  get lastShown(): number {
    return Math.max(this.#dispatcher.lastReceived, this.#clock.shown);
  }

  /** Records the calls since the last frame. If the camera was at rest, they have the time of the frame: nothing has moved since. */
  stampCalls(): void {
    if (this.#calls.length === 0) return;
    const { timeline } = this.#stage;
    if (this.calledAtRest) this.skipRest();
    for (const body of this.#calls) this.#recorder.add({ at: timeline.micros, ...body });
    this.#calls.length = 0;
    this.#recorder.start();
  }

  /** Moves the time of a camera at rest to a step of the grid before now, so that a frame shows a beginning; or to the next signal that has a time. */
  skipRest(): void {
    const { timeline } = this.#stage;
    const { micros } = timeline;
    const due = this.#clock.microsAt(this.waiting.firstTime);
    timeline.skipTo(Math.max(micros, Math.min(this.#clock.latest - STEP_MICROS, due > micros ? due : Infinity)));
  }

  /** Lets all signals that are due take effect, each at its time. */
  takeDue(): void {
    const { waiting } = this;
    const { now } = this.#clock;
    if (waiting.isEmpty) {
      this.#stage.terrains.clear();
      return;
    }
    const time = this.#clock.timeAt(now);
    // A signal without a time that finds the camera at rest is of now, not of when it came to rest.
    const isNow = waiting.nextTime(time) === -Infinity && !this.#dispatcher.isDwelling;
    if (isNow && this.#stage.timeline.kept.isAtRest) this.skipRest();
    for (;;) {
      const next = waiting.nextTime(time);
      const due = next === -Infinity ? this.lastShown : this.#clock.microsAt(next);
      if (due > now && due <= now + PATIENCE_MICROS) return;
      const body = waiting.take(time);
      if (body === null) return;
      this.#dispatcher.apply(body, Math.min(due, now));
    }
  }
}
