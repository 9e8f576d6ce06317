/** Samples of a target that moves: a bad one is ignored. */
import type { Camera } from '../camera/index.ts';
import { reportsOf } from '../reports.ts';
import { refuse } from '../messages/index.ts';
import type { Point } from '../view/index.ts';

/** As far as a camera goes, world units. */
const FARTHEST = 1e12;
const POINT = 'a point {x, y} of finite numbers';

/** The place of a target. */
export interface Target extends Readonly<Point> {
  /** World units; on the ground when left out. */
  readonly height?: number;
  /** Degrees clockwise. */
  readonly heading?: number;
  /** When it was there: milliseconds, on the clock of `advance`. */
  readonly time?: number;
}

/** Whether a value is a point of the ground: `x` and `y` are finite, and within 1e12 world units. */
function isPoint(value: unknown): value is Point {
  if (typeof value !== 'object' || value === null) return false;
  const { x, y } = value as Partial<Record<'x' | 'y', unknown>>;
  return typeof x === 'number' && typeof y === 'number' && Math.abs(x) <= FARTHEST && Math.abs(y) <= FARTHEST;
}

/** @throws TypeError that names `path` */
export function checkedPoint(path: string, value: unknown): Point {
  if (isPoint(value)) return value;
  return refuse(path, value, POINT);
}

/** The last good sample: numbers in a class, as engines box those of other objects. */
class Sample {
  x = -0.5;
  y = -0.5;
  /** NaN: none was given. */
  height = NaN;
  heading = NaN;
  time = NaN;
}

/** A target function of the game. */
export class Samples {
  readonly last: Readonly<Sample>;
  readonly #last = new Sample();
  readonly #camera: Camera;
  readonly #path: string;
  readonly #find: () => Target | null;
  #isReported = false;
  #isLost = false;

  /**
   * @param path names the function in messages
   * @param find null means that the target is lost
   * @throws TypeError for a first sample that is bad or lost
   */
  constructor(camera: Camera, path: string, find: () => Target | null) {
    this.last = this.#last;
    this.#camera = camera;
    this.#path = path;
    this.#find = find;
    this.#take(checkedPoint(path, find()));
  }

  /** The present sample. A bad sample is reported once, and the last good one is returned in its place. */
  next(): Readonly<Sample> | null {
    try {
      this.#sample();
    } catch (error) {
      this.#report(error);
    }
    return this.#isLost ? null : this.last;
  }

  #report(error: unknown): void {
    if (this.#isReported) return;
    this.#isReported = true;
    reportsOf(this.#camera).report(error);
  }

  #sample(): void {
    const sample = this.#find();
    this.#isLost = sample === null;
    if (sample !== null) this.#take(sample);
  }

  #take(sample: Target): void {
    checkedPoint(this.#path, sample);
    const { x, y, height = NaN, heading = NaN, time = NaN } = sample;
    if (!isNumber(height)) this.#refuse('height', height);
    if (!isNumber(heading)) this.#refuse('heading', heading);
    if (!isNumber(time)) this.#refuse('time', time);
    const last = this.#last;
    last.x = x;
    last.y = y;
    last.height = height;
    last.heading = heading;
    last.time = time;
  }

  #refuse(name: string, got: unknown): never {
    return refuse(`${this.#path}.${name}`, got, 'a finite number');
  }
}

/** NaN stands for none. */
function isNumber(value: unknown): boolean {
  return typeof value === 'number' && Math.abs(value) !== Infinity;
}
