/** Presses without a drag: taps and long presses. Taps that the camera uses are not reported. */
import type { InputTarget } from '../cameraLike.ts';
import { doubleTapNotches, Taps } from '../hands/index.ts';
import { refuse } from '../messages/index.ts';
import { startsAfterOf, type Button } from '../settings/index.ts';
import type { Spot } from '../view/index.ts';

/** A press that lifts at its own place, or stays there. */
export interface Tap {
  /** The button that was pressed; a finger is `Touch`. */
  readonly input: Button;
  /** CSS pixels from the top left of the element. */
  readonly x: number;
  readonly y: number;
  /** The point of the ground that shows there; null in the sky. */
  readonly ground: Spot | null;
  /** The number of quick taps at one place: 2 for a double tap. Each is reported at once. */
  readonly count: number;
  /** How long it was held, seconds. */
  readonly held: number;
  /** How many fingers tapped together; (x, y) is in their middle. */
  readonly fingers: number;
  /** The browser's event that ended the tap. */
  readonly event: PointerEvent;
}

export interface TapOptions {
  /**
   * Runs for every press that lifts before it becomes a drag, bound or not. Taps that the camera uses are
   * none: the second of a double tap that zooms, a tap of two fingers.
   */
  readonly tap?: (tap: Tap) => void;
  /**
   * Runs for a press that is held still for `longPressAfter`, while it is down. It is then no tap. Returning
   * `true` keeps the rest of the press from the camera.
   */
  readonly longPress?: (tap: Tap) => boolean | undefined;
  /** Seconds, at least 0.3; 0.5 when left out. */
  readonly longPressAfter?: number;
}

/** A press, and its use by the camera. */
export interface Pressed {
  readonly id: number;
  readonly input: Button;
  readonly used: boolean;
}

/** Shorter than that, and a quick tap could be a long one. */
const SHORTEST_LONG = 0.3;

/** @throws TypeError */
export function checkTaps({ longPressAfter = SHORTEST_LONG }: TapOptions): void {
  if (longPressAfter >= SHORTEST_LONG) return;
  refuse('listen.longPressAfter', longPressAfter, `seconds, at least ${String(SHORTEST_LONG)}`);
}

export interface ListenToTaps {
  press(pressed: Pressed, x: number, y: number, event: PointerEvent): void;
  move(pressed: Pressed, x: number, y: number): void;
  lift(pressed: Pressed, event: PointerEvent): void;
  /** Nothing is meant by it. */
  cancel(pressed: Pressed): void;
}

/** @param claim the game has a press from now on */
export function listenToTaps(
  window: Window & typeof globalThis,
  camera: InputTarget,
  { tap, longPress, longPressAfter = 0.5 }: TapOptions,
  claim: (id: number) => void,
  report: (error: unknown) => void,
  signal: AbortSignal,
): ListenToTaps {
  /** Apart for each button, and for presses that the camera uses. */
  const taps = new Map<string, Taps>();
  const tapsOf = ({ input, used }: Pressed): Taps => {
    const name = `${input} ${String(used)}`;
    const known = taps.get(name) ?? new Taps();
    taps.set(name, known);
    return known;
  };
  const timers = new Map<number, number>();
  const long = new Set<number>();
  const stop = (id: number): void => {
    window.clearTimeout(timers.get(id));
    timers.delete(id);
  };
  const call = (callback: () => void): void => {
    try {
      callback();
    } catch (error) {
      report(error);
    }
  };
  const reportLongPress = (pressed: Tap, id: number): void => {
    call(() => {
      if (longPress?.(pressed) === true) claim(id);
    });
  };
  signal.addEventListener('abort', () => {
    for (const id of [...timers.keys()]) stop(id);
  });

  return {
    press: (pressed, x, y, event) => {
      const { id, input } = pressed;
      const these = tapsOf(pressed);
      these.press(id, x, y, startsAfterOf(camera.settings, input), 1000 * event.timeStamp);
      // A browser's timers take at most this many milliseconds: 24 days.
      if (longPress === undefined || longPressAfter > 2e6) return;
      const isLong = (): void => {
        timers.delete(id);
        if (!these.isStillAlone) return;
        long.add(id);
        const ground = camera.view.toGround(x, y);
        reportLongPress({ input, x, y, ground, count: 1, held: longPressAfter, fingers: 1, event }, id);
      };
      timers.set(id, window.setTimeout(isLong, 1000 * longPressAfter));
    },
    move: (pressed, x, y) => {
      tapsOf(pressed).move(pressed.id, x, y);
    },
    lift: (pressed, event) => {
      const { id, input, used } = pressed;
      stop(id);
      const wasLong = long.delete(id);
      const tapped = tapsOf(pressed).lift(id, wasLong, 1000 * event.timeStamp);
      if (tapped === null || (used && input === 'Touch' && doubleTapNotches(camera.settings, tapped) !== 0)) return;
      const { x, y, count, fingers } = tapped;
      const held = tapped.held / 1e6;
      const details = { input, x, y, ground: camera.view.toGround(x, y), count, held, fingers, event };
      if (longPress === undefined || held < longPressAfter) call(() => tap?.(details));
      // The page was too busy to report it in time.
      else if (fingers === 1) reportLongPress(details, id);
    },
    cancel: (pressed) => {
      stop(pressed.id);
      long.delete(pressed.id);
      tapsOf(pressed).lift(pressed.id, true, 0);
    },
  };
}
