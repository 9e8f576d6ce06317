/** Cutscenes: keyframes that are played, paused, played backward, or skipped. */
import type { Camera } from '../camera.ts';
import type { Signal } from '../signals/index.ts';
import { checkedKeyframes, type Cutscene } from './keyframes.ts';
import { ABILITIES, checkAbilities, lock, type Ability } from './lock.ts';
import { plays, type CueSignal, type Finale, type Passed, type Playing, type PlaySignal } from './plays.ts';

export interface PlayOptions {
  /** Told of each keyframe with an event as it is passed; of those that are skipped over too. */
  readonly onEvent?: (passed: Passed) => void;
  /** What a player may interrupt it with; nothing when left out: all else is locked until it has ended. */
  readonly interruptedBy?: readonly Ability[];
}

/** A cutscene under way. */
export interface Played {
  /** It stands where it is, and goes on with `forward` or `backward`. */
  pause(): void;
  forward(): void;
  backward(): void;
  /** At once to its end; events on the way are told of. */
  skip(): void;
  /** Ends it where it is. */
  end(): void;
  /** Seconds since its beginning, in kept motion. */
  readonly time: number;
  /** How it ended. */
  readonly ended: Promise<Finale>;
}

/**
 * Plays a cutscene. The player is locked out meanwhile, whatever the program calls interrupts it. With `reducedMotion` in the settings
 * it cuts from keyframe to keyframe.
 *
 * ```ts
 * const played = play(camera, { keyframes: [{ at: 2, x: 300, span: 80, event: 'gate' }] }, { onEvent });
 * addEventListener('keydown', ({ code }) => code === 'Space' && played.skip());
 * await played.ended;
 * ```
 *
 * @throws TypeError for what is no cutscene: where, what was found, what would do
 */
export function play(camera: Camera, { keyframes }: Cutscene, options: PlayOptions = {}): Played {
  const { interruptedBy = [], onEvent = () => undefined } = options;
  const checked = checkedKeyframes('play.keyframes', keyframes);
  checkAbilities('play.options.interruptedBy', interruptedBy);
  camera.learn(plays);
  const { kept, rules } = camera.timeline;
  const playing = kept.states[rules.movers.indexOf(plays)] as Playing;
  const id = (playing.last += 1);
  const unlock = lock(
    camera,
    ABILITIES.filter((ability) => !interruptedBy.includes(ability)),
  );
  const ended = new Promise<Finale>((resolve) => {
    playing.tells.set(id, {
      // Whatever it calls in turn comes after this step.
      passed: (passed) => {
        void Promise.resolve().then(() =>
          camera.attempt(() => {
            onEvent(passed);
          }),
        );
      },
      over: resolve,
    });
  });
  void ended.then(unlock);
  const send = (signal: PlaySignal | CueSignal): void => {
    camera.signal(signal as unknown as Signal);
  };
  const cue = (what: CueSignal['cue']) => (): void => {
    send({ kind: 'cue', id, cue: what });
  };
  send({ kind: 'play', id, keyframes: checked });
  return {
    pause: cue('pause'),
    forward: cue('forward'),
    backward: cue('backward'),
    skip: cue('skip'),
    end: cue('end'),
    get time() {
      return playing.id === id ? Math.max(0, playing.time) : 0;
    },
    ended,
  };
}
