/** The mouse at the edges of the element, wherever in the window it is heard. */
import type { Camera } from '../camera.ts';
import type { Send } from './send.ts';

export interface HoverOptions {
  /** A selector of panels that are no edge, though they lie over one; or a function that says so of what is under the mouse. */
  readonly panels?: string | ((target: Element) => boolean);
}

export function hearHover(
  element: HTMLElement,
  window: Window & typeof globalThis,
  camera: Camera,
  send: Send,
  isGameDrag: () => boolean,
  { panels }: HoverOptions,
): () => void {
  const { document } = window;

  const isPanel = (target: EventTarget | null): boolean => {
    if (panels === undefined || !(target instanceof window.Element)) return false;
    return typeof panels === 'string' ? target.closest(panels) !== null : panels(target);
  };

  const leave = (event: Event): void => {
    send({ kind: 'hover', time: event.timeStamp });
  };

  const onMove = (event: PointerEvent): void => {
    const { edge } = camera.settings;
    if (edge === null) return;
    const dragging = isGameDrag();
    // A finger leaves no hover behind: it counts only while the game drags with it.
    if (event.pointerType !== 'mouse' && !dragging) return;
    const box = element.getBoundingClientRect();
    // Under CSS transforms the element's own pixels are others than the window's.
    const x = ((event.clientX - box.left) * element.offsetWidth) / box.width - element.clientLeft;
    const y = ((event.clientY - box.top) * element.offsetHeight) / box.height - element.clientTop;
    const over = x >= 0 && y >= 0 && x <= element.clientWidth && y <= element.clientHeight;
    const pressed = event.buttons !== 0;
    const may = dragging ? edge.duringGameDrag : !pressed && over && !isPanel(event.composedPath()[0] ?? null);
    if (may && box.width > 0 && box.height > 0) send({ kind: 'hover', x, y, time: event.timeStamp });
    else leave(event);
  };

  const onOut = (event: PointerEvent): void => {
    if (event.relatedTarget === null && camera.settings.edge?.outside !== 'go-on') leave(event);
  };

  const onUp = (event: PointerEvent): void => {
    if (event.pointerType !== 'mouse') leave(event);
  };

  window.addEventListener('pointermove', onMove, { passive: true });
  window.addEventListener('pointerup', onUp, { passive: true });
  document.addEventListener('pointerout', onOut, { passive: true });
  return () => {
    window.removeEventListener('pointermove', onMove);
    window.removeEventListener('pointerup', onUp);
    document.removeEventListener('pointerout', onOut);
    send({ kind: 'hover' });
  };
}
