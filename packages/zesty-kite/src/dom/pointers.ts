/** Buttons, fingers and pens on the element. What is not bound, and what the game keeps, is left alone. */
import type { Button } from '../settings/index.ts';
import type { IsPanel } from './panels.ts';
import type { Send } from './send.ts';
import type { Surface } from './surface.ts';
import type { HearTaps } from './taps.ts';

export interface PointerOptions {
  /** Asked at every press whether it is the game's: then the camera hears nothing of it until it is lifted. */
  readonly gamePress?: (event: PointerEvent, input: Button) => boolean;
}

/** By `button`: what a mouse and a pen press. */
const MOUSE: readonly Button[] = ['MouseLeft', 'MouseMiddle', 'MouseRight', 'MouseBack', 'MouseForward'];
const PEN: Readonly<Record<number, Button>> = { 0: 'Pen', 2: 'PenBarrel', 5: 'PenEraser' };
/** The bit of each `button` in `buttons`. */
const BITS = [1, 4, 2, 8, 16, 32];

interface Press {
  readonly id: number;
  readonly input: Button;
  readonly pointer: number;
  readonly bit: number;
  /** The camera drags, turns or steers with it. */
  readonly used: boolean;
  /** `gamePress` or `longPress` claimed it: the camera ignores it. */
  game: boolean;
  readonly downX: number;
  readonly downY: number;
  moved: boolean;
}

export interface Pointers {
  readonly isGameDrag: () => boolean;
  readonly isTouched: () => boolean;
  /** Lets go of everything, because no more events will come. */
  readonly drop: () => void;
}

const STYLE = { touchAction: 'none', userSelect: 'none', webkitUserSelect: 'none', webkitTouchCallout: 'none' };

export function hearPointers(
  surface: Surface,
  send: Send,
  startsAfterOf: (input: Button) => number,
  isBound: (input: Button) => boolean,
  tapsThat: (claim: (id: number) => void) => HearTaps,
  isPanel: IsPanel,
  { gamePress }: PointerOptions,
  report: (error: unknown) => void,
  signal: AbortSignal,
): Pointers {
  const { element, window } = surface;
  /** By pointer and button: a mouse can press several. */
  const presses = new Map<number, Press>();
  const idOf = (event: PointerEvent, button: number): number => event.pointerId * 8 + button;
  const isHeard = ({ used, game }: Press): boolean => used && !game;
  const taps = tapsThat((id) => {
    const pressed = presses.get(id);
    if (pressed === undefined) return;
    if (isHeard(pressed)) send({ kind: 'lift', id, cancelled: true });
    pressed.game = true;
  });

  const press = (event: PointerEvent, button: number): void => {
    const input = buttonOf(event, button);
    const { x, y } = surface.at(event);
    const inPanel = isPanel(event.composedPath()[0]);
    // Text can be selected in a panel, and not by dragging the map.
    const select = inPanel ? 'text' : 'none';
    Object.assign(element.style, { userSelect: select, webkitUserSelect: select });
    if (inPanel || input === null || !surface.has({ x, y })) return;
    const id = idOf(event, button);
    let game = false;
    try {
      game = gamePress?.(event, input) ?? false;
    } catch (error) {
      report(error);
    }
    // The callback may have detached the camera or removed the element.
    if (signal.aborted || !surface.isThere) return;
    const used = !game && send({ kind: 'press', id, input, x, y, time: event.timeStamp });
    const bit = BITS[button] ?? 0;
    const pressed = { id, input, pointer: event.pointerId, bit, used, game, downX: x, downY: y, moved: false };
    presses.set(id, pressed);
    taps.press(pressed, x, y, event);
    if (!used) return;
    // A locked pointer, and one that no browser knows, cannot be captured, and need not be.
    if (surface.cursor === null && event.isTrusted) capture(element, event.pointerId, report);
    // A page in a frame gets no keys before it has the focus.
    if (!element.ownerDocument.hasFocus()) window.focus();
    element.focus({ preventScroll: true });
  };

  const lift = (id: number, event: PointerEvent, cancelled: boolean): void => {
    const pressed = presses.get(id);
    if (pressed === undefined) return;
    presses.delete(id);
    if (pressed.used) release(element, pressed.pointer);
    if (isHeard(pressed)) send({ kind: 'lift', id, ...(cancelled ? { cancelled } : {}), time: event.timeStamp });
    if (pressed.used && pressed.moved) swallowClick(window);
    if (cancelled) taps.cancel(pressed);
    else taps.lift(pressed, event);
  };

  const onDown = (event: PointerEvent): void => {
    if (event.defaultPrevented) return;
    press(event, event.pointerType === 'touch' ? 0 : event.button);
  };

  const onMove = (event: PointerEvent): void => {
    const { x, y } = surface.at(event);
    for (const [id, pressed] of presses) {
      if (pressed.pointer !== event.pointerId) continue;
      const startsAfter = startsAfterOf(pressed.input);
      const wayX = x - pressed.downX;
      const wayY = y - pressed.downY;
      if (wayX * wayX + wayY * wayY > startsAfter * startsAfter) pressed.moved = true;
      taps.move(pressed, x, y);
      if (isHeard(pressed)) send({ kind: 'move', id, x, y, time: event.timeStamp });
      // Further buttons of a mouse come and go as moves.
      if ((event.buttons & pressed.bit) === 0) lift(id, event, false);
    }
    if (
      event.button >= 0 &&
      (event.buttons & (BITS[event.button] ?? 0)) !== 0 &&
      !presses.has(idOf(event, event.button))
    )
      press(event, event.button);
  };

  const liftAll = (event: PointerEvent, cancelled: boolean): void => {
    for (const [id, { pointer }] of [...presses]) if (pointer === event.pointerId) lift(id, event, cancelled);
  };
  /** A pointer whose element has gone, or that could not be captured, goes up somewhere else. */
  const onUpElsewhere = (event: PointerEvent): void => {
    if (!event.composedPath().includes(element)) liftAll(event, event.type !== 'pointerup');
  };
  const drop = (): void => {
    for (const [id, pressed] of [...presses]) {
      presses.delete(id);
      taps.cancel(pressed);
      if (isHeard(pressed)) send({ kind: 'lift', id, cancelled: true });
      if (pressed.used) release(element, pressed.pointer);
    }
  };
  const onUp = (event: PointerEvent): void => {
    liftAll(event, false);
  };
  const onCancel = (event: PointerEvent): void => {
    liftAll(event, true);
  };

  /** Some systems open the context menu between down and up; it is suppressed where its button is bound. */
  const onContextMenu = (event: MouseEvent): void => {
    if (isPanel(event.composedPath()[0])) return;
    const byTouch = [...presses.values()].some(({ input, used }) => used && input === 'Touch');
    if (isBound('MouseRight') || byTouch) event.preventDefault();
  };

  /** A middle button would start the page's own scrolling. */
  const onMouseDown = (event: MouseEvent): void => {
    const input = isPanel(event.composedPath()[0]) ? undefined : MOUSE[event.button];
    if (input !== undefined && input !== 'MouseLeft' && isBound(input)) event.preventDefault();
  };

  /** Images and links would be dragged by the browser, and the pointer taken away. */
  const onDragStart = (event: DragEvent): void => {
    if ([...presses.values()].some(isHeard)) event.preventDefault();
  };

  const unstyle = styleFor(element);
  const options = { signal };
  element.addEventListener('pointerdown', onDown, options);
  element.addEventListener('pointermove', onMove, options);
  element.addEventListener('pointerup', onUp, options);
  element.addEventListener('pointercancel', onCancel, options);
  element.addEventListener('lostpointercapture', onCancel, options);
  element.addEventListener('contextmenu', onContextMenu, options);
  element.addEventListener('mousedown', onMouseDown, options);
  element.addEventListener('dragstart', onDragStart, options);
  for (const type of ['pointerup', 'pointercancel', 'lostpointercapture'] as const)
    window.document.addEventListener(type, onUpElsewhere, options);
  signal.addEventListener('abort', () => {
    unstyle();
    drop();
  });
  return {
    isGameDrag: () => [...presses.values()].some(({ game, moved }) => game && moved),
    isTouched: () => [...presses.values()].some(({ input }) => input === 'Touch'),
    drop,
  };
}

/** How many presses, of any camera, want an element to have a pointer. */
const captured = new WeakMap<HTMLElement, Map<number, number>>();

/** Moves and lifts come to the element, wherever the pointer goes. */
function capture(element: HTMLElement, pointer: number, report: (error: unknown) => void): void {
  const wanted = captured.get(element) ?? new Map<number, number>();
  captured.set(element, wanted);
  wanted.set(pointer, (wanted.get(pointer) ?? 0) + 1);
  try {
    element.setPointerCapture(pointer);
  } catch (error) {
    // The pointer is gone, or capture is forbidden: it is heard only while it is over the element.
    report(error);
  }
}

/** Releases the capture unless another camera still drags with this pointer. */
function release(element: HTMLElement, pointer: number): void {
  const wanted = captured.get(element);
  const left = (wanted?.get(pointer) ?? 0) - 1;
  if (left > 0) wanted?.set(pointer, left);
  else {
    wanted?.delete(pointer);
    if (element.hasPointerCapture(pointer)) element.releasePointerCapture(pointer);
  }
}

/** Elements that are listened to: by how many cameras, and how they were before. */
interface Styled {
  cameras: number;
  readonly before: Readonly<Record<string, string>>;
  readonly madeFocusable: boolean;
}
const styled = new WeakMap<HTMLElement, Styled>();

/** While anything listens: fingers do not scroll the page, and dragging selects nothing. */
function styleFor(element: HTMLElement): () => void {
  const style = element.style as CSSStyleDeclaration & Record<string, string>;
  const before = Object.fromEntries(Object.keys(STYLE).map((name) => [name, style[name] ?? '']));
  // A press gives it the focus, also where the page did not think of that: a canvas has none by itself.
  const madeFocusable = !element.hasAttribute('tabindex') && element.tabIndex < 0;
  const kept = styled.get(element) ?? { cameras: 0, before, madeFocusable };
  styled.set(element, kept);
  kept.cameras += 1;
  Object.assign(style, STYLE);
  if (kept.madeFocusable) element.tabIndex = -1;
  return () => {
    kept.cameras -= 1;
    if (kept.cameras > 0) return;
    Object.assign(style, kept.before);
    if (kept.madeFocusable) element.removeAttribute('tabindex');
    styled.delete(element);
  };
}

/** What an event's button is called; null for one that has no name. */
export function buttonOf({ pointerType }: PointerEvent, button: number): Button | null {
  if (pointerType === 'touch') return 'Touch';
  return (pointerType === 'pen' ? PEN[button] : MOUSE[button]) ?? null;
}

/** Hides the click that browsers send after a drag, in the same task or the next. */
function swallowClick(window: Window & typeof globalThis): void {
  const swallow = (event: Event): void => {
    event.stopPropagation();
    event.preventDefault();
  };
  const names = ['click', 'auxclick'] as const;
  for (const name of names) window.addEventListener(name, swallow, { capture: true });
  window.setTimeout(() => {
    for (const name of names) window.removeEventListener(name, swallow, { capture: true });
  });
}
