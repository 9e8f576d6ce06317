/** For pages on which players choose their own bindings: what they press next, and what it is called. */
import { checkMade, checkObject } from '../messages/index.ts';
import { PAD_BUTTONS, PAD_STICKS } from '../devices/index.ts';
import { padsOf } from './pads.ts';
import { buttonOf } from './buttons.ts';

/** A stick or a pad's button counts as pressed from here on, 0 … 1. */
const MEANT = 0.6;

/**
 * Waits for the next input, and returns it as a binding: a key or a chord when it is released (`KeyG`, `ControlLeft+KeyG`), a button
 * with held keys when it goes down (`Space+MouseLeft`), the wheel, or a part of a pad. No other listener receives the input.
 *
 * ```ts
 * const input = await nextInput(window);
 * if (input !== null) camera.change({ bindings: { faceNorth: [input] } });
 * ```
 *
 * @param stop ends the wait with null. A later call ends an earlier one
 * @returns null for Escape, too
 */
export function nextInput(window: Window & typeof globalThis, stop?: AbortSignal): Promise<string | null> {
  checkMade('nextInput.window', window, 'addEventListener', 'a window');
  if (stop !== undefined) checkMade('nextInput.stop', stop, 'aborted', 'an AbortSignal, or nothing');
  if (stop?.aborted === true) return Promise.resolve(null);
  waiting.get(window)?.();
  return new Promise((resolve) => {
    const listening = new AbortController();
    const held: string[] = [];
    let frame = 0;
    let ended = false;

    const done = (input: string | null): void => {
      ended = true;
      window.cancelAnimationFrame(frame);
      if (waiting.get(window) === giveWay) waiting.delete(window);
      // The page does not receive the mousedown of a press, either.
      window.setTimeout(() => {
        listening.abort();
      });
      resolve(input);
    };
    /** Another call waits from now on. */
    const giveWay = (): void => {
      listening.abort();
      done(null);
    };
    waiting.set(window, giveWay);
    const keep = (event: Event): void => {
      event.preventDefault();
      event.stopImmediatePropagation();
    };

    /** Takes an event from the page. A press after the awaited input is the page's, even before the timer. */
    const takes = (event: Event): boolean => {
      if (ended) listening.abort();
      else keep(event);
      return !ended;
    };

    const onDown = (event: KeyboardEvent): void => {
      if (!takes(event)) return;
      if (event.code === 'Escape') done(null);
      else if (!event.repeat && typeof (event.code as unknown) === 'string' && event.code !== '') held.push(event.code);
    };
    const onUp = (event: KeyboardEvent): void => {
      keep(event);
      if (held.includes(event.code)) done(held.join('+'));
    };
    const onPress = (event: PointerEvent): void => {
      if (!takes(event)) return;
      const button = buttonOf(event, event.button);
      if (button !== null) done([...held, button].join('+'));
    };

    const onWheel = (event: WheelEvent): void => {
      if (!takes(event)) return;
      done([...held, event.deltaY + event.deltaX > 0 ? 'WheelDown' : 'WheelUp'].join('+'));
    };

    const before = new Set(pressed(window.navigator));
    const check = (): void => {
      const now = pressed(window.navigator);
      const fresh = now.find((input) => !before.has(input));
      for (const input of before) if (!now.includes(input)) before.delete(input);
      if (fresh !== undefined) done(fresh);
      else frame = window.requestAnimationFrame(check);
    };

    const options = { capture: true, signal: listening.signal };
    window.addEventListener('keydown', onDown, options);
    window.addEventListener('keyup', onUp, options);
    window.addEventListener('pointerdown', onPress, options);
    window.addEventListener('wheel', onWheel, { ...options, passive: false });
    for (const type of ['pointerup', 'mousedown', 'mouseup', 'click', 'auxclick', 'contextmenu'] as const)
      window.addEventListener(type, keep, options);
    stop?.addEventListener('abort', () => {
      done(null);
    });
    check();
  });
}

/** Functions that end the waiting call of a page. */
const waiting = new WeakMap<Window, () => void>();

/** The pressed inputs of any pad, as bindings name them. */
function pressed(navigator: Navigator): string[] {
  return padsOf(navigator).flatMap((pad) => {
    if (pad?.mapping !== 'standard') return [];
    const buttons = PAD_BUTTONS.filter((_, i) => (pad.buttons[i]?.value ?? 0) >= MEANT);
    const sticks = PAD_STICKS.flatMap((stick, i) => {
      const x = pad.axes[2 * i] ?? 0;
      const y = pad.axes[2 * i + 1] ?? 0;
      if (Math.max(Math.abs(x), Math.abs(y)) < MEANT) return [];
      if (Math.abs(x) > Math.abs(y)) return [`${stick}${x > 0 ? 'Right' : 'Left'}`];
      return [`${stick}${y > 0 ? 'Down' : 'Up'}`];
    });
    return [...buttons, ...sticks];
  });
}

/** A keyboard with its layout: in some browsers. */
interface WithLayout {
  readonly keyboard?: { readonly getLayoutMap?: () => Promise<ReadonlyMap<string, string>> };
}

/**
 * Returns a function that names inputs on this keyboard, if the browser offers its layout: `KeyW` is "W" on one and "Z" on another;
 * `Space+MouseLeft` is "Space + left button".
 *
 * ```ts
 * const label = await inputLabels(navigator);
 * label('ShiftLeft+KeyQ'); // "Left Shift + Q"
 * ```
 */
export async function inputLabels(navigator: Navigator): Promise<(input: string) => string> {
  checkObject('inputLabels.navigator', navigator, 'navigator');
  const { keyboard } = navigator as WithLayout;
  // A browser may refuse it to a page in a frame.
  const layout = await keyboard?.getLayoutMap?.().catch(() => null);
  return (input) =>
    input
      .split('+')
      .map((name) => layout?.get(name)?.toUpperCase() ?? nameOf(name))
      .join(' + ');
}

const NAMES: Readonly<Record<string, string>> = {
  MouseBack: 'back button',
  MouseForward: 'forward button',
  Touch: 'finger',
  PenBarrel: 'pen button',
  PenEraser: 'pen eraser',
  Minus: '-',
  Equal: '=',
  Comma: ',',
  Period: '.',
  Slash: '/',
  Backslash: '\\',
  Semicolon: ';',
  Quote: "'",
  Backquote: '`',
  BracketLeft: '[',
  BracketRight: ']',
};

function nameOf(name: string): string {
  const known = NAMES[name];
  if (known !== undefined) return known;
  const [, kind = '', rest = ''] = /^(Key|Digit|Mouse|Arrow|Pad|)(.+)$/.exec(name) ?? [];
  const words = rest.replaceAll(/(?<=[a-z])(?=[A-Z0-9])/g, ' ');
  if (kind === 'Mouse') return `${words.toLowerCase()} button`;
  if (kind === 'Pad') return `pad ${words.toLowerCase()}`;
  if (kind === 'Arrow') return `${words} arrow`;
  const side = /^(Shift|Control|Alt|Meta) (Left|Right)$/.exec(words);
  return side === null ? words : `${side[2] ?? ''} ${side[1] ?? ''}`;
}
