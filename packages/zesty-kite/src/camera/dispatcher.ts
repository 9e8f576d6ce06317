/** Lets signals take effect on kept motion, each at its time. */
import { DEVICES } from '../devices/index.ts';
import { Hands, type Intent } from '../hands/index.ts';
import { shownOf, startOffset } from '../motion/index.ts';
import type { FullSettings } from '../settings/index.ts';
import { SIGNALS, type HandSignal, type HoverSignal, type SignalBody } from '../signals/index.ts';
import type { FrameClock } from './frameClock.ts';
import type { Observer } from './observer.ts';
import type { Recorder } from './recorder.ts';
import type { Stage } from './stage.ts';
import { Calling, CALLS } from './calling.ts';
import { Steering } from './steering.ts';

/** A leap of the clock by more than this is a gap: held keys move the camera for a moment of it only. */
export const LONGEST_STRETCH_MICROS = 10 * 1_000_000;
const HELD_FOR_MICROS = 250_000;
/** A camera that is never given a screen remembers so many calls. */
const MOST_EARLY = 1000;
/** Settings that change no motion under way. */
const HANDS: ReadonlySet<string> = new Set([
  'bindings',
  'edge',
  'wheel',
  'pad',
  'inverted',
  'sensitivity',
  'start',
  'home',
]);
/** Signals that only the hands read. */
const HELD: ReadonlySet<string> = new Set([
  'key',
  'wheel',
  'motion',
  'press',
  'move',
  'lift',
  'hold',
  'unhold',
  ...DEVICES.keys(),
]);

export class Dispatcher {
  #observer: Observer | null = null;
  readonly #stage: Stage;
  readonly #clock: FrameClock;
  readonly #recorder: Recorder;
  readonly hands: Hands;
  readonly #calls: Calling;
  readonly #steering: Steering;
  /** Something besides the first size of the screen has taken effect. */
  hasReceived = false;
  /** Calls before the size of the screen is known. They are made again once it is; those of abilities for the first time. */
  early: SignalBody[] = [];
  /** The time of the last signal that changed nothing, microseconds. */
  ignoredAt = 0;
  /** The time at which the pointer will have dwelt at an edge, microseconds; null while it is at none. */
  dwells: number | null = null;

  constructor(stage: Stage, clock: FrameClock, recorder: Recorder) {
    this.#stage = stage;
    this.#clock = clock;
    this.#recorder = recorder;
    this.hands = new Hands(stage.settings);
    this.#calls = new Calling(stage.timeline.kept);
    this.#steering = new Steering(stage.timeline, this.#calls);
  }

  get observer(): Observer | null {
    return this.#observer;
  }

  get isDwelling(): boolean {
    return this.dwells !== null;
  }

  /** The time of kept motion, or of a later signal that changed nothing, microseconds. */
  get lastReceived(): number {
    return Math.max(this.#stage.timeline.micros, this.ignoredAt);
  }

  /** Lets a signal take effect at a time, or now if that time has passed, and records it. */
  apply(body: SignalBody, due: number): void {
    const { timeline } = this.#stage;
    this.divideGap(due);
    this.dwellUntil(due);
    const at = Math.max(due, this.lastReceived);
    const intents = this.#intentsOf(body, at);
    // A signal without an effect does not divide a step of kept motion.
    if (intents?.every((intent) => this.#steering.isInForce(intent)) !== true) {
      timeline.runTo(at);
      this.update(null);
      this.takeEffect(body, at, intents);
    } else {
      this.ignoredAt = at;
      this.hasReceived = true;
    }
    this.#recorder.add({ at, ...body });
  }

  /** @param intents of the hands; null for a signal that the hands do not read */
  takeEffect(body: SignalBody, at: number, intents: readonly Intent[] | null): void {
    const { timeline, isSized } = this.#stage;
    this.hasReceived ||= isSized || body.kind !== 'screen';
    if (!isSized) {
      const isLearned = !(body.kind in SIGNALS);
      if (isLearned || CALLS.has(body.kind)) this.early.push(body);
      if (this.early.length > MOST_EARLY) this.early.shift();
      if (isLearned) return;
    }
    // Other settings and other ground change the goal of the camera, not what is shown.
    const eases = isSized && (body.kind === 'change' || body.kind === 'terrain');
    const before = eases ? shownOf(timeline.kept) : null;
    if (intents === null) this.#receive(body, at);
    else if (body.kind === 'hold' || body.kind === 'unhold' || body.kind === 'change') this.#obey(intents);
    else this.#steer(intents, body.kind);
    timeline.finishSignal();
    if (before !== null) startOffset(timeline.kept, before);
    this.update(body.kind);
    if (!isSized && this.#stage.isSized) for (const call of this.early.splice(0)) this.takeEffect(call, at, null);
  }

  /** Records a leap of the clock that is longer than a key is held as a gap. */
  divideGap(micros: number): void {
    const { timeline } = this.#stage;
    const { kept } = timeline;
    if (micros - timeline.micros <= LONGEST_STRETCH_MICROS || (!kept.pan.isDriven && !kept.isSteered)) return;
    this.apply({ kind: 'gap', phase: 'begin' }, timeline.micros + HELD_FOR_MICROS);
    this.apply({ kind: 'gap', phase: 'end' }, micros);
  }

  /** Lets a dwell at an edge take effect at its own time, if that is not after `micros`. */
  dwellUntil(micros: number): void {
    const { timeline } = this.#stage;
    const due = this.dwells;
    if (due === null || due > micros) return;
    this.dwells = null;
    timeline.runTo(Math.max(due, timeline.micros));
    this.update(null);
    this.#steer(this.hands.dwell(), 'hover');
    this.update('hover');
  }

  /** Sets the observer of kept motion, or none. */
  watch(observer: Observer | null): void {
    const { timeline } = this.#stage;
    this.#observer = observer;
    observer?.restart(timeline);
    timeline.watch = observer && this.update.bind(this, null);
  }

  /** Shows the observer kept motion. */
  update(by: string | null): void {
    this.#observer?.update(this.#stage.timeline, by, this.#keptTime);
  }

  /** Returns the intents of a hand's signal; none for a signal without an effect; null for any other. */
  #intentsOf(body: SignalBody, at: number): readonly Intent[] | null {
    if (body.kind === 'hover') return this.#hover(body, at);
    if (body.kind === 'screen') return this.#stage.isNewScreen(body) ? null : [];
    if (body.kind === 'change') return this.#changeHands();
    return isOfHands(body) ? this.hands.receive(body, this.#stage.screen, at) : null;
  }

  /** Adopts the next change if it concerns the hands alone, and returns their intents; null for any other change. */
  #changeHands(): readonly Intent[] | null {
    const { settings, screen, changes } = this.#stage;
    const { next } = changes;
    const names = Object.keys(next.settings) as (keyof FullSettings)[];
    if (!names.every((name) => HANDS.has(name) || next.settings[name] === settings[name])) return null;
    this.#stage.adopt(changes.take());
    return this.hands.adopt(this.#stage.settings, screen);
  }

  #receive(body: SignalBody, at: number): void {
    if (isOfHands(body) || body.kind === 'hover') return;
    const { timeline, screen, changes } = this.#stage;
    const { kept } = timeline;
    kept.layLook();
    switch (body.kind) {
      case 'screen':
        this.#stage.resize(body);
        break;
      case 'turn':
      case 'tilt':
      case 'zoom':
      case 'place':
        this.#calls.apply(body);
        break;
      case 'gap':
        kept.pan.isStalled = body.phase === 'begin';
        break;
      case 'change':
        this.#stage.change(changes.take());
        this.#obey(this.hands.adopt(this.#stage.settings, screen));
        break;
      case 'terrain':
        this.#stage.rebuild(body);
        break;
      case 'release':
        this.#obey(this.hands.receive(body, screen, at));
        kept.endMovers('release');
        break;
      case 'home':
      case 'pan':
      default:
        // The signal of a mover. Keys that are held then wait.
        if (timeline.receive(body)) this.#obey(this.hands.wait());
    }
  }

  /** A pointer that comes to an edge counts once it has dwelt there. */
  #hover(body: HoverSignal, at: number): readonly Intent[] {
    const { screen, settings } = this.#stage;
    const { intents, enters } = this.hands.hover(body, screen);
    if (!enters) return intents;
    const dwell = Math.round((settings.edge?.dwell ?? 0) * 1e6);
    if (dwell === 0) return [...intents, ...this.hands.dwell()];
    this.dwells = at + dwell;
    return intents;
  }

  /** The player steers. */
  #steer(intents: readonly Intent[], by: string): void {
    this.#observer?.hands(intents, by, this.#keptTime);
    this.#obey(intents);
  }

  #obey(intents: readonly Intent[]): void {
    for (const intent of intents) {
      this.#steering.obey(intent);
      this.#observer?.obeyed(intent, this.#keptTime);
    }
  }

  /** The time of kept motion, DOM milliseconds. */
  get #keptTime(): number {
    return this.#clock.timeAt(this.#stage.timeline.micros);
  }
}

function isOfHands(body: SignalBody): body is Exclude<HandSignal, { readonly kind: 'release' }> {
  return HELD.has(body.kind);
}
