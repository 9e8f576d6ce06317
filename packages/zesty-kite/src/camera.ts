/** The one class that ties settings, signals, motion, limits and view together. */
import { checkFunction, refuse } from './messages/index.ts';
import { Calls } from './calls.ts';
import type { CameraLike } from './steered.ts';
import { partChanged, soundTerrain, type Terrain } from './ground/index.ts';
import { Hands, SignalFilter, type Intent } from './hands/index.ts';
import { boundaryOf, excessOf, focusOutlinesOf, outlinesOf, type Boundary } from './limits/index.ts';
import {
  beginAt,
  createRules,
  goalPose,
  GRID_SECONDS,
  microsOf,
  placeAt,
  readShown,
  refit,
  resize,
  ShownPose,
  shownOf,
  startOffset,
  startPlace,
  Timeline,
  type Heard,
  type Motion,
  type Mover,
  type Rules,
  type Start,
} from './motion/index.ts';
import {
  changeSettings,
  completeLayers,
  isZoomLimited,
  mergeSettings,
  shown,
  type Checked,
  type FullSettings,
  type Settings,
} from './settings/index.ts';
import {
  cleanScreen,
  cleanSignal,
  plansOf,
  SignalQueue,
  SIGNALS,
  type HandSignal,
  type HoverSignal,
  type ChangeSignal,
  type PlaceSignal,
  type Signal,
  type SignalBody,
  type Plan,
  type StampedSignal,
  type TerrainSignal,
} from './signals/index.ts';
import { MOVERS } from './movers/index.ts';
import { callOn, changesNothing, finishSignal, obey } from './steer.ts';
import { aim, canonical, View, type Point, type Pose, type Screen } from './view/index.ts';

export type { Start } from './motion/index.ts';

/** What is not data and so no setting. */
export interface CameraOptions {
  /** The size of what is drawn on, where it is known before the first `screen` signal. */
  readonly screen?: Screen | null;
  /** The heights of the ground; flat when left out. */
  readonly terrain?: Terrain | null;
  /** The destination of Home; `settings.start` when left out. A saved game may begin elsewhere. */
  readonly home?: Start | null;
  /** Called when something comes in while the camera is settled: time to draw frames again. */
  readonly wake?: () => void;
  /**
   * Called once with each error that `wake`, a poll or a recording's `write` threw; the camera goes on. Without it, `listen`
   * reports errors to the page, and a camera without `listen` to the console.
   */
  readonly report?: (error: unknown) => void;
}

/** A point of the ground held under a screen point. */
export interface Grip {
  /**
   * The held point, world units. In a world that repeats itself, that of the copy that is held, counted on
   * from the view's focus: it may lie outside the first copy.
   */
  readonly x: number;
  readonly y: number;
  readonly height: number;
  /** The screen point, CSS pixels from the top left. */
  readonly screenX: number;
  readonly screenY: number;
  /** How far from there it shows now, CSS pixels; of a copy that is held, not of the nearest. */
  readonly error: number;
  /** A limit binds, or the point is out of reach, so that it need not be there. */
  readonly limited: boolean;
}

/** Whoever watches kept motion: it is told of each step and each signal, and must change nothing. */
export interface Observer {
  /** A session begins, or this begins to watch. */
  restart(timeline: Timeline): void;
  /** What the player's hands ask for now; `by` is the kind of the signal, `time` is DOM milliseconds. */
  hands(intents: readonly Intent[], by: string, time: number): void;
  /** Time has gone by, or, where `by` is not null, a signal of that kind has taken effect. */
  look(timeline: Timeline, by: string | null, time: number): void;
  /** A frame shows all that has been looked at. */
  tell(camera: Camera): void;
}

/** The corners of an outline, in order. */
type Ring = readonly Point[];

/** What a session begins with. */
export interface SessionStart {
  readonly settings: Settings;
  readonly screen: Screen | null;
  /** The destination of Home; `settings.start` when left out. */
  readonly home?: Start;
  /** Which heights it was over; left out where the ground was flat. */
  readonly terrain?: Pick<Terrain, 'id' | 'digest'>;
  /** The names of the abilities that the camera had learned; left out where there were none. */
  readonly movers?: readonly string[];
}

/** A signal later than the frame is waited for; if by more than an hour, it is from another clock. */
const PATIENCE_MICROS = 3600 * 1_000_000;
/** A leap of the clock by more than this is a gap: what is held runs for a moment of it only. */
const LONGEST_STRETCH_MICROS = 10 * 1_000_000;
const HELD_FOR_MICROS = 250_000;
const STEP_MICROS = Math.ceil(GRID_SECONDS * 1e6);
/** What only the program says, and depends on no time. */
const CALLS = new Set(['turn', 'tilt', 'zoom', 'pan', 'home', 'place', 'change']);
/** Settings by which nothing moves that moves already. */
const HANDS: ReadonlySet<string> = new Set(['bindings', 'edge', 'wheel', 'pad', 'inverted', 'start']);
/** As in the schema: headings that a start may have, degrees. */
const MAX_TURN = 1e6;

/**
 * A camera above the ground.
 *
 * ```ts
 * const camera = new Camera({ bounds: { left: 0, top: 0, right: 1024, bottom: 768 } });
 * const view = camera.advance(performance.now());
 * ```
 */
export class Camera extends Calls implements CameraLike {
  /** What is shown; aimed anew by each `advance`, always the same object. */
  readonly view: View = new View();

  readonly #wake: () => void;
  /** The last of these is told of what callbacks throw. */
  readonly #reports: ((error: unknown) => void)[] = [];
  #terrain: Terrain | null;
  /** Those that waiting signals name, and the one that will be in force after all of them. */
  readonly #terrains = new Map<string, Terrain>();
  #lastTerrain: Terrain | null;
  /** Replaced, never changed: a poll may end itself or another. */
  #polls: readonly ((time: number) => void)[] = [];
  #home: Start | null;
  #advancing = false;
  /** How many polls keep it from being settled. */
  #awake = 0;
  readonly #amends: ((change: Settings) => Settings | null)[] = [];
  readonly #waiting = new SignalQueue();
  readonly #hands: Hands;
  readonly #filter: SignalFilter;
  /** The kinds of signals of those that it has learned. */
  readonly #kinds = new Map<string, Plan>();
  readonly #timeline: Timeline;
  /** The shown motion; it shares the look of the view. */
  readonly #frame: Motion;
  /** Its pose as it is shown. */
  readonly #shown = new ShownPose();
  /** The same with what has been called since. */
  readonly #ahead: Motion;
  /** Scratch: the goal of either. */
  readonly #there: Motion;

  #checked: Checked;
  /** What waiting changes make of the settings, one by one; and the time of the last of them. */
  readonly #changes: Checked[] = [];
  #changesTaken = 0;
  /** The settings that the last call of `change` asks for, while it waits. */
  #called: Checked | null = null;
  #lastChange = -Infinity;
  #screen: Screen = { width: 1, height: 1 };
  #sized = false;
  /** Where to stand once the size of the screen is known. */
  #placed: Start;
  /** What has been asked of abilities before. */
  readonly #untilSized: SignalBody[] = [];

  /** Calls that have taken effect since the last frame; they are stamped at the next. */
  readonly #calls: SignalBody[] = [];
  /** The first of them found the camera at rest. */
  #calledAtRest = false;
  /** `write` is being called: what it calls in turn waits for its turn. */
  #writing = false;

  /** The time that sessions count from, DOM milliseconds; null until the first frame. */
  #origin: number | null = null;
  /** The time of the last frame, microseconds. */
  #now = 0;
  /** The same, or that of the frame whose samples are coming in. */
  #latest = 0;
  #drawn = false;
  /** The time of the last frame, microseconds. */
  #frameMicros = 0;
  /** When the last signal came that changed nothing, microseconds. */
  #heardAt = 0;
  /** When the pointer will have dwelt at an edge, microseconds; null when it does not. */
  #dwells: number | null = null;
  #write: ((signal: StampedSignal) => void) | null = null;
  #observer: Observer | null = null;

  /**
   * @param settings or a list of them, each laid over those before it: `[tiles(art), game, player]`; copied, so that
   *   changing them afterwards changes nothing
   * @throws SettingsError that lists everything wrong with `settings`; TypeError for options that are none
   */
  constructor(settings: Settings | readonly Settings[] = {}, options: CameraOptions = {}) {
    super();
    const { screen, terrain, home, wake, report } = checkOptions(options);
    this.#checked = completeLayers(settings);
    this.#hands = new Hands(this.#settings);
    this.#filter = new SignalFilter(this.#settings);
    this.#wake = wake ?? (() => undefined);
    if (report) this.#reports.push(report);
    this.#terrain = this.#lastTerrain = terrain ?? null;
    this.#home = home ?? null;
    this.#timeline = new Timeline(this.#rules(this.#settings), MOVERS);
    this.#frame = this.#timeline.createMotion(this.view.look);
    this.#ahead = this.#timeline.createMotion();
    this.#there = this.#timeline.createMotion();
    this.#placed = startPlace(this.#settings, this.#timeline.rules.boundary);
    this.#restart(screen ?? null);
  }

  get #settings(): FullSettings {
    return this.#checked.settings;
  }

  /** The settings in force, with all that has been called up to now; defaults included, frozen. */
  get settings(): Readonly<FullSettings> {
    return (this.#called ?? this.#checked).settings;
  }

  /** The heights in force; null where the ground is flat. */
  get terrain(): Terrain | null {
    return this.#terrain;
  }

  /** Nothing moves, nothing waits, nothing held would move, and no target function is followed: frames change nothing. */
  get settled(): boolean {
    if (!this.#drawn || this.#calls.length > 0 || this.#dwells !== null || this.#awake > 0) return false;
    return this.#waiting.isEmpty && this.#timeline.kept.isAtRest;
  }

  /** Where the camera is heading to, with all that has been called up to now. */
  get goal(): Pose {
    const waiting = this.#waiting.isEmpty ? [] : this.#waiting.inOrder;
    const isForeseen = ({ time, body }: (typeof waiting)[number]): boolean =>
      time === -Infinity || (body.kind === 'screen' && !this.#sized);
    const called = this.#calls.length > 0 || waiting.some(isForeseen);
    if (called) this.#timeline.show(this.#now, this.#ahead);
    let changes = this.#changesTaken;
    for (const one of waiting) {
      if (isForeseen(one)) this.#foresee(one.body, changes);
      if (one.body.kind === 'change') changes += 1;
    }
    return this.#handedOut(goalPose(called ? this.#ahead : this.#frame, this.#there));
  }

  /** Lets a call that waits take effect on what lies ahead; before the first frame, the size of the screen as well. */
  #foresee(body: SignalBody, change: number): void {
    const ahead = this.#ahead;
    if (body.kind === 'screen' && !this.#sized) {
      ahead.rules = { ...this.#rules(this.#settings), screen: body };
      beginAt(ahead, this.#placed);
    } else if (body.kind === 'change') {
      const checked = this.#changes[change];
      if (checked === undefined) return;
      const { screen, boundary } = ahead.rules;
      ahead.rules = { ...this.#rules(checked.settings), screen };
      refit(ahead, ahead.rules.boundary.shape !== boundary.shape);
    } else callOn(ahead, body);
  }

  /** Where the camera is now: in the last frame. */
  get shown(): Pose {
    return this.#handedOut(poseOf(this.#shown));
  }

  /** The points of the ground that are held under screen points now: none, one or two. */
  get grips(): readonly Grip[] {
    const { hold, first, second } = this.#frame;
    if (hold.fingers === 0 && (!hold.isGrip || hold.isBelowEye)) return [];
    return hold.fingers < 2 ? [this.#gripOf(first)] : [this.#gripOf(first), this.#gripOf(second)];
  }

  #gripOf({ x, y, height, screenX, screenY }: Motion['first']): Grip {
    const { view } = this;
    const { focus, offset } = this.#frame;
    const east = x - this.#shown.x;
    const south = y - this.#shown.y;
    const at = view.toScreenFromFocus(east, south, height);
    const offX = at.x - screenX;
    const offY = at.y - screenY;
    return {
      x: view.x + east,
      y: view.y + south,
      height,
      screenX,
      screenY,
      error: Math.sqrt(offX * offX + offY * offY),
      limited: focus.isLimited || offset.isOn || view.look.v(screenY) <= view.look.reachV || !at.inFront,
    };
  }

  /** With coordinates as they are inside the first copy of a world that repeats itself. */
  #handedOut<T extends { x: number; y: number }>(place: T): T {
    const { periodX, periodY } = this.#timeline.rules.ground;
    place.x = canonical(place.x, periodX);
    place.y = canonical(place.y, periodY);
    return place;
  }

  /**
   * How far the view reaches over its bounds now, in world units; 0 when all is well. What a hand
   * pulls over an elastic edge counts.
   */
  get boundsExcess(): number {
    return excessOf(this.#timeline.rules.boundary, this.view.look, this.#shown);
  }

  /**
   * For drawing: the bounds, and where they let the focus be as the camera looks now; rings of points in
   * world units, none without bounds.
   */
  get outlines(): { readonly bounds: readonly Ring[]; readonly focus: readonly Ring[] } {
    const { bounds } = this.#settings;
    if (bounds === null) return { bounds: [], focus: [] };
    const { boundary } = this.#timeline.rules;
    return { bounds: outlinesOf(bounds), focus: focusOutlinesOf(boundary, bounds, this.view.look, this.#shown) };
  }

  /** The nearest and the farthest zoom, world units: `max` is where zooming out leads, stops aside, or what shows while it is on the way. */
  get spanRange(): { min: number; max: number } {
    const { zooming } = this.#frame;
    return { min: zooming.min, max: Math.max(this.#shown.span, zooming.farthest) };
  }

  /**
   * Hears what a device or the program did. It takes effect at its own time: at the next frame that
   * is not earlier, or at once when that time has passed. Without a time it is now. What the program calls
   * (`turn`, `tilt`, `zoom`, `pan`, `home`, `place`, `change`) shows in `goal` and `settings` at once, and in
   * `shown` with the next frame.
   *
   * @returns whether the camera has a use for it; if not, it is the page's
   * @throws TypeError for a signal of no known form; SettingsError for a bad `change`
   */
  signal(signal: Signal): boolean {
    let body = cleanSignal(signal, this.#kinds);
    if (body === null || !this.#filter.takes(body)) return false;
    if (body.kind === 'change') body = this.#amended(body);
    const asleep = this.settled;
    const given = signal.time ?? -Infinity;
    let time = Number.isFinite(given) ? given : -Infinity;
    if (body.kind === 'terrain') time = this.#checkTerrain(body, time);
    if (body.kind === 'change') {
      const isCall = time === -Infinity;
      time = this.#checkChange(body.settings, time);
      if (isCall) this.#called = this.#changes.at(-1) ?? null;
    }
    const isCall = CALLS.has(body.kind) || this.#kinds.has(body.kind);
    if (this.#kinds.has(body.kind) && !this.#sized) this.#untilSized.push(body);
    else if (time === -Infinity && isCall && this.#waiting.isEmpty && !this.#writing && this.#dwells === null)
      this.#call(body);
    else this.#waiting.add(body, time);
    if (asleep) this.attempt(this.#wake);
    return true;
  }

  /** Lets a call take effect: at the time of the last frame, so that none shows less of a motion than one before. */
  #call(body: SignalBody): void {
    const { kept } = this.#timeline;
    if (this.#calls.length === 0) this.#calledAtRest = kept.isAtRest;
    this.#timeline.runTo(this.#calledAtRest ? this.#timeline.micros : this.#lastShown);
    this.#takeEffect(body, this.#timeline.micros, null);
    this.#calls.push(body);
  }

  /** The time of the last frame, or of the last signal if that is later, microseconds. */
  get #lastShown(): number {
    return Math.max(this.#lastHeard, this.#frameMicros);
  }

  /** The time of kept motion, or of a later signal that changed nothing, microseconds. */
  get #lastHeard(): number {
    return Math.max(this.#timeline.micros, this.#heardAt);
  }

  /** The intents of a hand's signal; none for a signal without an effect; null for any other. */
  #intentsOf(body: SignalBody, at: number): readonly Intent[] | null {
    if (body.kind === 'hover') return this.#hover(body, at);
    if (body.kind === 'screen') return this.#isScreen(body) ? [] : null;
    if (body.kind === 'change') return this.#adoptForHands();
    return isOfHands(body) ? this.#hands.hear(body, this.#screen, at) : null;
  }

  #isScreen({ width, height, density }: Screen): boolean {
    const { screen } = this.#timeline.rules;
    return this.#sized && width === screen.width && height === screen.height && density === screen.density;
  }

  /** Adopts the next change if nothing that moves goes by it; what the hands ask for then. Null for any other change. */
  #adoptForHands(): readonly Intent[] | null {
    const before = this.#settings;
    const next = this.#changes[this.#changesTaken] ?? this.#checked;
    const names = Object.keys(next.settings) as (keyof FullSettings)[];
    if (!names.every((name) => HANDS.has(name) || next.settings[name] === before[name])) return null;
    if (next.settings.start !== before.start) this.#home = null;
    this.#rule(this.#takeChange());
    return this.#hands.adopt(this.#settings, this.#screen);
  }

  /** Stamps the calls since the last frame: with its own time where they found the camera at rest, for then nothing has moved since. */
  #stampCalls(): void {
    if (this.#calls.length === 0) return;
    if (this.#calledAtRest) this.#timeline.skipTo(this.#restsUntil());
    for (const body of this.#calls) this.#writeDown(body, this.#timeline.micros);
    this.#calls.length = 0;
  }

  /** A step of the grid before now, so that a frame shows the beginning; or when the next signal comes that has a time. */
  #restsUntil(): number {
    const { micros } = this.#timeline;
    const due = this.#microsAt(this.#waiting.firstTime);
    return Math.max(micros, Math.min(this.#latest - STEP_MICROS, due > micros ? due : Infinity));
  }

  /** Calls what is the game's: whatever it throws goes to `report`, and the camera goes on. Says whether all went well. */
  attempt(call: () => void): boolean {
    try {
      call();
      return true;
    } catch (error) {
      this.#report(error);
      return false;
    }
  }

  #report(error: unknown): void {
    try {
      (this.#reports.at(-1) ?? reportToConsole)(error);
    } catch {
      // There is nobody left to be told.
    }
  }

  /**
   * From now on `report` is told of what the game's callbacks throw, unless the camera was made with one.
   *
   * @returns a function that ends this
   */
  reportTo(report: (error: unknown) => void): () => void {
    checkFunction('reportTo', report);
    this.#reports.unshift(report);
    return () => {
      const index = this.#reports.indexOf(report);
      if (index >= 0) this.#reports.splice(index, 1);
    };
  }

  /**
   * Whether an input, a key's `code` or a button such as `MouseMiddle`, is bound. A modifier that only
   * comes before other inputs is not.
   */
  binds(input: string): boolean {
    return this.#filter.binds(input);
  }

  /**
   * Goes on over other heights, or over flat ground: players dig and build. What is held stays held, the
   * focus eases to its new height, and so does the eye's clearance.
   *
   * @param terrain for a part of a grid that has changed, `reshapeGrid` makes it
   * @param time when, as for a signal; now when left out
   */
  changeTerrain(terrain: Terrain | null, time = -Infinity): void {
    if (typeof time !== 'number') refuse('changeTerrain.time', time, 'milliseconds');
    if (terrain === null) {
      this.signal({ kind: 'terrain', id: null, digest: null, time });
      return;
    }
    soundTerrain('changeTerrain.terrain', terrain);
    const { id, digest } = terrain;
    const part = partChanged(this.#lastTerrain, terrain);
    this.#terrains.set(`${digest} ${id}`, terrain);
    this.signal({ kind: 'terrain', id, digest, time, ...(part === null ? {} : { part }) });
  }

  /**
   * Learns an ability that moves the camera by itself and is in a file of its own; one that it knows already changes nothing.
   * A session names those that it needs, so it has to begin after this.
   *
   * @throws RangeError for another ability of the same name, or one of the same kind of signal
   */
  learn(mover: Mover<Motion>): void {
    const { movers } = this.#timeline;
    if (movers.includes(mover)) return;
    const kinds = Object.keys(mover.signals);
    const taken = kinds.find((kind) => kind in SIGNALS || this.#kinds.has(kind));
    if (taken !== undefined || movers.some(({ name }) => name === mover.name))
      throw new RangeError(`mover: found another "${taken ?? mover.name}"; wanted a name of its own`);
    for (const [kind, plan] of plansOf(mover.signals)) this.#kinds.set(kind, plan);
    this.#timeline.learn(mover, this.#frame, this.#ahead, this.#there);
  }

  /**
   * Lets a mover hear at the beginning of a frame what it has to know in every one, such as where a target is. Nothing is
   * kept of `sample`, and it is copied only while a session is recorded.
   *
   * @param sample `ahead` is set: how much later the frame is than kept motion, seconds
   * @param time of the frame, as it is handed to a poll
   */
  feed(sample: Heard & { ahead: number }, time: number): void {
    const timeline = this.#timeline;
    this.#setLatest(time);
    this.#stampCalls();
    if (timeline.kept.isAtRest) timeline.skipTo(this.#restsUntil());
    timeline.runToMicro();
    sample.ahead = Math.max(0, this.#latest - timeline.micros) / 1e6;
    timeline.hear(sample);
    finishSignal(timeline);
    this.#look(sample.kind);
    if (this.#write !== null) this.#writeDown({ ...(sample as unknown as SignalBody) }, timeline.micros);
  }

  /**
   * Lays further settings over every change from now on, so that a scope such as a lock survives it. Sessions keep the change
   * with what was laid over it.
   *
   * @param amend receives the change; it returns what to lay over, or null
   */
  amend(amend: (change: Settings) => Settings | null): void {
    this.#amends.push(amend);
  }

  /** Kept motion and what rules it, for abilities in files of their own: to be read, not to be changed. */
  get timeline(): Timeline {
    return this.#timeline;
  }

  /** Lets kept motion be watched, by one at a time: `when` from `zesty-kite/events` does. */
  observe(observer: Observer | null): void {
    this.#observer = observer;
    observer?.restart(this.#timeline);
    this.#timeline.watch = observer && this.#look.bind(this, null);
  }

  /**
   * Calls `poll` at the start of every `advance`, for devices that have to be asked.
   *
   * @param awake the camera is not settled until the poll ends: frames go on being drawn
   * @returns a function that ends this
   */
  poll(poll: (time: number) => void, awake = false): () => void {
    checkFunction('poll', poll);
    const asleep = awake && this.settled;
    if (awake) this.#awake += 1;
    let isOn = true;
    // Each time it is added it is another, to be ended by itself.
    const added = (time: number): void => {
      poll(time);
    };
    this.#polls = [...this.#polls, added];
    if (asleep) this.attempt(this.#wake);
    return () => {
      if (awake && isOn) this.#awake -= 1;
      isOn = false;
      this.#polls = this.#polls.filter((one) => one !== added);
    };
  }

  /**
   * Begins a new session from what is shown: everything held is let go, everything moving stops.
   * `write` is then handed every signal as it takes effect, until it is replaced or null.
   */
  begin(write: ((signal: StampedSignal) => void) | null): SessionStart {
    if (write !== null) checkFunction('begin.write', write, 'a function, or null');
    this.#stampCalls();
    // Waiting calls take effect before the session begins.
    for (let body = this.#waiting.takeUntimed(); body !== null; body = this.#waiting.takeUntimed())
      this.#apply(body, this.#lastShown);
    const { kept } = this.#timeline;
    this.#timeline.runTo(this.#lastShown);
    const { x, y } = this.#handedOut({ x: kept.x, y: kept.y });
    const { span, heading, pitch } = kept;
    // Whole turns beyond what a start may say are forgotten.
    const turns = Math.abs(heading) > MAX_TURN ? 360 * Math.round(heading / 360) : 0;
    const start = { x, y, span, heading: heading - turns, pitch };
    this.#dropWaiting();
    this.#write = write;
    const screen = this.#sized ? this.#screen : null;
    this.#restart(screen, start);
    this.attempt(this.#wake);
    const learned = this.#timeline.movers.slice(MOVERS.length).map(({ name }) => name);
    return {
      settings: changeSettings(this.#checked, { start }).written,
      screen,
      home: this.#timeline.rules.home,
      ...(this.#terrain === null ? {} : { terrain: { id: this.#terrain.id, digest: this.#terrain.digest } }),
      ...(learned.length === 0 ? {} : { movers: learned }),
    };
  }

  /**
   * Moves on to a frame.
   *
   * @param time real time, milliseconds: what `requestAnimationFrame` hands over. A time that is no
   *   number, or lies before the last frame, counts as the last frame's.
   */
  advance(time: number): View {
    if (typeof time !== 'number') refuse('advance.time', time, 'milliseconds');
    if (this.#advancing) throw new Error('advance: found a call from a poll of the same camera; call it once a frame');
    this.#advancing = true;
    try {
      const polls = this.#polls;
      for (let i = 0; i < polls.length; i++) this.#poll(polls[i], time);
      this.#advanceTo(time);
    } finally {
      this.#advancing = false;
    }
    this.#observer?.tell(this);
    return this.view;
  }

  #advanceTo(time: number): void {
    if (this.#origin === null && Number.isFinite(time)) this.#origin = time;
    this.#setLatest(time);
    const leap = this.#latest - this.#now;
    this.#now = this.#latest;
    this.#stampCalls();
    if (!this.#waiting.isEmpty) this.#takeWaiting();
    else if (this.#terrains.size > 0) this.#terrains.clear();
    if (this.#dwells !== null) this.#dwellUntil(this.#now);
    if (leap > LONGEST_STRETCH_MICROS) this.#guard(this.#now);
    this.#timeline.show(this.#now, this.#frame);
    this.#frameMicros = this.#now;
    this.#drawn = true;
    this.#aim();
  }

  /** A time of the page in that of the session. */
  #microsAt(time: number): number {
    return microsOf(time - (this.#origin ?? time));
  }

  /** Sets `latest` to the time of a frame, never before the last. */
  #setLatest(time: number): void {
    this.#latest = Math.max(this.#microsAt(time), this.#now);
  }

  #poll(poll: ((time: number) => void) | undefined, time: number): void {
    // One that ended while the others were called is called no more.
    if (poll === undefined || !this.#polls.includes(poll)) return;
    try {
      poll(time);
    } catch (error) {
      this.#report(error);
    }
  }

  #aim(): View {
    readShown(this.#frame, this.#shown);
    return aim(this.view, this.#shown, this.#screen, this.#timeline.rules.ground, this.#frame.insets);
  }

  /** The same with what is laid over it. A bad change is refused before anything is. */
  #amended(body: ChangeSignal): ChangeSignal {
    if (this.#amends.length === 0) return body;
    changeSettings(this.#changes.at(-1) ?? this.#checked, body.settings);
    const layers = this.#amends.map((amend) => amend(body.settings) ?? {});
    return { kind: 'change', settings: mergeSettings(body.settings, ...layers) };
  }

  /** Refuses a change that would not do after those that wait; it never overtakes them. */
  #checkChange(change: Settings, time: number): number {
    const before = this.#changes.at(-1) ?? this.#checked;
    const checked = changeSettings(before, change);
    this.#filter.adopt(checked.settings);
    if (this.#changesTaken === this.#changes.length) {
      this.#changes.length = this.#changesTaken = 0;
      this.#lastChange = -Infinity;
    }
    this.#changes.push(checked);
    this.#lastChange = Math.max(this.#lastChange, time);
    return this.#lastChange;
  }

  #takeChange(): Checked {
    const taken = this.#changes[this.#changesTaken++] ?? this.#checked;
    if (taken === this.#called) this.#called = null;
    return taken;
  }

  /** Only a terrain that `changeTerrain` was given can be named. */
  #checkTerrain({ id, digest }: TerrainSignal, time: number): number {
    const terrain = id === null ? null : this.#terrains.get(`${String(digest)} ${id}`);
    if (terrain === undefined)
      throw new RangeError(
        `signal.id: found the terrain "${String(id)}" ${String(digest)}; wanted one that changeTerrain was given`,
      );
    this.#lastTerrain = terrain;
    return time;
  }

  /** A session begins at rest: waiting signals are dropped, waiting settings and ground are adopted. */
  #dropWaiting(): void {
    this.#waiting.clear();
    const checked = this.#changes.at(-1) ?? this.#checked;
    this.#changes.length = this.#changesTaken = 0;
    this.#called = null;
    this.#lastChange = -Infinity;
    this.#terrain = this.#lastTerrain;
    this.#terrains.clear();
    this.#rule(checked);
  }

  /** Lets everything that has waited long enough take effect, each at its own time. */
  #takeWaiting(): void {
    // What has no time and finds the camera at rest is now: not when it came to rest.
    const now = (this.#origin ?? 0) + this.#now / 1000;
    if (this.#waiting.nextTime(now) === -Infinity && this.#dwells === null && this.#timeline.kept.isAtRest)
      this.#timeline.skipTo(this.#restsUntil());
    for (;;) {
      const nextTime = this.#waiting.nextTime(now);
      const due = nextTime === -Infinity ? this.#lastShown : this.#microsAt(nextTime);
      if (due > this.#now && due <= this.#now + PATIENCE_MICROS) return;
      const body = this.#waiting.take(now);
      if (body === null) return;
      this.#apply(body, Math.min(due, this.#now));
    }
  }

  /** A clock that leaps further than anybody holds a key is a gap, and is written down as one. */
  #guard(micros: number): void {
    if (
      micros - this.#timeline.micros <= LONGEST_STRETCH_MICROS ||
      (!this.#timeline.kept.pan.isDriven && !this.#timeline.kept.isSteered)
    )
      return;
    this.#apply({ kind: 'gap', phase: 'begin' }, this.#timeline.micros + HELD_FOR_MICROS);
    this.#apply({ kind: 'gap', phase: 'end' }, micros);
  }

  /** What a dwell brings comes at its own time, before whatever is later. */
  #dwellUntil(micros: number): void {
    const due = this.#dwells;
    if (due === null || due > micros) return;
    this.#dwells = null;
    this.#timeline.runTo(Math.max(due, this.#timeline.micros));
    this.#look(null);
    this.#steer(this.#hands.dwell(), 'hover');
    this.#look('hover');
  }

  /** Lets a signal take effect at a time, or now where that has passed; writes down which. */
  #apply(body: SignalBody, due: number): void {
    this.#guard(due);
    this.#dwellUntil(due);
    const at = Math.max(due, this.#lastHeard);
    const intents = this.#intentsOf(body, at);
    // A signal without an effect does not divide a step of kept motion.
    if (intents?.every((intent) => changesNothing(this.#timeline.kept, intent)) !== true) {
      this.#timeline.runTo(at);
      this.#look(null);
      this.#takeEffect(body, at, intents);
    } else this.#heardAt = at;
    this.#writeDown(body, at);
    if (this.#sized && this.#untilSized.length > 0)
      for (const asked of this.#untilSized.splice(0)) this.#apply(asked, at);
  }

  #writeDown(body: SignalBody, at: number): void {
    // What it threw cannot undo what has happened: the recording ends there.
    const write = this.#write;
    if (write === null) return;
    this.#writing = true;
    const written = this.attempt(() => {
      write({ at, ...body });
    });
    this.#writing = false;
    if (!written) this.#write = null;
  }

  #takeEffect(body: SignalBody, at: number, intents: readonly Intent[] | null): void {
    // Other settings and other ground change where the camera goes, not where it is shown.
    const goesOn = this.#sized && (body.kind === 'change' || body.kind === 'terrain');
    const before = goesOn ? shownOf(this.#timeline.kept) : null;
    if (intents === null) this.#hear(body, at);
    else if (body.kind === 'hold' || body.kind === 'unhold' || body.kind === 'change') this.#obey(intents);
    else this.#steer(intents, body.kind);
    finishSignal(this.#timeline);
    if (before !== null) startOffset(this.#timeline.kept, before);
    this.#look(body.kind);
  }

  #hear(body: SignalBody, at: number): void {
    const { kept } = this.#timeline;
    kept.layLook();
    switch (body.kind) {
      case 'screen':
        this.#resize(body);
        break;
      case 'turn':
      case 'tilt':
      case 'zoom':
        callOn(kept, body);
        break;
      case 'gap':
        kept.pan.isStalled = body.phase === 'begin';
        break;
      case 'place':
        this.#place(body);
        break;
      case 'change':
        this.#adopt(this.#takeChange());
        break;
      case 'terrain':
        this.#rebuild(body);
        break;
      case 'release':
        this.#obey(this.#hands.hear(body, this.#screen, at));
        kept.endMovers('release');
        break;
      case 'key':
      case 'wheel':
      case 'press':
      case 'move':
      case 'lift':
      case 'pad':
      case 'hold':
      case 'unhold':
      case 'hover':
        // The hands have heard them.
        break;
      case 'home':
      case 'pan':
      default:
        // A mover's, of which there may be others than every camera has.
        if (this.#timeline.hear(body)) this.#obey(this.#hands.wait());
    }
  }

  #place({ x, y, span, heading, pitch }: PlaceSignal): void {
    const { kept } = this.#timeline;
    if (this.#sized) {
      placeAt(kept, { x, y, span, heading, pitch });
      return;
    }
    const placed = this.#placed;
    this.#placed = {
      x: x ?? placed.x,
      y: y ?? placed.y,
      span: span ?? placed.span,
      heading: heading ?? placed.heading,
      pitch: pitch ?? placed.pitch,
    };
    beginAt(kept, this.#placed);
  }

  /** A pointer that comes to an edge is asked again once it has dwelt there. */
  #hover(body: HoverSignal, at: number): readonly Intent[] {
    const { intents, enters } = this.#hands.hover(body, this.#screen);
    if (!enters) return intents;
    const dwell = Math.round((this.#settings.edge?.dwell ?? 0) * 1e6);
    if (dwell === 0) return [...intents, ...this.#hands.dwell()];
    this.#dwells = at + dwell;
    return intents;
  }

  /** What the player wants. */
  #steer(intents: readonly Intent[], by: string): void {
    this.#observer?.hands(intents, by, this.#keptTime);
    this.#obey(intents);
  }

  /** The time of kept motion, DOM milliseconds. */
  get #keptTime(): number {
    return (this.#origin ?? 0) + this.#timeline.micros / 1000;
  }

  #look(by: string | null): void {
    this.#observer?.look(this.#timeline, by, this.#keptTime);
  }

  #obey(intents: readonly Intent[]): void {
    for (const intent of intents) obey(this.#timeline, intent);
  }

  #resize(screen: Screen): void {
    if (screen.width < 1 || screen.height < 1) return;
    const { kept } = this.#timeline;
    kept.layLook();
    this.#screen = screen;
    this.#rule(this.#checked);
    if (this.#sized) resize(kept);
    else beginAt(kept, this.#placed);
    kept.endMovers('resize');
    // What is held is where it was, and the focus is not: that was no movement of the hand.
    if (kept.hold.fingers > 0) this.#timeline.handMoved(true, false);
    this.#sized = true;
  }

  #adopt(checked: Checked): void {
    const { shape } = this.#timeline.rules.boundary;
    const { locked, start } = this.#settings;
    if (checked.settings.start !== start) this.#home = null;
    this.#rule(checked);
    const { kept, rules } = this.#timeline;
    kept.layLook();
    kept.endMovers(this.#settings.locked === locked ? 'change' : 'lock');
    refit(kept, rules.boundary.shape !== shape);
    this.#obey(this.#hands.adopt(this.#settings, this.#screen));
  }

  #rebuild({ id, digest }: TerrainSignal): void {
    const key = `${String(digest)} ${String(id)}`;
    this.#terrain = this.#terrains.get(key) ?? null;
    this.#rule(this.#checked);
    this.#timeline.kept.level.isStale = true;
  }

  /** From now on by these settings, on this screen. A boundary takes a while to make: it is kept. */
  #rule(checked: Checked): void {
    const { boundary } = this.#timeline.rules;
    const before = this.#settings;
    const { settings } = checked;
    // Without bounds, or in a world that repeats itself, it depends on the zoom range.
    const isFixed = settings.bounds !== null && settings.wrap.x === null && settings.wrap.y === null;
    const stays =
      settings.bounds === before.bounds &&
      settings.wrap === before.wrap &&
      (isFixed ? isZoomLimited(settings) === isZoomLimited(before) : settings.zoom === before.zoom);
    this.#checked = checked;
    const kept = stays ? boundary : boundaryOf(settings, { boundary, settings: before });
    this.#timeline.adopt(this.#rules(settings, kept));
  }

  #rules(settings: FullSettings, boundary?: Boundary): Rules {
    const terrain = this.#terrain && soundTerrain('terrain', this.#terrain);
    const ruling = { settings, screen: this.#screen, terrain, home: this.#home };
    return createRules(boundary === undefined ? ruling : { ...ruling, boundary });
  }

  /** Time zero: as a player of the session would find it. */
  #restart(screen: Screen | null, start = startPlace(this.#settings, this.#timeline.rules.boundary)): void {
    this.#hands.release();
    this.#filter.restart(this.#settings, screen ?? this.#screen);
    this.#dwells = null;
    this.#timeline.restart();
    this.#origin = null;
    this.#now = this.#latest = this.#frameMicros = this.#heardAt = 0;
    this.#drawn = false;
    this.#sized = false;
    this.#placed = start;
    beginAt(this.#timeline.kept, this.#placed);
    if (screen !== null) this.#resize(cleanScreen(screen));
    this.#timeline.show(this.#now, this.#frame);
    this.#aim();
    this.#observer?.restart(this.#timeline);
  }
}

/** Whether the hands hear a signal, and nobody else does. */
function isOfHands(body: SignalBody): body is Exclude<HandSignal, { readonly kind: 'release' }> {
  return HELD.has(body.kind);
}

const HELD: ReadonlySet<string> = new Set(['key', 'wheel', 'press', 'move', 'lift', 'pad', 'hold', 'unhold']);

function poseOf({ x, y, focusHeight, span, heading, pitch, fieldOfView }: Readonly<Pose>): Pose {
  return { x, y, focusHeight, span, heading, pitch, fieldOfView };
}

function checkOptions(options: CameraOptions): CameraOptions {
  const given: unknown = options;
  if (typeof given !== 'object' || given === null || Array.isArray(given))
    throw new TypeError(`options: found ${shown(given)}; wanted an object such as { screen, terrain, wake }`);
  for (const name of ['wake', 'report'] as const) {
    const callback: unknown = options[name];
    if (callback !== undefined && typeof callback !== 'function')
      throw new TypeError(`options.${name}: found ${shown(callback)}; wanted a function, or nothing`);
  }
  for (const name of ['screen', 'terrain'] as const) {
    const value: unknown = options[name];
    if (value !== undefined && typeof value !== 'object')
      throw new TypeError(`options.${name}: found ${shown(value)}; wanted an object, null, or nothing`);
  }
  if (options.terrain) soundTerrain('options.terrain', options.terrain);
  return options;
}

/** Engines without a console stay silent. */
function reportToConsole(error: unknown): void {
  /* eslint-disable-next-line no-restricted-globals -- nothing is read there: errors that nobody else takes are written */
  (globalThis as { readonly console?: { error(error: unknown): void } }).console?.error(error);
}
