/** A player for the tests of a game: hands without a browser, frames at a rate, and what to expect of the camera. */
import type { Camera, Grip } from '../camera/index.ts';
import { checkMade, checkNumber, checkObject, refuse, sentence } from '../messages/index.ts';
import type { Button, InputName } from '../settings/index.ts';
import type { Signal } from '../signals/index.ts';
import type { Point, ScreenPoint, Spot, View } from '../view/index.ts';
import type { Drag, Pinch, SimulatedPlayerOptions } from './gestures.ts';

/** Seconds after which the camera has to be at rest. */
const MOST_SECONDS = 60;

/**
 * A player without a browser, for tests of games: input, frames at a rate, and expectations.
 *
 * ```ts
 * const player = new SimulatedPlayer(camera, { screen: { width: 1280, height: 800 } });
 * player.hold('KeyD', 1);
 * const [held] = player.drag({ from: { x: 400, y: 300 }, to: { x: 700, y: 500 } });
 * player.expectUnder(held, { x: 700, y: 500 });
 * player.settle();
 * player.expectInsideBounds();
 * ```
 */
export class SimulatedPlayer {
  /** The camera that the player steers. */
  readonly camera: Camera;
  readonly #interval: number;
  readonly #onFrame: (view: View) => void;
  /** Milliseconds. */
  #time = 0;
  #frames = 0;
  #lastId = 0;

  /** Draws the first frame. @throws TypeError, RangeError for what is no camera, rate or size */
  constructor(camera: Camera, options: SimulatedPlayerOptions = {}) {
    checkMade('SimulatedPlayer.camera', camera, 'advance', 'a camera');
    checkObject('SimulatedPlayer.options', options, 'an object such as { rate: 60 }');
    const { rate = 60, screen = { width: 1280, height: 800 }, onFrame = () => undefined } = options;
    checkNumber('SimulatedPlayer.options.rate', rate, 1, 1e4);
    checkObject('SimulatedPlayer.options.screen', screen, 'a size {width, height}');
    this.camera = camera;
    this.#interval = 1000 / rate;
    this.#onFrame = onFrame;
    this.#send({ kind: 'screen', ...screen });
    this.#draw();
  }

  /** Seconds since the first frame. */
  get seconds(): number {
    return this.#time / 1000;
  }

  /** Draws frames for so long. */
  wait(seconds: number): View {
    checkNumber('SimulatedPlayer.wait', seconds, 0, 3600);
    return this.#over(seconds, () => undefined);
  }

  /** Draws frames until nothing moves. @throws Error if something still moves after a minute */
  settle(): View {
    const end = this.seconds + MOST_SECONDS;
    do this.#frame();
    while (!this.camera.settled && this.seconds < end);
    this.expectAtRest();
    return this.camera.advance(this.#time);
  }

  /** Presses a key or several, and holds them for so long: `hold(['KeyD', 'ShiftLeft'], 1)`. */
  hold(codes: InputName | readonly InputName[], seconds: number): View {
    checkNumber('SimulatedPlayer.hold.seconds', seconds, 0, 3600);
    const all = [codes].flat();
    for (const code of all) this.#send({ kind: 'key', code, down: true });
    const view = this.wait(seconds);
    for (const code of all) this.#send({ kind: 'key', code, down: false });
    return view;
  }

  /** Presses a key, and lets it go at once. */
  press(code: InputName): View {
    return this.hold(code, 0);
  }

  /** Turns the wheel by notches (above 0 comes nearer) over a point, one a frame. */
  wheel(notches: number, at: Point): View {
    checkNumber('SimulatedPlayer.wheel.notches', notches, -1000, 1000);
    const { x, y } = pointOf('wheel.at', at);
    for (let left = Math.abs(notches); left > 0; left -= 1) {
      this.#send({ kind: 'wheel', x, y, notches: Math.sign(notches) * Math.min(1, left) });
      this.#frame();
    }
    return this.camera.advance(this.#time);
  }

  /** Moves the pointer there with no button down; with nothing, it leaves the screen. Bands at the edges pan. */
  point(at?: Point): void {
    this.#send(at === undefined ? { kind: 'hover' } : { kind: 'hover', ...pointOf('point', at) });
  }

  /** Drags from one point to another. @returns the grips just before the pointer is lifted: none if the input drags nothing */
  drag({ from, to, seconds = 0.3, input = 'MouseMiddle', rest = 0.2 }: Drag): readonly Grip[] {
    return this.#hands([{ from, to, input }], seconds, rest, 'drag');
  }

  /** Pinches, twists or drags with two fingers. @returns the two grips just before they are lifted */
  pinch({ from, to, seconds = 0.3, rest = 0.2 }: Pinch): readonly Grip[] {
    const fingers = ([0, 1] as const).map((i) => ({ from: from[i], to: to[i], input: 'Touch' as const }));
    return this.#hands(fingers, seconds, rest, 'pinch');
  }

  /** Presses and lifts at a point. */
  tap(at: Point, input: Button = 'Touch'): View {
    const { x, y } = pointOf('tap', at);
    const id = (this.#lastId += 1);
    this.#send({ kind: 'press', id, input, x, y });
    this.wait(0.05);
    this.#send({ kind: 'lift', id });
    return this.wait(0.05);
  }

  /** Sends any signal at the time of the next frame: of a pad, of an ability. @returns whether the camera uses it */
  signal(signal: Signal): boolean {
    return this.#send(signal);
  }

  /** @throws Error unless a point of the world shows under a screen point, within CSS pixels */
  expectUnder(point: Partial<Spot> | undefined, at: Point, pixels = 1e-3): void {
    const { x, y } = pointOf('expectUnder.at', at);
    const { view } = this;
    if (point?.x === undefined || point.y === undefined)
      return refuse('SimulatedPlayer.expectUnder.point', point, 'a point {x, y}: nothing was held');
    const shown: ScreenPoint = view.toScreen(point.x, point.y, point.height ?? view.focusHeight);
    const [right, down] = [shown.x - x, shown.y - y];
    const off = Math.sqrt(right * right + down * down);
    if (!(off <= pixels))
      fail(
        'expectUnder',
        `${textOf(shown)}, ${off.toPrecision(3)} px off`,
        `${textOf({ x, y })}, within ${String(pixels)} px`,
      );
  }

  /** @throws Error unless the camera is at rest and no held input would move it */
  expectAtRest(): void {
    if (!this.camera.settled)
      fail('expectAtRest', `a camera that moves at ${this.seconds.toFixed(2)} s`, 'one at rest');
  }

  /** @throws Error unless the view, or the focus if that is what the settings keep, is inside the bounds; to 1e-6 of the span */
  expectInsideBounds(): void {
    const { boundsExcess, view } = this.camera;
    if (!(boundsExcess <= 1e-6 * view.span))
      fail('expectInsideBounds', `${boundsExcess.toPrecision(3)} world units outside`, 'a view inside the bounds');
  }

  /** The view of the last frame. */
  get view(): View {
    return this.camera.view;
  }

  /** Presses one by one, moves them together, rests and lifts. */
  #hands(
    hands: readonly { readonly from: Point; readonly to: Point; readonly input: Button }[],
    seconds: number,
    rest: number,
    call: string,
  ): readonly Grip[] {
    checkNumber(`SimulatedPlayer.${call}.seconds`, seconds, 0, 3600);
    checkNumber(`SimulatedPlayer.${call}.rest`, rest, 0, 3600);
    const moves = hands.map(({ from, to, input }) => ({
      id: (this.#lastId += 1),
      input,
      from: pointOf(`${call}.from`, from),
      to: pointOf(`${call}.to`, to),
    }));
    for (const { id, input, from } of moves) this.#send({ kind: 'press', id, input, ...from });
    this.#over(seconds, (share) => {
      for (const { id, from, to } of moves)
        this.#send({ kind: 'move', id, x: from.x + (to.x - from.x) * share, y: from.y + (to.y - from.y) * share });
    });
    for (const { id, to } of moves) this.#send({ kind: 'move', id, ...to });
    this.#frame();
    this.wait(rest);
    const { grips } = this.camera;
    for (const { id } of moves) this.#send({ kind: 'lift', id });
    this.#frame();
    return grips;
  }

  /** Draws frames for so long; before each, something happens at a share of the time. */
  #over(seconds: number, act: (share: number) => void): View {
    const count = Math.round((seconds * 1000) / this.#interval);
    for (let i = 1; i <= count; i++) {
      act(i / count);
      this.#frame();
    }
    return this.camera.view;
  }

  #frame(): void {
    this.#frames += 1;
    this.#time = this.#frames * this.#interval;
    this.#draw();
  }

  #draw(): void {
    this.#onFrame(this.camera.advance(this.#time));
  }

  #send(signal: Signal): boolean {
    return this.camera.signal({ ...signal, time: this.#time });
  }
}

function pointOf(path: string, { x, y }: Point): Point {
  checkNumber(`SimulatedPlayer.${path}.x`, x, -1e6, 1e6);
  checkNumber(`SimulatedPlayer.${path}.y`, y, -1e6, 1e6);
  return { x, y };
}

function textOf({ x, y }: Point): string {
  return `(${x.toFixed(3)}, ${y.toFixed(3)})`;
}

function fail(path: string, got: string, expected: string): never {
  throw new Error(sentence({ path, got, expected }));
}
