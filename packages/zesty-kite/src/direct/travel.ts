/** Journeys: the camera moves to a destination by itself, and returns the outcome. */
import { learn } from '../abilities/index.ts';
import { checkFunction, checkNumber, checkObject, checkOneOf, refuse } from '../messages/index.ts';
import type { CameraLike, Elsewhere, Stop } from '../cameraLike.ts';
import { hasUnit, isSpan, SPAN } from '../settings/index.ts';
import type { Point } from '../view/index.ts';
import { EASES, type Ease } from './ease.ts';
import { cameraHere } from './here.ts';
import type { Arrival, Destination } from './way.ts';
import { ABILITIES, checkAbilities, lock, type Ability } from './lock.ts';
import { Samples } from './samples.ts';
import { travels } from './travels.ts';
import { WAYS } from './travelSignals.ts';

export interface TravelOptions {
  /**
   * `shortest` (the default) is the way that is shortest to the eye: out, over, and in; `straight` zooms evenly on the way;
   * `cut` is there at once.
   */
  readonly way?: 'shortest' | 'straight' | 'cut';
  /** Half a screen passes in a second at 0.5: screen heights per second, at the fastest moment. 1.5 when left out. */
  readonly speed?: number;
  /** The least and the greatest duration, seconds: 0.3 and 4 by default. Set both to the same value for a fixed one. */
  readonly minSeconds?: number;
  /** The longest that the journey may take, in seconds. */
  readonly maxSeconds?: number;
  /** How it sets off and arrives; `in-out` when left out. */
  readonly ease?: Ease;
  /** The abilities that interrupt it; all by default. The others are locked until it ends; calls of the program are not. */
  readonly interruptedBy?: readonly Ability[];
  /** Stops it where it is, such as an `AbortSignal`: `travel(camera, to, { stop: controller.signal })`. */
  readonly stop?: Stop;
}

/** A destination that may be on the move. */
export interface Journeying extends Destination {
  /** The present place of a moving target, instead of `x` and `y`; called in every frame until the camera arrives. */
  readonly target?: () => Point;
}

/**
 * Moves the camera to a destination, eased: out, over the ground, and in. Steering interrupts it. A destination outside the limits
 * becomes the nearest one inside. With `reducedMotion` it is a cut. It waits for the size of the screen, and is refused while a
 * finger holds the ground.
 *
 * ```ts
 * const { outcome } = await travel(camera, { x: 300, y: 200, span: 80 });
 * if (outcome === 'arrived') openDialog();
 * ```
 *
 * @returns a promise of the outcome. An interruption does not reject it
 * @throws TypeError for a wrong destination
 */
export function travel(camera: CameraLike, to: Journeying, options: TravelOptions = {}): Promise<Arrival> {
  const { way = 'shortest', speed = 1.5, minSeconds = 0.3, maxSeconds = 4, ease = 'in-out' } = checkedOptions(options);
  const { interruptedBy = ABILITIES, stop } = options;
  if (typeof to !== 'object' || (to as unknown) === null)
    refuse('travel.to', to, 'a destination {x, y, height, span, heading, pitch}');
  const { target } = to;
  if (target !== undefined) checkFunction('travel.to.target', target, 'a function that returns {x, y}');
  if (isElsewhere(camera)) return travelElsewhere(camera.elsewhere, to, options);
  const here = cameraHere('travel', camera);
  const samples = target === undefined ? null : new Samples(here, 'travel.to.target', target);
  const at = samples === null ? to : { ...to, ...placeOf(samples.last) };
  checkDestination(at);
  const { span: zoom = 1 } = at;
  if (!hasUnit(zoom, here.settings.lens)) refuse('travel.to.span', zoom, SPAN);
  const travelling = learn(here, travels);
  const journey = travelling.state;
  const id = (journey.last += 1);
  const { x, y, height, span, heading, pitch } = at;
  let stopSampling = (): void => undefined;
  const arrival = new Promise<Arrival>((resolve) => {
    journey.endListeners.set(id, (how) => {
      stopSampling();
      resolve(how);
    });
  });
  if (interruptedBy.length < ABILITIES.length) {
    const others = ABILITIES.filter((ability) => !interruptedBy.includes(ability));
    void arrival.then(lock(here, others));
  }
  const named = Object.entries({ x, y, height, span, heading, pitch }).filter(([, value]) => value !== undefined);
  travelling.send({ kind: 'travel', id, ...Object.fromEntries(named), way, speed, minSeconds, maxSeconds, ease });
  whenStopped(stop, () => {
    if (journey.endListeners.has(id)) travelling.send({ kind: 'travelEnd', id });
  });
  if (samples === null || !journey.endListeners.has(id)) return arrival;
  let last = { x, y };
  stopSampling = here.poll(() => {
    const now = placeOf(samples.next() ?? samples.last);
    if (now.x === last.x && now.y === last.y) return;
    last = now;
    travelling.send({ kind: 'travelTarget', id, ...now });
  });
  return arrival;
}

function isElsewhere(camera: CameraLike | null | undefined): camera is CameraLike & { readonly elsewhere: Elsewhere } {
  return camera?.elsewhere !== undefined;
}

/** In a worker: it travels there. */
async function travelElsewhere({ call }: Elsewhere, to: Journeying, options: TravelOptions): Promise<Arrival> {
  if (to.target !== undefined) refuse('travel.to.target', to.target, 'x and y: a function cannot be sent to a worker');
  checkDestination(to);
  const { stop, ...sent } = options;
  const arrival = (await call('travel', [to, sent], stop)) as Arrival | null;
  return arrival ?? { outcome: 'interrupted', by: null, limitedBy: [], peakSpeed: 0 };
}

function whenStopped(stop: Stop | undefined, end: () => void): void {
  if (stop?.aborted === true) end();
  else stop?.addEventListener('abort', end);
}

function placeOf({ x, y }: Point): Point {
  return { x, y };
}

const FARTHEST = 1e12;
const RANGES = {
  x: [-FARTHEST, FARTHEST],
  y: [-FARTHEST, FARTHEST],
  height: [-FARTHEST, FARTHEST],
  heading: [-1e6, 1e6],
  pitch: [0, 90],
} as const;
const TIMES = { speed: [1e-3, 1e3], minSeconds: [0, 3600], maxSeconds: [0, 3600] } as const;

function checkDestination(to: Destination): void {
  const { span } = to;
  if (span !== undefined && !isSpan(span)) refuse('travel.to.span', span, SPAN);
  for (const [name, [min, max]] of Object.entries(RANGES))
    checkMaybe(`travel.to.${name}`, to[name as keyof typeof RANGES], min, max);
}

function checkedOptions(options: TravelOptions): TravelOptions {
  checkObject('travel.options', options, 'an object such as { speed: 2 }');
  const { way, ease, interruptedBy } = options;
  for (const [name, [min, max]] of Object.entries(TIMES))
    checkMaybe(`travel.options.${name}`, options[name as keyof typeof TIMES], min, max);
  if (way !== undefined) checkOneOf('travel.options.way', way, WAYS);
  if (ease !== undefined) checkOneOf('travel.options.ease', ease, EASES);
  if (interruptedBy !== undefined) checkAbilities('travel.options.interruptedBy', interruptedBy);
  return options;
}

function checkMaybe(path: string, value: unknown, min: number, max: number): void {
  if (value !== undefined) checkNumber(path, value, min, max);
}
