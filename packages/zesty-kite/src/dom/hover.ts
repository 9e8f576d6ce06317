/** The mouse at the edges of the element, from events of the whole window. */
import type { InputTarget } from '../cameraLike.ts';
import type { IsPanel } from './panels.ts';
import type { Send } from './send.ts';
import type { Surface } from './surface.ts';

/** A panel along a whole side does not keep the pointer from the side: so near to it, CSS pixels, the edge pans over panels. */
const RIM = 2;

export function listenToHover(
  surface: Surface,
  camera: InputTarget,
  send: Send,
  isGameDrag: () => boolean,
  isPanel: IsPanel,
  signal: AbortSignal,
): void {
  const { window } = surface;

  const leave = (event: Event): void => {
    send({ kind: 'hover', time: event.timeStamp });
  };

  const onMove = (event: PointerEvent): void => {
    const { edge } = camera.settings;
    if (edge === null) return;
    const dragging = isGameDrag();
    // A finger hovers only while the game drags with it.
    if (event.pointerType !== 'mouse' && !dragging) return;
    const { x, y } = surface.at(event);
    const isRim = edge.along === 'screen' && surface.rimOf({ x, y }) < RIM;
    const isMap = isRim || !isPanel(surface.under(event));
    const free = event.buttons === 0 && surface.has({ x, y }) && surface.isReachable && isMap;
    if ((dragging ? edge.duringGameDrag : free) && Number.isFinite(x + y))
      send({ kind: 'hover', x, y, time: event.timeStamp });
    else leave(event);
  };

  const onOut = (event: PointerEvent): void => {
    if (event.relatedTarget === null && camera.settings.edge?.outside !== 'go-on') leave(event);
  };

  const onUp = (event: PointerEvent): void => {
    if (event.pointerType !== 'mouse') leave(event);
  };

  window.addEventListener('pointermove', onMove, { passive: true, signal });
  for (const type of ['pointerup', 'pointercancel'] as const)
    window.addEventListener(type, onUp, { passive: true, signal });
  window.document.addEventListener('pointerout', onOut, { passive: true, signal });
  signal.addEventListener('abort', () => {
    send({ kind: 'hover' });
  });
}
