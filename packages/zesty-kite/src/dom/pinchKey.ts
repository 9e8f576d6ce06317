/**
 * A second finger for those who have a mouse alone: while a modifier is held, a press is that of two
 * fingers, one under the mouse and one opposite, about the position of the mouse when the modifier went down.
 * With Shift as well the two move side by side.
 *
 * The mouse's own events are kept back, and the two fingers' sent in their place, so that everything
 * that listens to pointers receives the events of a touch screen.
 */
import type { Point } from '../view/index.ts';

export interface PinchKeyOptions {
  /** The `key` of the modifier that makes a mouse two fingers, for trying gestures out; off when left out. */
  readonly pinchKey?: 'Alt' | 'Control' | 'Meta';
}

/** No browser gives a pointer these. */
const IDS = [0x7e570001, 0x7e570002] as const;

export interface PinchKey {
  /** Both fingers in client coordinates; none while the modifier is up. */
  readonly fingers: () => readonly Point[];
}

export function listenToPinchKey(
  element: HTMLElement,
  window: Window & typeof globalThis,
  { pinchKey: modifier }: PinchKeyOptions,
  signal: AbortSignal,
): PinchKey {
  let mouse: Point | null = null;
  let pivot: Point | null = null;
  let down = false;

  const fingers = (): readonly Point[] =>
    mouse === null || pivot === null ? [] : [mouse, { x: 2 * pivot.x - mouse.x, y: 2 * pivot.y - mouse.y }];

  const dispatch = (type: 'pointerdown' | 'pointermove' | 'pointerup' | 'pointercancel'): void => {
    fingers().forEach(({ x, y }, i) => {
      element.dispatchEvent(
        new window.PointerEvent(type, {
          pointerId: IDS[i] ?? 0,
          pointerType: 'touch',
          isPrimary: i === 0,
          button: type === 'pointermove' ? -1 : 0,
          buttons: type === 'pointerdown' || type === 'pointermove' ? 1 : 0,
          pressure: type === 'pointerdown' || type === 'pointermove' ? 0.5 : 0,
          clientX: x,
          clientY: y,
          bubbles: true,
          cancelable: true,
          composed: true,
          view: window,
        }),
      );
    });
  };

  const lift = (type: 'pointerup' | 'pointercancel'): void => {
    if (down) dispatch(type);
    down = false;
  };
  const end = (): void => {
    lift('pointercancel');
    pivot = null;
  };

  const onPointer = (event: PointerEvent): void => {
    if (!event.isTrusted || event.pointerType !== 'mouse') return;
    const now = { x: event.clientX, y: event.clientY };
    if (down && event.shiftKey && mouse !== null && pivot !== null)
      pivot = { x: pivot.x + now.x - mouse.x, y: pivot.y + now.y - mouse.y };
    mouse = now;
    if (pivot === null || (!down && !event.composedPath().includes(element))) return;
    event.stopImmediatePropagation();
    if (event.type === 'pointerdown' && event.button === 0) {
      event.preventDefault();
      down = true;
      dispatch('pointerdown');
    } else if (event.type === 'pointermove' && down) dispatch('pointermove');
    else if (event.type === 'pointerup') lift('pointerup');
  };

  if (modifier !== undefined) {
    const options = { capture: true, signal };
    for (const type of ['pointerdown', 'pointermove', 'pointerup'] as const)
      window.addEventListener(type, onPointer, options);
    window.addEventListener(
      'keydown',
      ({ key }) => {
        if (key === modifier) pivot ??= mouse;
      },
      options,
    );
    window.addEventListener(
      'keyup',
      ({ key }) => {
        if (key === modifier) end();
      },
      options,
    );
    window.addEventListener(
      'blur',
      ({ target }) => {
        // Of the window: the first finger takes the focus from other elements.
        if (target === window) end();
      },
      options,
    );
    signal.addEventListener('abort', end);
  }
  return { fingers };
}
