/** Keys of the whole page. Keys that the camera does not use are left alone. */
import { isForFocused } from './focused.ts';
import { refuse } from '../messages/index.ts';
import { watchUse } from './lastUsed.ts';
import { MODIFIERS } from './modifiers.ts';
import type { Send } from './send.ts';
import type { Surface } from './surface.ts';

export interface KeyOptions {
  /**
   * When keys steer: `page`, wherever in the page the focus is (the default); of several such cameras, that which was pressed,
   * hovered or focused last. `own`: always, as where two players share a keyboard and each has bindings of their own. `focus`:
   * only while the element has the focus. A held key stays with its camera.
   */
  readonly keys?: 'page' | 'own' | 'focus';
}

/** @throws TypeError */
export function checkKeys({ keys = 'page' }: KeyOptions): void {
  if (!['page', 'own', 'focus'].includes(keys)) refuse('listen.keys', keys, 'one of "page", "own", "focus"');
}

export interface Keyboard {
  /** Lets go of every key. */
  readonly drop: () => void;
  /** Releases every key that went down before a time, until its next event, which may be a repeat. */
  readonly lapse: (before: number) => void;
}

export function listenToKeyboard(
  surface: Surface,
  { keys = 'page' }: KeyOptions,
  send: Send,
  isBound: (code: string) => boolean,
  stamp: (time: number) => number | undefined,
  signal: AbortSignal,
): Keyboard {
  const { element, window } = surface;
  const { document } = window;
  const isLastUsed = keys === 'page' ? watchUse(surface, signal) : () => true;
  /** When each went down, on the clock of frames; -Infinity before the first frame, from which on that clock is known. */
  const held = new Map<string, number>();
  /** Let go while the page was frozen; what still repeats is still down. */
  const lapsed = new Set<string>();

  const drop = (time?: number): void => {
    if (held.size === 0) return;
    held.clear();
    send(time === undefined ? { kind: 'release' } : { kind: 'release', time });
  };
  const releaseAll = (event: Event): void => {
    lapsed.clear();
    drop(event.timeStamp);
  };

  const up = (code: string, time: number): void => {
    held.delete(code);
    send({ kind: 'key', code, down: false, time });
  };

  const onDown = (event: KeyboardEvent): void => {
    if (!hasCode(event)) return;
    const path = insidePaths.get(event) ?? event.composedPath();
    if ((event.defaultPrevented && !taken.has(event)) || event.isComposing || isForFocused(event.code, path, element))
      return;
    if (!surface.isReachable || (keys === 'focus' && !event.composedPath().includes(element))) return;
    if (!isLastUsed() && !held.has(event.code)) return;
    if (belongsToBrowser(event, (code) => held.has(code) && isBound(code))) return;
    if (event.repeat && !lapsed.delete(event.code)) {
      if (held.has(event.code) && isBound(event.code)) take(event);
      return;
    }
    if (!send({ kind: 'key', code: event.code, down: true, time: event.timeStamp })) return;
    held.set(event.code, stamp(event.timeStamp) ?? -Infinity);
    // A modifier that is bound only before other inputs is left to the page as well.
    if (isBound(event.code)) take(event);
  };

  const onUp = (event: KeyboardEvent): void => {
    if (!hasCode(event)) return;
    lapsed.delete(event.code);
    // While Meta is down, some systems send no keyup for other keys.
    if (event.code.startsWith('Meta')) releaseAll(event);
    else if (held.has(event.code)) up(event.code, event.timeStamp);
  };

  /** A modifier may have gone up while another window had the keyboard; every event has the ones that are down. */
  const resynchronise = (event: MouseEvent): void => {
    for (const { flag, codes } of MODIFIERS) {
      if (event[flag]) continue;
      for (const code of codes) if (held.has(code)) up(code, event.timeStamp);
    }
  };

  /** A modal dialog that opens takes the focus: the effect of a key on the map is no longer visible. */
  const onFocus = (event: Event): void => {
    if (held.size > 0 && !surface.isReachable) releaseAll(event);
  };

  const onVisibility = (event: Event): void => {
    if (document.visibilityState === 'hidden') releaseAll(event);
  };

  const options = { signal };
  window.addEventListener('keydown', onDown, options);
  window.addEventListener('keyup', onUp, options);
  window.addEventListener('blur', releaseAll, options);
  window.addEventListener('pagehide', releaseAll, options);
  document.addEventListener('visibilitychange', onVisibility, options);
  document.addEventListener('focusin', onFocus, options);
  // Outside of a closed shadow root, an event does not have its place inside.
  const root = element.getRootNode();
  if (root !== document) root.addEventListener('keydown', keepPath, { capture: true, signal });
  for (const type of ['pointermove', 'pointerdown', 'wheel'] as const)
    window.addEventListener(type, resynchronise, { passive: true, signal });
  signal.addEventListener('abort', () => {
    drop();
  });
  return {
    drop,
    lapse: (before) => {
      for (const [code, since] of [...held]) {
        if (!(since < before)) continue;
        held.delete(code);
        lapsed.add(code);
        send({ kind: 'key', code, down: false });
      }
    },
  };
}

/** Browsers send events of a key without a code when they fill in a form. */
function hasCode(event: Partial<KeyboardEvent>): boolean {
  return typeof event.code === 'string' && event.code !== '';
}

/** The paths of events as they are inside of a shadow root. */
const insidePaths = new WeakMap<Event, readonly EventTarget[]>();

function keepPath(event: Event): void {
  const known = insidePaths.get(event);
  const path = event.composedPath();
  // Of nested roots the inner one has more detail.
  if (known === undefined || path.length > known.length) insidePaths.set(event, path);
}

/** Events that a camera has kept from the page; another camera may use them, too. */
const taken = new WeakSet<Event>();

function take(event: Event): void {
  taken.add(event);
  event.preventDefault();
}

/** Ctrl, Alt and Meta combinations are shortcuts of the browser, unless that modifier steers. */
function belongsToBrowser(event: KeyboardEvent, steers: (code: string) => boolean): boolean {
  return MODIFIERS.some(({ flag, codes }) => {
    if (flag === 'shiftKey' || !event[flag]) return false;
    const own: readonly string[] = codes;
    return !own.includes(event.code) && !codes.some(steers);
  });
}
