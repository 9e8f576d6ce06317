/** Buttons, fingers and pens on the element. Presses that are not bound, and those that the game keeps, are left alone. */
import type { InputTarget } from '../cameraLike.ts';
import { startsAfterOf, type Button } from '../settings/index.ts';
import type { Point, Spot } from '../view/index.ts';
import { BITS, buttonOf, MOUSE } from './buttons.ts';
import { capture, release } from './capture.ts';
import { focusByPress, styleElement } from './elementStyle.ts';
import type { GameDrags } from './gameDrag.ts';
import { modifiersOf } from './modifiers.ts';
import type { IsPanel } from './panels.ts';
import type { PointerOptions } from './pointerPress.ts';
import type { Send } from './send.ts';
import type { Surface } from './surface.ts';
import { swallowClick } from './swallowClick.ts';
import type { ListenToTaps } from './taps.ts';

interface Press {
  readonly id: number;
  readonly input: Button;
  readonly pointer: number;
  readonly bit: number;
  /** The camera drags, turns or steers with it. */
  readonly used: boolean;
  /** `claimPress` or `longPress` claimed it: the camera ignores it. */
  game: boolean;
  /** The screen point of the press, and its ground. */
  readonly down: Point & { readonly ground: Spot | null };
  /** It has moved far enough for a drag. */
  moved: boolean;
  /** The camera or the game drags with it. */
  drags: boolean;
  captured: boolean;
}

export interface Pointers {
  readonly isGameDrag: () => boolean;
  readonly isTouched: () => boolean;
  /** Lets go of everything, because no more events will come. */
  readonly drop: () => void;
}

export interface PointerParts {
  readonly surface: Surface;
  readonly camera: InputTarget;
  readonly send: Send;
  readonly isPanel: IsPanel;
  /** @param claim gives the game a press from now on */
  readonly tapsThat: (claim: (id: number) => void) => ListenToTaps;
  readonly drags: GameDrags;
  readonly isTabStop: boolean;
  readonly report: (error: unknown) => void;
  readonly signal: AbortSignal;
}

export function listenToPointers(
  { surface, camera, send, isPanel, tapsThat, drags, isTabStop, report, signal }: PointerParts,
  { claimPress, leftToPage }: PointerOptions,
): Pointers {
  const { element, window } = surface;
  /** By pointer and button: a mouse can press several. */
  const presses = new Map<number, Press>();
  const idOf = (event: PointerEvent, button: number): number => event.pointerId * 8 + button;
  const isListening = ({ used, game }: Press): boolean => used && !game;
  const taps = tapsThat((id) => {
    const pressed = presses.get(id);
    if (pressed === undefined) return;
    if (isListening(pressed)) send({ kind: 'lift', id, cancelled: true });
    pressed.game = true;
  });
  const callSafely = <T>(call: () => T): T | undefined => {
    try {
      return call();
    } catch (error) {
      report(error);
      return undefined;
    }
  };

  const press = (event: PointerEvent, button: number): void => {
    const input = buttonOf(event, button);
    const { x, y } = surface.at(event);
    const inPanel = isPanel(event.composedPath()[0]);
    // Text can be selected in a panel, and not by dragging the map.
    const select = inPanel ? 'text' : 'none';
    Object.assign(element.style, { userSelect: select, webkitUserSelect: select });
    if (inPanel || input === null || !surface.has({ x, y })) return;
    const id = idOf(event, button);
    const ground = camera.view.toGround(x, y);
    const press = { input, x, y, ground, modifiers: modifiersOf(event), event };
    const game = callSafely(() => claimPress?.(press)) ?? false;
    // The callback may have detached the camera or removed the element.
    if (signal.aborted || !surface.isThere) return;
    const used = !game && send({ kind: 'press', id, input, x, y, time: event.timeStamp });
    const down = { x, y, ground };
    const bit = BITS[button] ?? 0;
    const pressed = {
      id,
      input,
      pointer: event.pointerId,
      bit,
      used,
      game,
      down,
      moved: false,
      drags: false,
      captured: false,
    };
    presses.set(id, pressed);
    taps.press(pressed, x, y, event);
    if (!used) return;
    // A page in a frame gets no keys before it has the focus.
    if (!element.ownerDocument.hasFocus()) window.focus();
    focusByPress(element, signal);
  };

  /** It has moved far enough to be a drag. Until then a label over the map may get its click. */
  const startDrag = (pressed: Press, at: Point, event: PointerEvent): void => {
    const { id, input, down } = pressed;
    pressed.moved = true;
    hint(pressed);
    pressed.drags = isListening(pressed) || drags.begin(id, input, down, down.ground, at, event);
    // A locked pointer, and one that no browser has, cannot be captured, and need not be.
    if (!pressed.drags || surface.cursor !== null || !event.isTrusted) return;
    pressed.captured = true;
    capture(element, pressed.pointer, report);
  };

  /** @param event null without an event */
  const lift = (pressed: Press, event: PointerEvent | null, cancelled: boolean): void => {
    const { id, captured } = pressed;
    if (!presses.delete(id)) return;
    if (captured) release(element, pressed.pointer);
    const time = event === null ? {} : { time: event.timeStamp };
    if (isListening(pressed)) send({ kind: 'lift', id, ...(cancelled ? { cancelled } : {}), ...time });
    if (pressed.drags && event !== null) swallowClick(window);
    if (cancelled && !pressed.moved) hint(pressed);
    drags.end(id, cancelled, event);
    if (cancelled || event === null) taps.cancel(pressed);
    else taps.lift(pressed, event);
  };

  /** One finger that moves, or is taken away because it scrolls the page, is one too few. */
  const hint = (pressed: Press): void => {
    if (pressed.input !== 'Touch' || !isListening(pressed) || presses.size > 1) return;
    if (camera.settings.drag.touchRequires === 'two-fingers') callSafely(() => leftToPage?.('finger'));
  };

  const onDown = (event: PointerEvent): void => {
    if (event.defaultPrevented) return;
    press(event, event.pointerType === 'touch' ? 0 : event.button);
  };

  /** The latest event of the element. */
  let lastEvent: Event | null = null;
  const onMove = (event: PointerEvent): void => {
    // Without a press, no layout is needed.
    if (event === lastEvent || (presses.size === 0 && event.button < 0)) return;
    lastEvent = event;
    const at = surface.at(event);
    for (const pressed of presses.values()) {
      if (pressed.pointer !== event.pointerId) continue;
      const { id, down } = pressed;
      const startsAfter = startsAfterOf(camera.settings, pressed.input);
      const wayX = at.x - down.x;
      const wayY = at.y - down.y;
      const isFar = wayX * wayX + wayY * wayY > startsAfter * startsAfter;
      if (isFar && !pressed.moved) startDrag(pressed, at, event);
      taps.move(pressed, at.x, at.y);
      if (isListening(pressed)) send({ kind: 'move', id, ...at, time: event.timeStamp });
      drags.move(id, at, event);
      // Further buttons of a mouse come and go as moves.
      if ((event.buttons & pressed.bit) === 0) lift(pressed, event, false);
    }
    const { button } = event;
    const isDown = button >= 0 && (event.buttons & (BITS[button] ?? 0)) !== 0;
    if (isDown && event.composedPath().includes(element) && !presses.has(idOf(event, button))) press(event, button);
  };

  const liftAll = (event: PointerEvent): void => {
    if (event === lastEvent) return;
    lastEvent = event;
    // A label loses its finger to the element as soon as that drags.
    if (event.type === 'lostpointercapture' && event.target !== element && event.composedPath().includes(element))
      return;
    for (const pressed of [...presses.values()])
      if (pressed.pointer === event.pointerId) lift(pressed, event, event.type !== 'pointerup');
  };
  const drop = (): void => {
    for (const pressed of [...presses.values()]) lift(pressed, null, true);
  };

  /** Some systems open the context menu between down and up; it is suppressed if its button is bound. */
  const onContextMenu = (event: MouseEvent): void => {
    if (isPanel(event.composedPath()[0])) return;
    const byTouch = [...presses.values()].some(({ input, used }) => used && input === 'Touch');
    if (camera.binds('MouseRight') || byTouch) event.preventDefault();
  };

  /** A middle button would start the page's own scrolling. */
  const onMouseDown = (event: MouseEvent): void => {
    const input = isPanel(event.composedPath()[0]) ? undefined : MOUSE[event.button];
    if (input !== undefined && input !== 'MouseLeft' && camera.binds(input)) event.preventDefault();
  };

  /** Images and links would be dragged by the browser, and the pointer taken away. */
  const onDragStart = (event: DragEvent): void => {
    if ([...presses.values()].some(isListening) || drags.current !== null) event.preventDefault();
  };

  const isClaimed = (): boolean => [...presses.values()].some(({ game }) => game);
  styleElement(element, camera, isTabStop, isClaimed, signal);
  // In the capture phase: a label that stops an event would leave its pointer down.
  const captures = { capture: true, signal };
  element.addEventListener('pointerdown', onDown, { signal });
  element.addEventListener('contextmenu', onContextMenu, { signal });
  element.addEventListener('mousedown', onMouseDown, { signal });
  element.addEventListener('dragstart', onDragStart, { signal });
  // On the document as well: a pointer that is not captured, or whose element has gone, goes on somewhere else.
  const targets: readonly GlobalEventHandlers[] = [element, window.document];
  for (const target of targets) {
    target.addEventListener('pointermove', onMove, captures);
    for (const type of ['pointerup', 'pointercancel', 'lostpointercapture'] as const)
      target.addEventListener(type, liftAll, captures);
  }
  signal.addEventListener('abort', drop);
  return {
    isGameDrag: () => [...presses.values()].some(({ used, game, moved, drags }) => moved && (game || (drags && !used))),
    isTouched: () => [...presses.values()].some(({ input }) => input === 'Touch'),
    drop,
  };
}
