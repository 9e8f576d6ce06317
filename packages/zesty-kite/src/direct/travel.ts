/** Travelling: the camera goes somewhere by itself, and says how that ended. */
import type { Camera } from '../camera.ts';
import { shown } from '../settings/index.ts';
import type { Signal } from '../signals/index.ts';
import type { Point } from '../view/index.ts';
import type { Ease } from './ease.ts';
import type { Arrival, Destination, Journey } from './journey.ts';
import { ABILITIES, checkAbilities, lock, type Ability } from './lock.ts';
import { travels, type TargetSignal, type TravelSignal } from './travels.ts';

export interface TravelOptions {
  /**
   * `shortest` (the default) is the way that is shortest to the eye: out, over, and in; `straight` zooms evenly on the way;
   * `cut` is there at once.
   */
  readonly way?: 'shortest' | 'straight' | 'cut';
  /** Half a screen passes in a second at 0.5: screen heights per second, at the fastest moment. 1.5 when left out. */
  readonly speed?: number;
  /** It takes at least and at most so long, seconds: 0.3 and 4 when left out. Equal ones say how long. */
  readonly minSeconds?: number;
  readonly maxSeconds?: number;
  /** How it sets off and arrives; `in-out` when left out. */
  readonly ease?: Ease;
  /** What a player may interrupt it with; everything when left out. The rest is locked until it has ended; calls of the program are not. */
  readonly interruptedBy?: readonly Ability[];
}

/** A destination that may be on the move. */
export interface Journeying extends Destination {
  /** Where what is gone to is now, in place of `x` and `y`; asked in every frame until the camera has arrived. */
  readonly target?: () => Point;
}

/**
 * Goes somewhere, eased: out, over the ground, and in. Whatever steers interrupts it; what is not allowed as a destination
 * becomes the nearest that is. With `reducedMotion` in the settings it is there at once.
 *
 * ```ts
 * const { outcome } = await travel(camera, { x: 300, y: 200, span: 80 });
 * if (outcome === 'arrived') openDialog();
 * ```
 *
 * @returns how it ended; it is never refused for having been interrupted
 * @throws TypeError for what is no destination
 */
export function travel(camera: Camera, to: Journeying, options: TravelOptions = {}): Promise<Arrival> {
  const { target } = to;
  const { way = 'shortest', speed = 1.5, minSeconds = 0.3, maxSeconds = 4, ease = 'in-out' } = options;
  const { interruptedBy = ABILITIES } = options;
  checkAbilities('travel.options.interruptedBy', interruptedBy);
  const at = target === undefined ? to : { ...to, ...placeOf(target()) };
  checkNumbers('travel.to', at, ['x', 'y', 'span', 'heading', 'pitch']);
  checkNumbers('travel.options', { speed, minSeconds, maxSeconds }, ['speed', 'minSeconds', 'maxSeconds']);
  camera.learn(travels);
  const { kept, rules } = camera.timeline;
  const journey = kept.states[rules.movers.indexOf(travels)] as Journey;
  const id = (journey.last += 1);
  const { x, y, span, heading, pitch } = at;
  let stop = (): void => undefined;
  const arrival = new Promise<Arrival>((resolve) => {
    journey.tells.set(id, (how) => {
      stop();
      resolve(how);
    });
  });
  if (interruptedBy.length < ABILITIES.length) {
    const others = ABILITIES.filter((ability) => !interruptedBy.includes(ability));
    void arrival.then(lock(camera, others));
  }
  const named = Object.entries({ x, y, span, heading, pitch }).filter(([, value]) => value !== undefined);
  send(camera, { kind: 'travel', id, ...Object.fromEntries(named), way, speed, minSeconds, maxSeconds, ease });
  if (target === undefined || !journey.tells.has(id)) return arrival;
  let last = { x, y };
  stop = camera.poll(() => {
    const now = placeOf(target());
    if (now.x === last.x && now.y === last.y) return;
    last = now;
    send(camera, { kind: 'travelTarget', id, ...now });
  });
  return arrival;
}

function send(camera: Camera, signal: TravelSignal | TargetSignal): void {
  camera.signal(signal as unknown as Signal);
}

function placeOf({ x, y }: Point): Point {
  return { x, y };
}

function checkNumbers(path: string, given: object, names: readonly string[]): void {
  for (const name of names) {
    const value = (given as Record<string, unknown>)[name];
    if (value !== undefined && !(typeof value === 'number' && Number.isFinite(value)))
      throw new TypeError(`${path}.${name}: found ${shown(value)}; wanted a finite number`);
  }
}
