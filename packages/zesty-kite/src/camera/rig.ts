/** Everything behind a camera: signals go in, kept motion goes on, frames come out. */
import { goalPose, Placing, readShown, ShownPose, type Motion, type Mover, type MoverSignal } from '../motion/index.ts';
import { refuseRange } from '../messages/index.ts';
import type { Reports } from '../reports.ts';
import { completeLayers, type Settings } from '../settings/index.ts';
import { cleanScreen, plansOf, type SignalBody } from '../signals/index.ts';
import { aimAt, View, type Pose } from '../view/index.ts';
import { Changes } from './changes.ts';
import { Dispatcher, LONGEST_STRETCH_MICROS } from './dispatcher.ts';
import { FrameClock } from './frameClock.ts';
import { Inbox } from './inbox.ts';
import type { Observer } from './observer.ts';
import type { CameraOptions } from './options.ts';
import { Polls } from './polls.ts';
import { Recorder } from './recorder.ts';
import { Stage } from './stage.ts';
import { Calling } from './calling.ts';
import { Terrains } from './terrains.ts';

export class Rig {
  readonly view = new View();
  readonly stage: Stage;
  readonly inbox: Inbox;
  readonly polls = new Polls();
  readonly reports: Reports;
  /** The motion that is shown; it shares the look of the view. */
  readonly frame: Motion;
  /** Its pose. */
  readonly shown = new ShownPose();
  readonly #clock = new FrameClock();
  readonly recorder: Recorder;
  readonly dispatcher: Dispatcher;
  readonly #wake: () => void;
  /** The motion that is shown, with all that has been called since; made when it is first needed. */
  #ahead: Motion | null = null;
  #isAdvancing = false;

  constructor(settings: Settings | readonly Settings[], options: CameraOptions, reports: Reports) {
    const { screen, terrain, home, shapes = [], wake, report } = options;
    this.reports = reports;
    if (report) reports.own(report);
    this.#wake = wake ?? (() => undefined);
    const changes = new Changes(completeLayers('Camera', settings, shapes));
    const size = screen ? cleanScreen(screen) : null;
    this.stage = new Stage(changes, new Terrains(terrain ?? null), shapes, home ?? null, size, reports);
    this.recorder = new Recorder(reports);
    this.dispatcher = new Dispatcher(this.stage, this.#clock, this.recorder);
    this.inbox = new Inbox(this.stage, this.#clock, this.dispatcher, this.recorder);
    const { timeline } = this.stage;
    this.frame = timeline.createMotion(this.view.projection);
    this.inbox.filter.screen = this.stage.screen;
    timeline.show(0, this.frame);
    this.#aim();
  }

  /** Frames change nothing: nothing moves, nothing waits, and no poll keeps the camera awake. */
  get isSettled(): boolean {
    if (!this.#clock.isDrawn || this.inbox.hasCalls || this.dispatcher.isDwelling || this.polls.keepAwake) return false;
    return this.inbox.waiting.isEmpty && this.stage.timeline.kept.isAtRest;
  }

  signal(signal: MoverSignal & { readonly time?: number }): boolean {
    const wasSettled = this.isSettled;
    const isUsed = this.inbox.take(signal);
    if (isUsed && wasSettled) this.wake();
    return isUsed;
  }

  wake(): void {
    this.reports.callSafely(this.#wake);
  }

  advance(time: number): void {
    if (this.#isAdvancing) throw new Error('advance: expected one call a frame, got a call inside a poll');
    this.#isAdvancing = true;
    try {
      this.polls.callAll(time, this.reports);
      this.#advanceTo(time);
    } finally {
      this.#isAdvancing = false;
    }
    this.dispatcher.observer?.report();
  }

  #advanceTo(time: number): void {
    const clock = this.#clock;
    const before = clock.now;
    clock.begin(time);
    this.inbox.stampCalls();
    this.inbox.takeDue();
    this.dispatcher.dwellUntil(clock.now);
    if (clock.now - before > LONGEST_STRETCH_MICROS) this.dispatcher.divideGap(clock.now);
    this.stage.timeline.show(clock.now, this.frame);
    clock.end();
    this.#aim();
  }

  /** The pose that the camera is heading to, with all that has been called up to now. */
  get goal(): Pose {
    const { stage, inbox } = this;
    const { changes, timeline } = stage;
    const waiting = inbox.waiting.inOrder;
    const firstSize = waiting.find(({ body }) => body.kind === 'screen' && stage.isFirstSize(body));
    const takesPart = (one: (typeof waiting)[number]): boolean =>
      one === firstSize || (one.time === -Infinity && one.body.kind !== 'screen');
    const isCalled = inbox.hasCalls || waiting.some(takesPart);
    const motion = isCalled ? (this.#ahead ??= timeline.createMotion()) : this.frame;
    if (isCalled) timeline.show(this.#clock.now, motion);
    let index = 0;
    for (const one of waiting) {
      if (takesPart(one)) this.#foresee(motion, one.body, changes.after(index));
      if (one.body.kind === 'change') index += 1;
    }
    return stage.inFirstCopy(goalPose(motion, timeline.scratch));
  }

  /** Lets a signal that waits take effect on a motion: a call, or the first size of the screen, and with it the calls before. */
  #foresee(ahead: Motion, body: SignalBody, change: Changes['inForce'] | undefined): void {
    if (body.kind === 'screen') {
      this.stage.beginOn(body, ahead);
      for (const call of this.dispatcher.early) new Calling(ahead).apply(call);
    } else if (body.kind !== 'change') new Calling(ahead).apply(body);
    else if (change !== undefined) {
      const { screen, boundary } = ahead.constraints;
      ahead.constraints = this.stage.rulesAfter(change, screen);
      new Placing(ahead).refit(ahead.constraints.boundary.shape !== boundary.shape);
    }
  }

  /** Adds an ability, unless the camera has it. */
  learn(mover: Mover): void {
    const { timeline } = this.stage;
    const { movers } = timeline;
    if (movers.includes(mover)) return;
    const taken = Object.keys(mover.signals).find((kind) => this.inbox.isKnown(kind));
    if (taken !== undefined || movers.some(({ name }) => name === mover.name))
      refuseRange('mover.name', `"${taken ?? mover.name}"`, 'an unused name');
    this.inbox.learn(plansOf(mover.signals));
    timeline.learn(mover);
    this.frame.learn(mover);
    this.#ahead = null;
  }

  /**
   * Passes a sample to a mover at the beginning of a frame, such as the place of a target. The sample is copied only while a
   * session is recorded.
   *
   * @param sample `ahead` is set: how much later the frame is than kept motion, seconds
   * @param time of the frame, as polls receive it
   */
  sampleTarget(sample: MoverSignal & { ahead: number }, time: number): void {
    const { timeline, isSized } = this.stage;
    // Until the screen has a size the mover waits, too.
    if (!isSized) return;
    const clock = this.#clock;
    clock.expect(time);
    this.inbox.stampCalls();
    if (timeline.kept.isAtRest) this.inbox.skipRest();
    // A session lists signals in the order of their times.
    timeline.runTo(this.dispatcher.lastReceived);
    sample.ahead = Math.max(0, clock.latest - timeline.micros) / 1e6;
    timeline.receive(sample);
    timeline.finishSignal();
    this.dispatcher.update(sample.kind);
    if (this.recorder.write !== null) this.recorder.add({ at: timeline.micros, ...sample });
  }

  /** Adds the one observer of kept motion, or removes it. */
  observe(observer: Observer | null): void {
    this.dispatcher.watch(observer);
  }

  #aim(): void {
    readShown(this.frame, this.shown);
    aimAt(this.view, this.shown, this.stage.screen, this.stage.timeline.constraints.ground, this.frame.insets);
  }
}
