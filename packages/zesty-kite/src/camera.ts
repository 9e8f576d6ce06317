/** The one class that ties settings, signals, motion, limits and view together. */
import {
  cleanScreen,
  cleanSignal,
  Hands,
  SignalQueue,
  type PanIntent,
  type PlaceSignal,
  type Signal,
  type SignalBody,
  type StampedSignal,
} from './control/index.ts';
import { boundsExcess } from './limits/index.ts';
import {
  Course,
  goalPose,
  isAtRest,
  isPanning,
  microsOf,
  Motion,
  placeAt,
  refit,
  resize,
  startPose,
  takeGrip,
  zoomBy,
} from './motion/index.ts';
import { checkSettings, mergeSettings, type FullSettings, type Settings } from './settings/index.ts';
import { aim, View, type Pose, type Screen } from './view/index.ts';

/** What is not data and so no setting. */
export interface CameraOptions {
  /** The size of what is drawn on, where it is known before the first `screen` signal. */
  readonly screen?: Screen | null;
  /** Called when something comes in while the camera is settled: time to draw frames again. */
  readonly wake?: () => void;
}

/** A ground point held under a screen point. */
export interface Grip {
  /** The ground point, world units. */
  readonly x: number;
  readonly y: number;
  /** The screen point, CSS pixels from the top left. */
  readonly screenX: number;
  readonly screenY: number;
  /** A limit binds, so that the point need not be there. */
  readonly limited: boolean;
}

/** What a session begins with. */
export interface SessionStart {
  readonly settings: Settings;
  readonly screen: Screen | null;
}

/** A signal later than the frame is waited for; if by more than an hour, it is from another clock. */
const PATIENCE_MICROS = 3600 * 1_000_000;
/** Held keys do not run for longer than this between two frames, whatever the clock says. */
const LONGEST_STRETCH_MICROS = 3600 * 1_000_000;

/**
 * A camera above the ground.
 *
 * ```ts
 * const camera = new Camera({ bounds: { left: 0, top: 0, right: 1024, bottom: 768 } });
 * const view = camera.advance(performance.now());
 * ```
 */
export class Camera {
  /** What is shown; aimed anew by each `advance`, always the same object. */
  readonly view: View = new View();

  readonly #wake: () => void;
  readonly #polls: ((time: number) => void)[] = [];
  readonly #waiting = new SignalQueue();
  readonly #hands = new Hands();
  readonly #course: Course;
  readonly #frame = new Motion();

  #written: Settings;
  #settings: FullSettings;
  #screen: Screen = { width: 1, height: 1 };
  #sized = false;
  /** Where to stand once the size of the screen is known. */
  #placed: Pose;

  /** The time that sessions count from, DOM milliseconds; null until the first frame. */
  #origin: number | null = null;
  /** The time of the last frame. */
  #micros = 0;
  #drawn = false;
  #write: ((signal: StampedSignal) => void) | null = null;

  /** @throws SettingsError that lists everything wrong with `settings` */
  constructor(settings: Settings = {}, options: CameraOptions = {}) {
    checkSettings(settings);
    this.#written = mergeSettings({}, settings);
    this.#settings = checkSettings(this.#written);
    this.#wake = options.wake ?? (() => undefined);
    this.#course = new Course(this.#settings, this.#screen);
    this.#placed = startPose(this.#settings);
    this.#restart(options.screen ?? null);
  }

  /** The settings in force, defaults included. */
  get settings(): Readonly<FullSettings> {
    return this.#settings;
  }

  /** Nothing moves, nothing waits and nothing held would move: frames change nothing. */
  get settled(): boolean {
    return this.#drawn && this.#waiting.isEmpty && isAtRest(this.#course.kept);
  }

  /** Where the camera is heading to. */
  get goal(): Pose {
    return goalPose(this.#frame, this.#course.limits, { x: 0, y: 0, span: 1 });
  }

  /** Where the camera is now. */
  get shown(): Pose {
    return { x: this.#frame.x, y: this.#frame.y, span: this.#frame.span };
  }

  /** The ground point held now, or null. */
  get grip(): Grip | null {
    const { gripping, heldX, heldY, gripX, gripY, limited } = this.#frame;
    if (!gripping) return null;
    const { width, height } = this.#screen;
    const screenX = gripX * height + width / 2;
    const screenY = gripY * height + height / 2;
    return { x: heldX, y: heldY, screenX, screenY, limited };
  }

  /** How far the view reaches over its bounds now, in world units; 0 when all is well. */
  get boundsExcess(): number {
    return boundsExcess(this.view, this.#course.limits);
  }

  /** The spans allowed on this screen, world units. */
  get spanRange(): { least: number; most: number } {
    return { least: this.#course.limits.least, most: this.#course.limits.most };
  }

  /**
   * Hears what a device or the program did. It takes effect at its own time: at the next frame that
   * is not earlier, or at once when that time has passed.
   *
   * @returns whether the camera has a use for it; if not, it is the page's
   * @throws TypeError for a signal of no known form; SettingsError for a bad `change`
   */
  signal(signal: Signal): boolean {
    const body = cleanSignal(signal);
    if (body.kind === 'key' && !Hands.bound(body.code, this.#settings)) return false;
    const asleep = this.settled;
    const given = signal.time ?? -Infinity;
    let time = Number.isFinite(given) ? given : -Infinity;
    if (body.kind === 'change') time = this.#checkChange(body.settings, time);
    this.#waiting.add(body, time);
    if (asleep) this.#wake();
    return true;
  }

  /** Puts the camera somewhere at once, inside its limits: `camera.place({ x: 512, span: 200 })`. */
  place(pose: Omit<PlaceSignal, 'kind'>): void {
    this.signal({ ...pose, kind: 'place' });
  }

  /**
   * Changes some settings while the camera lives: `camera.change({ pan: { speed: 1.5 } })`.
   *
   * @throws SettingsError; then nothing has changed
   */
  change(settings: Settings): void {
    this.signal({ kind: 'change', settings });
  }

  /**
   * Calls `poll` at the start of every `advance`, for devices that have to be asked.
   *
   * @returns a function that ends this
   */
  poll(poll: (time: number) => void): () => void {
    this.#polls.push(poll);
    return () => {
      const index = this.#polls.indexOf(poll);
      if (index >= 0) this.#polls.splice(index, 1);
    };
  }

  /**
   * Begins a new session from what is shown: everything held is let go, everything moving stops.
   * `write` is then handed every signal as it takes effect, until it is replaced or null.
   */
  begin(write: ((signal: StampedSignal) => void) | null): SessionStart {
    this.#written = mergeSettings(this.#written, { start: this.shown });
    this.#settings = checkSettings(this.#written);
    this.#write = write;
    const screen = this.#sized ? this.#screen : null;
    this.#restart(screen);
    this.#wake();
    return { settings: this.#written, screen };
  }

  /**
   * Moves on to a frame.
   *
   * @param time real time, milliseconds: what `requestAnimationFrame` hands over. A time that is no
   *   number, or lies before the last frame, counts as the last frame's.
   */
  advance(time: number): View {
    for (let i = 0; i < this.#polls.length; i++) this.#polls[i]?.(time);
    if (this.#origin === null && Number.isFinite(time)) this.#origin = time;
    const micros = microsOf(time - (this.#origin ?? time));
    const leap = micros - this.#micros;
    if (leap > 0) this.#micros = micros;
    if (!this.#waiting.isEmpty) this.#takeWaiting();
    if (leap > LONGEST_STRETCH_MICROS) this.#guard(micros);
    this.#course.show(this.#micros, this.#frame);
    this.#drawn = true;
    return aim(this.view, this.#frame, this.#screen, this.#settings.ground);
  }

  /** Refuses a change that would not do after those that wait; it never overtakes them. */
  #checkChange(change: Settings, time: number): number {
    let settings = this.#written;
    let earliest = time;
    for (const { body, time: waited } of this.#waiting) {
      if (body.kind !== 'change') continue;
      settings = mergeSettings(settings, body.settings);
      earliest = Math.max(earliest, waited);
    }
    checkSettings(mergeSettings(settings, change));
    return earliest;
  }

  /** Lets everything that has waited long enough take effect, each at its own time. */
  #takeWaiting(): void {
    for (;;) {
      const time = this.#waiting.nextTime;
      const due = microsOf(time - (this.#origin ?? time));
      if (due > this.#micros && due <= this.#micros + PATIENCE_MICROS) return;
      const body = this.#waiting.take();
      if (body === null) return;
      this.#apply(body, Math.min(due, this.#micros));
    }
  }

  /** A clock that leaps further than anybody holds a key is a gap, and is written down as one. */
  #guard(micros: number): void {
    if (micros - this.#course.micros <= LONGEST_STRETCH_MICROS || !isPanning(this.#course.kept)) return;
    this.#apply({ kind: 'gap', phase: 'begin' }, 0);
    this.#apply({ kind: 'gap', phase: 'end' }, micros);
  }

  /** Lets a signal take effect at a time, or now where that has passed; writes down which. */
  #apply(body: SignalBody, due: number): void {
    this.#guard(due);
    const kept = this.#course.kept;
    const at = Math.max(due, this.#course.micros);
    this.#course.runTo(at);
    this.#write?.({ at, ...body });
    switch (body.kind) {
      case 'screen':
        this.#resize(body);
        break;
      case 'key':
        this.#pan(this.#hands.key(body, this.#settings));
        break;
      case 'wheel': {
        const { octaves, gripX, gripY } = this.#hands.wheel(body, this.#settings, this.#screen);
        takeGrip(kept, gripX, gripY);
        zoomBy(kept, this.#course.limits, octaves);
        break;
      }
      case 'release':
        this.#pan(this.#hands.release());
        break;
      case 'gap':
        kept.stalled = body.phase === 'begin';
        break;
      case 'place':
        this.#placed = {
          x: body.x ?? kept.x,
          y: body.y ?? kept.y,
          span: body.span ?? kept.span,
        };
        placeAt(kept, this.#course.limits, this.#placed);
        break;
      case 'change':
        this.#adopt(mergeSettings(this.#written, body.settings));
        break;
    }
  }

  #pan({ right, down }: PanIntent): void {
    this.#course.kept.targetX = right;
    this.#course.kept.targetY = down;
  }

  #resize(screen: Screen): void {
    if (screen.width < 1 || screen.height < 1) return;
    const { kept } = this.#course;
    const from = this.#screen;
    this.#screen = { width: screen.width, height: screen.height };
    this.#course.adopt(this.#settings, this.#screen);
    if (this.#sized) resize(kept, this.#course.limits, from, this.#screen, this.#settings.resize.keep);
    else placeAt(kept, this.#course.limits, this.#placed);
    this.#sized = true;
  }

  #adopt(written: Settings): void {
    this.#settings = checkSettings(written);
    this.#written = written;
    this.#course.adopt(this.#settings, this.#screen);
    refit(this.#course.kept, this.#course.limits);
    this.#hands.keepBound(this.#settings);
    this.#pan(this.#hands.pan(this.#settings));
  }

  /** Time zero: as a player of the session would find it. */
  #restart(screen: Screen | null): void {
    this.#hands.release();
    this.#course.restart();
    this.#origin = null;
    this.#micros = 0;
    this.#drawn = false;
    this.#sized = false;
    this.#placed = startPose(this.#settings);
    placeAt(this.#course.kept, this.#course.limits, this.#placed);
    if (screen !== null) this.#resize(cleanScreen(screen));
    this.#frame.copyFrom(this.#course.kept);
    aim(this.view, this.#frame, this.#screen, this.#settings.ground);
  }
}
