/** Inline style and focus of an element that is listened to; several cameras may share it. */
import type { InputTarget } from '../cameraLike.ts';

/** From what leaves all to the page to what leaves nothing: of several cameras the strictest counts. */
const TOUCH_ACTIONS = ['', 'pan-x pan-y', 'none'] as const;
type TouchAction = (typeof TOUCH_ACTIONS)[number];

const NOT_SELECTABLE = { userSelect: 'none', webkitUserSelect: 'none', webkitTouchCallout: 'none' };

/** The `touch-action` that the bindings of a camera need; empty: the page's own. */
function touchActionOf(camera: InputTarget): TouchAction {
  if (!camera.binds('Touch')) return camera.binds('Pen') ? 'none' : '';
  return camera.settings.drag.touchRequires === 'two-fingers' ? 'pan-x pan-y' : 'none';
}

interface Styled {
  readonly before: Readonly<Record<string, string>>;
  readonly madeFocusable: boolean;
  /** Of each `listen`. */
  readonly touchActions: Map<AbortSignal, TouchAction>;
}
const styled = new WeakMap<HTMLElement, Styled>();

/**
 * Styles the element for a camera until `signal` aborts. `touch-action` follows the bindings: a finger that is not bound stays
 * the page's.
 *
 * @param isTabStop whether Tab reaches the element
 * @param isClaimed whether the game keeps a finger that is down
 */
export function styleElement(
  element: HTMLElement,
  camera: InputTarget,
  isTabStop: boolean,
  isClaimed: () => boolean,
  signal: AbortSignal,
): void {
  const style = element.style as CSSStyleDeclaration & Record<string, string>;
  const names = [...Object.keys(NOT_SELECTABLE), 'touchAction'];
  const kept = styled.get(element) ?? {
    before: Object.fromEntries(names.map((name) => [name, style[name] ?? ''])),
    // Without a tabindex a canvas cannot have the focus.
    madeFocusable: !element.hasAttribute('tabindex') && element.tabIndex < 0,
    touchActions: new Map<AbortSignal, TouchAction>(),
  };
  if (kept.madeFocusable && (isTabStop || !styled.has(element))) element.tabIndex = isTabStop ? 0 : -1;
  styled.set(element, kept);
  Object.assign(style, NOT_SELECTABLE);

  const setTouchAction = (): void => {
    const strictest = TOUCH_ACTIONS.findLast((action) => [...kept.touchActions.values()].includes(action)) ?? '';
    style.touchAction = strictest === '' ? (kept.before['touchAction'] ?? '') : strictest;
  };
  /** With `pan-x pan-y` a browser scrolls by two fingers as well. */
  const onTouchMove = (event: TouchEvent): void => {
    if (event.cancelable && (event.touches.length > 1 || isClaimed())) event.preventDefault();
  };
  const follow = (): void => {
    const action = touchActionOf(camera);
    const before = kept.touchActions.get(signal);
    if (before === action) return;
    kept.touchActions.set(signal, action);
    setTouchAction();
    if (action === 'pan-x pan-y') element.addEventListener('touchmove', onTouchMove, { passive: false, signal });
    else if (before === 'pan-x pan-y') element.removeEventListener('touchmove', onTouchMove);
  };
  follow();
  const endPoll = camera.poll(follow);
  signal.addEventListener('abort', () => {
    endPoll();
    kept.touchActions.delete(signal);
    if (kept.touchActions.size > 0) {
      setTouchAction();
      return;
    }
    Object.assign(style, kept.before);
    if (kept.madeFocusable) element.removeAttribute('tabindex');
    styled.delete(element);
  });
}

/** Focuses the element because of a press: its focus ring is hidden until it loses the focus. */
export function focusByPress(element: HTMLElement, signal: AbortSignal): void {
  element.focus({ preventScroll: true, focusVisible: false });
  const root = element.getRootNode();
  const isFocused = 'activeElement' in root && root.activeElement === element;
  if (!isFocused || ringless.has(element)) return;
  const { outline } = element.style;
  element.style.outline = 'none';
  ringless.add(element);
  const restore = (): void => {
    element.removeEventListener('blur', restore);
    signal.removeEventListener('abort', restore);
    element.style.outline = outline;
    ringless.delete(element);
  };
  element.addEventListener('blur', restore);
  signal.addEventListener('abort', restore);
}
const ringless = new WeakSet<HTMLElement>();
