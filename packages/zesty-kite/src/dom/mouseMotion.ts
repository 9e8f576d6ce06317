/** The mouse that moves with no button down, for bindings of `MouseMotion`: over the element, or locked to it. */
import { MOUSE_MOTION } from '../settings/index.ts';
import type { InputTarget } from '../cameraLike.ts';
import type { Point } from '../view/index.ts';
import type { IsPanel } from './panels.ts';
import type { Send } from './send.ts';
import type { Surface } from './surface.ts';

export function listenToMouseMotion(
  surface: Surface,
  camera: InputTarget,
  send: Send,
  isPanel: IsPanel,
  signal: AbortSignal,
): void {
  const { window } = surface;
  let last: Point | null = null;

  /** How far it went, CSS pixels; null over something else. */
  const wayOf = (event: PointerEvent): Point | null => {
    // The coordinates of a locked pointer stand still.
    if (surface.cursor !== null) return { x: event.movementX, y: event.movementY };
    const before = last;
    last = surface.at(event);
    if (before === null || event.buttons !== 0 || !surface.has(last) || isPanel(surface.under(event))) return null;
    return { x: last.x - before.x, y: last.y - before.y };
  };

  const onMove = (event: PointerEvent): void => {
    if (event.pointerType !== 'mouse' || !camera.binds(MOUSE_MOTION)) return;
    const way = wayOf(event);
    if (way !== null) send({ kind: 'motion', right: way.x, down: way.y, time: event.timeStamp });
  };
  window.addEventListener('pointermove', onMove, { passive: true, signal });
}
