/** The places that the camera has visited, with back and forward, as in a browser. */
import { checkList, checkNumber, checkObject } from '../messages/index.ts';
import { rigOf, type Camera, type Rig } from '../camera/index.ts';
import { clamp, log2, norm } from '../math/index.ts';
import { nearestCopy, type View } from '../view/index.ts';
import type { Arrival } from './way.ts';
import { checkedMark, markOf, type Mark } from './marks.ts';
import { travel, type TravelOptions } from './travel.ts';

export interface VisitsOptions {
  /** Seconds of rest that count as a visit; 0.5 by default. */
  readonly stay?: number;
  /** What lies nearer to the last visit is none of its own, in spans; a zoom by as many octaves, or 60° of a turn for each, is as far. 0.5 when left out. */
  readonly apart?: number;
  /** Older visits are forgotten; 50 when left out. */
  readonly max?: number;
}

/** Plain data, for a saved game. */
export interface SavedVisits {
  /** The visited places, the oldest first. */
  readonly places: readonly Mark[];
  /** Which of them the camera is at. */
  readonly at: number;
}

/** Written in every frame that moves: in a class, as engines box the numbers of other objects. */
class Seen {
  x = NaN;
  y = NaN;
  span = NaN;
  heading = NaN;
  pitch = NaN;
}

/** Degrees that a turn or a tilt has to come to, to count as a span. */
const TURN = 60;

/**
 * The places where the camera rested, with back and forward.
 *
 * ```ts
 * const visits = new Visits(camera);
 * await visits.back();
 * ```
 */
export class Visits {
  readonly #camera: Camera;
  readonly #rig: Rig;
  readonly #stay: number;
  readonly #apart: number;
  readonly #max: number;
  readonly #places: Mark[];
  #at: number;
  readonly #end: () => void;
  /** What was shown when the camera was looked at last, and since when: milliseconds. */
  readonly #seen = new Seen();
  #since = NaN;
  #lastFrame = NaN;
  #noted = false;

  /**
   * @param saved what `toJSON` gave
   * @throws TypeError for what is no place
   */
  constructor(camera: Camera, saved?: SavedVisits | null, options: VisitsOptions = {}) {
    this.#camera = camera;
    this.#rig = rigOf('Visits', camera);
    checkObject('visits.options', options, 'an object such as { stay: 0.5 }');
    const { stay = 0.5, apart = 0.5, max = 50 } = options;
    checkNumber('visits.options.stay', stay, 0, 3600);
    checkNumber('visits.options.apart', apart, 0, 1e6);
    checkNumber('visits.options.max', max, 1, 1e6);
    const given: unknown = saved ?? {};
    checkObject('visits', given, 'what toJSON gave, or nothing');
    const { places = [], at = 0 } = given as Partial<SavedVisits>;
    checkList('visits.places', places, 'a list of marks');
    checkNumber('visits.at', at, 0, Number.MAX_SAFE_INTEGER);
    this.#stay = stay * 1000;
    this.#apart = apart;
    this.#max = max;
    this.#places = places.map((place, i) => checkedMark(`visits.places[${String(i)}]`, place));
    if (this.#places.length === 0) this.#places.push(markOf(camera));
    this.#at = clamp(Math.floor(at), 0, this.#places.length - 1);
    this.#end = camera.poll((time) => {
      this.#observe(time);
    });
  }

  /** True if there is a place to go back to. */
  get canGoBack(): boolean {
    return this.#at > 0 || this.#isFar(markOf(this.#camera));
  }

  /** True if there is a place to go forward to. */
  get canGoForward(): boolean {
    return this.#at < this.#places.length - 1 && !this.#isFar(markOf(this.#camera));
  }

  /** Travels to the visit before; null if there is none. */
  back(options?: TravelOptions): Promise<Arrival> | null {
    this.#note(markOf(this.#camera));
    return this.#goTo(this.#at - 1, options);
  }

  /** Travels on to the visit after; null if there is none. */
  forward(options?: TravelOptions): Promise<Arrival> | null {
    this.#note(markOf(this.#camera));
    return this.#goTo(this.#at + 1, options);
  }

  /** Plain data, for a saved game. */
  toJSON(): SavedVisits {
    return { places: [...this.#places], at: this.#at };
  }

  /** From here on it looks at the camera no more. */
  end(): void {
    this.#end();
  }

  #goTo(at: number, options?: TravelOptions): Promise<Arrival> | null {
    const place = this.#places[at];
    if (place === undefined) return null;
    this.#at = at;
    // The next frame still finds the camera here, before it sets out: that is no visit of its own.
    this.#see(this.#camera.view);
    this.#noted = true;
    return travel(this.#camera, place, options);
  }

  /** At the beginning of a frame: the time at rest at the pose of the frame before. */
  #observe(time: number): void {
    if (this.#see(this.#camera.view)) {
      const { inbox, stage } = this.#rig;
      const wasAtRest = inbox.hasCalls ? inbox.calledAtRest : stage.timeline.kept.isAtRest;
      // In mid-journey a pose that shows for long is no rest.
      this.#since = wasAtRest ? this.#lastFrame : time;
      this.#noted = false;
    }
    this.#lastFrame = time;
    if (this.#noted || !(time - this.#since >= this.#stay)) return;
    this.#noted = true;
    const { x, y, span, heading, pitch } = this.#seen;
    this.#note({ x, y, span, heading, pitch });
  }

  /** Remembers the pose, and says whether it is another one than before. */
  #see({ x, y, span, heading, pitch }: View): boolean {
    const seen = this.#seen;
    const stands =
      x === seen.x && y === seen.y && span === seen.span && heading === seen.heading && pitch === seen.pitch;
    seen.x = x;
    seen.y = y;
    seen.span = span;
    seen.heading = heading;
    seen.pitch = pitch;
    return !stands;
  }

  /** A visit, if it is far from the last one: what was farther on is forgotten. */
  #note(place: Mark): void {
    if (!this.#isFar(place)) return;
    this.#places.splice(this.#at + 1, Infinity, place);
    if (this.#places.length > this.#max) this.#places.shift();
    this.#at = this.#places.length - 1;
  }

  #isFar({ x, y, span, heading, pitch }: Mark): boolean {
    const last = this.#places[this.#at];
    if (last === undefined) return true;
    const { periodX = 0, periodY = 0 } = this.#camera.view.ground;
    const offX = nearestCopy(x - last.x, periodX);
    const offY = nearestCopy(y - last.y, periodY);
    const turned = heading - last.heading;
    const farthest = Math.max(
      norm(offX, offY) / Math.min(span, last.span),
      Math.abs(log2(span / last.span)),
      Math.abs(turned - 360 * Math.round(turned / 360)) / TURN,
      Math.abs(pitch - last.pitch) / TURN,
    );
    return farthest > this.#apart;
  }
}
