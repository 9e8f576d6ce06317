/** Cutscenes: keyframes that are played, paused, played backward, or skipped. */
import { learn } from '../abilities/index.ts';
import { checkFunction, checkNumber, checkObject, refuse } from '../messages/index.ts';
import type { Camera } from '../camera/index.ts';
import { reportsOf } from '../reports.ts';
import { hasUnit, SPAN } from '../settings/index.ts';
import type { Point } from '../view/index.ts';
import { cameraHere } from './here.ts';
import { checkedKeyframes, targetsOf, type Cutscene } from './keyframes.ts';
import { ABILITIES, checkAbilities, lock, type Ability } from './lock.ts';
import type { Finale, Passed } from './playing.ts';
import { plays } from './plays.ts';
import { RATES, type CueName, type TargetSpot } from './playSignals.ts';
import { Samples } from './samples.ts';

export interface PlayOptions {
  /** Told of each keyframe with an event as it is passed; of those that are skipped over too. */
  readonly onEvent?: (passed: Passed) => void;
  /** The abilities that interrupt it; none by default. All others are locked until it ends. */
  readonly interruptedBy?: readonly Ability[];
  /** Seconds that pass in the scene in a second, 0.01 … 100; 1 when left out. */
  readonly rate?: number;
  /** From its end it begins again. */
  readonly loop?: boolean;
  /** The present places of the targets of keyframes, by name; each is called once a frame. */
  readonly targets?: Readonly<Record<string, () => Point>>;
}

/** A cutscene under way. */
export interface Played {
  /** It stands where it is, and goes on with `forward` or `backward`. */
  pause(): void;
  /** Plays on at the speed of 1. */
  forward(): void;
  /** Plays back at the speed of 1. */
  backward(): void;
  /** Goes to its end at once; events on the way fire. */
  skip(): void;
  /** Ends it where it is. */
  end(): void;
  /** Goes to a time at once, seconds since its beginning. Events between are not reported. */
  seek(seconds: number): void;
  /** Seconds that pass in the scene in a second, above 0. It can be set while the scene plays. */
  rate: number;
  /** Seconds since its beginning, in kept motion. */
  readonly time: number;
  /** How it ended, without a promise: null while it plays. */
  readonly finale: Finale | null;
  /** How it ended. */
  readonly ended: Promise<Finale>;
}

/**
 * Plays a cutscene. The player is locked out, and calls of the program interrupt it. With `reducedMotion` it cuts from keyframe to
 * keyframe.
 *
 * ```ts
 * const played = play(camera, { keyframes: [{ at: 2, x: 300, span: 80, event: 'gate' }] });
 * addEventListener('keydown', ({ code }) => code === 'Space' && played.skip());
 * await played.ended;
 * ```
 *
 * @throws TypeError with the path, the allowed values and the value
 */
export function play(camera: Camera, scene: Cutscene, options: PlayOptions = {}): Played {
  const here = cameraHere('play', camera);
  checkObject('play.options', options, 'an object such as { loop: true }');
  const { interruptedBy = [], onEvent = () => undefined, loop = false, targets = {} } = options;
  const checked = checkedKeyframes('play.keyframes', (scene as Partial<Cutscene> | null | undefined)?.keyframes);
  checked.forEach(({ span = 1 }, i) => {
    if (!hasUnit(span, here.settings.lens)) refuse(`play.keyframes[${String(i)}].span`, span, SPAN);
  });
  checkAbilities('play.options.interruptedBy', interruptedBy);
  checkFunction('play.options.onEvent', onEvent);
  checkObject('play.options.targets', targets, 'functions by name');
  const samples = targetsOf(checked).map((name) => [name, samplesOf(here, name, targets)] as const);
  let rate = checkedNumber('options.rate', options.rate ?? 1, RATES.min, RATES.max);
  const { state: playing, send } = learn(here, plays);
  const id = (playing.last += 1);
  const unlock = lock(
    here,
    ABILITIES.filter((ability) => !interruptedBy.includes(ability)),
  );
  let finale: Finale | null = null;
  let stop = (): void => undefined;
  const ended = new Promise<Finale>((resolve) => {
    playing.endListeners.set(id, (how) => {
      finale = how;
      stop();
      resolve(how);
    });
  });
  // Calls that it makes come after this step.
  playing.eventListeners.set(id, (passed) => {
    void Promise.resolve().then(() =>
      reportsOf(here).callSafely(() => {
        onEvent(passed);
      }),
    );
  });
  void ended.then(unlock);
  const cue = (what: CueName, value?: number): void => {
    send({ kind: 'cue', id, cue: what, ...(value === undefined ? {} : { value }) });
  };
  send({
    kind: 'play',
    id,
    keyframes: checked,
    ...(rate === 1 ? {} : { rate }),
    ...(loop ? { loop } : {}),
    ...(samples.length === 0 ? {} : { targets: samples.map(([target, { last }]) => spotOf(target, last)) }),
  });
  if (samples.length > 0 && playing.endListeners.has(id))
    stop = here.poll(() => {
      for (const [target, sampled] of samples) {
        const { x, y } = sampled.last;
        const now = sampled.next() ?? sampled.last;
        if (now.x !== x || now.y !== y) send({ kind: 'playTarget', id, ...spotOf(target, now) });
      }
    });
  return {
    pause: () => {
      cue('pause');
    },
    forward: () => {
      cue('forward');
    },
    backward: () => {
      cue('backward');
    },
    skip: () => {
      cue('skip');
    },
    end: () => {
      cue('end');
    },
    seek: (seconds) => {
      cue('seek', checkedNumber('seek', seconds, 0, 86_400));
    },
    get rate() {
      return rate;
    },
    set rate(value) {
      rate = checkedNumber('rate', value, RATES.min, RATES.max);
      cue('rate', rate);
    },
    get time() {
      return playing.id === id ? Math.max(0, playing.time) : 0;
    },
    get finale() {
      return finale;
    },
    ended,
  };
}

function spotOf(target: string, { x, y }: Point): TargetSpot {
  return { target, x, y };
}

function samplesOf(camera: Camera, name: string, targets: NonNullable<PlayOptions['targets']>): Samples {
  const path = `play.options.targets.${name}`;
  const find: unknown = Object.hasOwn(targets, name) ? targets[name] : undefined;
  checkFunction(path, find, 'a function that returns {x, y}');
  return new Samples(camera, path, find as () => Point);
}

function checkedNumber(path: string, value: number, min: number, max: number): number {
  checkNumber(`play.${path}`, value, min, max);
  return value;
}
