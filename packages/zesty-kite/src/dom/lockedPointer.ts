/**
 * A locked pointer over a page that is alive: browsers send all of its events to the element that has the lock. The events are sent on to
 * the element under the drawn cursor, such as a button of a panel or a label.
 */
import type { Surface } from './surface.ts';

export interface LockedPointerOptions {
  /** Draws an arrow where the cursor of a locked pointer is. Default: false, and `listening.cursor` says where it is. */
  readonly drawCursor?: boolean;
}

const POINTERS = ['pointerdown', 'pointermove', 'pointerup', 'pointercancel'] as const;
const MICE = ['mousedown', 'mousemove', 'mouseup', 'dblclick', 'contextmenu'] as const;
const CLICKS = ['click', 'auxclick'] as const;

/** Sends events on while the pointer is locked to the element of a surface. */
export function sendOnLocked(
  surface: Surface,
  { drawCursor = false }: LockedPointerOptions,
  signal: AbortSignal,
): void {
  const { element, window } = surface;
  const { document } = window;
  /** The element that each kind of event was over last, and the element of each press. */
  const over: Record<'pointer' | 'mouse', Element | null> = { pointer: null, mouse: null };
  const down = new Map<number, Element>();
  const arrow = drawCursor ? createArrow(document) : null;

  const sendOn = (event: MouseEvent, target: Element, type = event.type, related: Element | null = null): void => {
    const { x, y } = surface.cursorOnPage;
    const init = { ...initOf(event), clientX: x, clientY: y, screenX: x, screenY: y, relatedTarget: related };
    const isEnterOrLeave = type.endsWith('enter') || type.endsWith('leave');
    if (isEnterOrLeave) init.bubbles = false;
    const copy =
      'pointerId' in event
        ? new window.PointerEvent(type, { ...init, ...pointerInitOf(event as PointerEvent) })
        : 'deltaY' in event
          ? new window.WheelEvent(type, { ...init, ...wheelInitOf(event as WheelEvent) })
          : new window.MouseEvent(type, init);
    surface.sentOn.add(copy);
    if (!target.dispatchEvent(copy)) event.preventDefault();
  };

  /** The pointer has come over another element. */
  const cross = (event: MouseEvent, to: Element | null): void => {
    const kind = 'pointerId' in event ? 'pointer' : 'mouse';
    const from = over[kind];
    if (from === to) return;
    over[kind] = to;
    if (from !== null) {
      sendOn(event, from, `${kind}out`, to);
      for (const left of ancestors(from)) if (!left.contains(to)) sendOn(event, left, `${kind}leave`, to);
    }
    if (to === null) return;
    sendOn(event, to, `${kind}over`, from);
    for (const entered of ancestors(to).reverse())
      if (!entered.contains(from)) sendOn(event, entered, `${kind}enter`, from);
  };

  const onEvent = (event: Event): void => {
    if (!(event instanceof window.MouseEvent) || surface.sentOn.has(event) || surface.cursor === null) return;
    const target = surface.elementUnderCursor;
    if (event.type === 'pointermove') arrow?.moveTo(surface.cursorOnPage);
    if (event.type === 'pointermove' || event.type === 'mousemove') cross(event, target);
    // The element itself gets its own events.
    if (target === null || target === element) {
      if (event.type === 'mousedown') down.set(event.button, element);
      return;
    }
    event.stopImmediatePropagation();
    if (event.type === 'mousedown') {
      down.set(event.button, target);
      sendOn(event, target);
      if (!event.defaultPrevented) focusableOf(target)?.focus();
      return;
    }
    if (CLICKS.some((type) => type === event.type)) {
      const pressed = down.get(event.button);
      // A click is of the element where the button came down and went up.
      const both = pressed === undefined ? null : ancestors(target).find((one) => one.contains(pressed));
      event.preventDefault();
      if (both) sendOn(event, both);
      return;
    }
    sendOn(event, target);
  };

  for (const type of [...POINTERS, ...MICE, ...CLICKS, 'wheel'])
    window.addEventListener(type, onEvent, { capture: true, passive: false, signal });
  document.addEventListener(
    'pointerlockchange',
    () => {
      if (surface.cursor === null) arrow?.remove();
      else arrow?.moveTo(surface.cursorOnPage);
      over.pointer = over.mouse = null;
      down.clear();
    },
    { signal },
  );
  signal.addEventListener('abort', () => arrow?.remove());
}

function ancestors(element: Element): Element[] {
  const all: Element[] = [];
  for (let one: Element | null = element; one !== null; one = one.parentElement) all.push(one);
  return all;
}

function focusableOf(element: Element): HTMLElement | null {
  return element.closest<HTMLElement>('a[href], button, input, select, textarea, summary, [tabindex]');
}

function initOf(event: MouseEvent): MouseEventInit {
  const { button, buttons, detail, ctrlKey, shiftKey, altKey, metaKey, movementX, movementY, view } = event;
  return {
    bubbles: true,
    cancelable: true,
    composed: true,
    button,
    buttons,
    detail,
    ctrlKey,
    shiftKey,
    altKey,
    metaKey,
    movementX,
    movementY,
    view,
  };
}

function pointerInitOf({ pointerId, pointerType, isPrimary, pressure }: PointerEvent): PointerEventInit {
  return { pointerId, pointerType, isPrimary, pressure };
}

function wheelInitOf({ deltaX, deltaY, deltaZ, deltaMode }: WheelEvent): WheelEventInit {
  return { deltaX, deltaY, deltaZ, deltaMode };
}

interface Arrow {
  moveTo(at: { readonly x: number; readonly y: number }): void;
  remove(): void;
}

/** The tip of the arrow is the corner of its box. */
const ARROW =
  '<svg xmlns="http://www.w3.org/2000/svg" width="18" height="24" viewBox="0 0 18 24"><path d="M1 1v18l4.6-4 3.2 7.4 3-1.3-3.1-7.2H15z" fill="#fff" stroke="#000" stroke-width="1.4"/></svg>';

function createArrow(document: Document): Arrow {
  const arrow = document.createElement('div');
  const style =
    'position:fixed;inset:0 auto auto 0;margin:0;border:0;padding:0;background:none;pointer-events:none;z-index:2147483647';
  arrow.setAttribute('style', style);
  arrow.setAttribute('aria-hidden', 'true');
  arrow.dataset['cursor'] = '';
  // In the top layer it lies over dialogs, and over an element that fills the screen.
  arrow.popover = 'manual';
  arrow.innerHTML = ARROW;
  return {
    moveTo: ({ x, y }) => {
      if (!arrow.isConnected) {
        document.body.append(arrow);
        if ('showPopover' in arrow) arrow.showPopover();
      }
      arrow.style.transform = `translate(${String(x)}px, ${String(y)}px)`;
    },
    remove: () => {
      arrow.remove();
    },
  };
}
