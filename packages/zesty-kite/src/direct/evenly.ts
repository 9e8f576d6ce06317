/** A target that moves in ticks, as it would move evenly: between its last two ticks, one tick later. */
import type { Point } from '../view/index.ts';

/** The part of a tick beyond the last one for which it goes on as it went: a frame may come late. */
const BEYOND = 0.5;
/** A tick of more milliseconds than this is a pause. */
const LONGEST = 1000;

/** Its place at a tick. */
class Tick {
  x = -0.5;
  y = -0.5;
  time = NaN;

  copyFrom({ x, y, time }: Tick): void {
    this.x = x;
    this.y = y;
    this.time = time;
  }
}

export class Evenly implements Point {
  x = -0.5;
  y = -0.5;
  readonly #before = new Tick();
  readonly #last = new Tick();
  /** Milliseconds from tick to tick; NaN when samples carry their times. */
  readonly #interval: number;
  #frame = NaN;

  /** @param ticks a second; undefined when each sample carries its time */
  constructor(ticks: number | undefined) {
    this.#interval = ticks === undefined ? NaN : 1000 / ticks;
  }

  /**
   * Sets `x` and `y` to where it is in a frame.
   *
   * @param time of the sample, milliseconds; NaN for a sample without a time
   * @param frame the time of the frame, milliseconds
   */
  update(sample: Readonly<Point>, time: number, frame: number): void {
    const last = this.#last;
    if (Number.isNaN(last.time)) {
      this.#put(sample, Number.isNaN(time) ? frame : time);
      this.#before.copyFrom(last);
    } else if (Number.isNaN(time)) this.#lookAtPlace(sample, frame);
    else if (time > last.time) this.#put(sample, time);
    this.#frame = frame;
    this.#show(frame);
  }

  /** Without a time a sample is of a new tick if it is elsewhere. The tick fell between the frame before and this one. */
  #lookAtPlace(sample: Readonly<Point>, frame: number): void {
    const last = this.#last;
    if (sample.x === last.x && sample.y === last.y) return;
    const ticks = Math.max(1, Math.round(((this.#frame + frame) / 2 - last.time) / this.#interval));
    const expected = last.time + ticks * this.#interval;
    this.#put(sample, Math.min(Math.max(expected, this.#frame), frame));
    // While it stood nothing was new.
    if (ticks > 1) this.#before.time = last.time - this.#interval;
  }

  #put({ x, y }: Readonly<Point>, time: number): void {
    this.#before.copyFrom(this.#last);
    this.#last.x = x;
    this.#last.y = y;
    this.#last.time = time;
  }

  #show(frame: number): void {
    const before = this.#before;
    const last = this.#last;
    const interval = last.time - before.time;
    const share = interval > 0 && interval <= LONGEST ? (frame - last.time) / interval : 1;
    // Beyond a tick it has stopped, or the next is late: it comes to rest at its last place.
    const shown = share > 1 + BEYOND ? 1 : Math.max(0, share);
    this.x = before.x + (last.x - before.x) * shown;
    this.y = before.y + (last.y - before.y) * shown;
  }
}
