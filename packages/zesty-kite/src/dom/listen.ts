/** Turns what happens to an element into signals for a camera. */
import { checkFunction, checkMade, checkObject } from '../messages/index.ts';
import { reportsOf } from '../reports.ts';
import type { InputTarget } from '../cameraLike.ts';
import type { Point } from '../view/index.ts';
import { EventClock } from './clock.ts';
import { listenToGameDrags, type GameDrag, type GameDragOptions } from './gameDrag.ts';
import { watchGaps } from './gap.ts';
import { listenToHover } from './hover.ts';
import { checkKeys, listenToKeyboard, type KeyOptions } from './keyboard.ts';
import * as DEVICES from './devices.ts';
import { sendOnLocked, type LockedPointerOptions } from './lockedPointer.ts';
import { listenToMouseMotion } from './mouseMotion.ts';
import type { PadOptions } from './pads.ts';
import { checkPanels, panelsOf, type PanelOptions } from './panels.ts';
import type { PointerOptions } from './pointerPress.ts';
import { listenToPointers } from './pointers.ts';
import { observeReducedMotion, type ReducedMotionOptions } from './reducedMotion.ts';
import type { Send } from './send.ts';
import { observeSize } from './size.ts';
import { listenToPinchKey, type PinchKeyOptions } from './pinchKey.ts';
import { Surface, type Region, type SurfaceOptions } from './surface.ts';
import { checkTaps, listenToTaps, type ListenToTaps, type TapOptions } from './taps.ts';
import { listenToWheel } from './wheel.ts';

export type ListenOptions = PointerOptions &
  GameDragOptions &
  LockedPointerOptions &
  TapOptions &
  PanelOptions &
  ReducedMotionOptions &
  KeyOptions &
  SurfaceOptions &
  PadOptions &
  PinchKeyOptions;

const CALLBACKS = ['tap', 'longPress', 'claimPress', 'gameDrag', 'leftToPage', 'region'] as const;

export interface Listening {
  /** The element whose events are read. */
  readonly element: HTMLElement;
  /** The part of it that is the camera's, CSS pixels from its top left. */
  readonly region: Region;
  /** Takes every listener and observer away again, and lets go of all that is held. */
  readonly detach: () => void;
  /** It has been detached. */
  readonly isDetached: boolean;
  /** The cursor of a locked pointer, CSS pixels from the top left of its region; null without a lock. */
  readonly cursor: Point | null;
  /** The drag of the game's own that is under way, as `gameDrag` got it. */
  readonly gameDrag: GameDrag | null;
  /** The mouse and its simulated second finger while `pinchKey` is held; CSS pixels of the window. */
  readonly fingers: readonly Point[];
}

/**
 * Steers a camera by the events of an element: keys of the page, buttons, fingers, pens and the wheel over the element, pads, and
 * the size of the element.
 *
 * ```ts
 * const listening = listen(canvas, camera, { tap: ({ ground }) => console.log(ground) });
 * listening.detach(); // when the map goes
 * ```
 *
 * @throws TypeError for a wrong element, camera or option
 */
export function listen(element: HTMLElement, camera: InputTarget, options: ListenOptions = {}): Listening {
  checkMade('listen.element', element, 'ownerDocument', 'an element of the page');
  checkMade('listen.camera', camera, 'signal', 'a camera');
  checkObject('listen.options', options, 'an object such as { tap }');
  const window = element.ownerDocument.defaultView;
  if (window === null)
    throw new TypeError('listen: expected an element in a window, got one of a document without a window');
  checkKeys(options);
  checkTaps(options);
  checkPanels(window, options);
  for (const name of CALLBACKS) if (options[name] !== undefined) checkFunction(`listen.${name}`, options[name]);
  const listening = new AbortController();
  const { signal } = listening;
  const report = (error: unknown): void => {
    window.reportError(error);
  };
  const clock = new EventClock(window);
  const ended = [reportsOf(camera).add(report), clock.listenTo(camera)];
  /** The latest time of a signal. */
  let latest = NaN;
  const send: Send = (said) => {
    const time = said.time === undefined ? NaN : (clock.stamp(said.time) ?? NaN);
    if (camera.settled && time === time) gaps.wokenAt(time);
    if (!(time <= latest)) latest = time === time ? time : latest;
    // Signals without a time take effect now, but never before earlier ones: a key that goes up
    // must not overtake its going down, which may wait for the next frame.
    return camera.signal({ ...said, time: time === time || said.kind === 'screen' ? time : latest });
  };
  const isBound = (input: string): boolean => camera.binds(input);
  const surface = new Surface(element, window, options, report);
  surface.listenTo(send, signal);
  sendOnLocked(surface, options, signal);
  const isPanel = panelsOf(window, options, report);
  const pinchKey = listenToPinchKey(element, window, options, signal);
  observeSize(surface, send, signal);
  const keyboard = listenToKeyboard(surface, options, send, isBound, (time) => clock.stamp(time), signal);
  const gaps = watchGaps(camera, keyboard.lapse);
  const drags = listenToGameDrags(window, camera, options, report, signal);
  const tapsThat = (claim: (id: number) => void): ListenToTaps =>
    listenToTaps(window, camera, options, claim, report, signal);
  const isTabStop = options.keys === 'focus';
  const pointers = listenToPointers(
    { surface, camera, send, isPanel, tapsThat, drags, isTabStop, report, signal },
    options,
  );
  listenToHover(surface, camera, send, pointers.isGameDrag, isPanel, signal);
  // A removed element or frame releases everything that is held on it.
  let wasThere = true;
  ended.push(
    camera.poll(() => {
      const isThere = surface.isThere;
      if (wasThere && !isThere) {
        pointers.drop();
        keyboard.drop();
      }
      wasThere = isThere;
    }),
    gaps.detach,
  );
  listenToWheel(surface, camera, send, pointers.isTouched, isPanel, options, report, signal);
  listenToMouseMotion(surface, camera, send, isPanel, signal);
  for (const listenTo of Object.values(DEVICES)) listenTo(window, camera, send, options, signal);
  observeReducedMotion(window, options, send, signal);
  return {
    element,
    get region() {
      return surface.region;
    },
    detach: () => {
      listening.abort();
      for (const end of ended) end();
    },
    get isDetached() {
      return signal.aborted;
    },
    get cursor() {
      return surface.cursor;
    },
    get gameDrag() {
      return drags.current;
    },
    get fingers() {
      return pinchKey.fingers();
    },
  };
}
