/** Turns what happens to an element into signals for a camera. */
import type { Camera } from '../camera.ts';
import { hearKeyboard } from './keyboard.ts';
import { hearHover, type HoverOptions } from './hover.ts';
import { hearPointers, type PointerOptions } from './pointers.ts';
import type { Send } from './send.ts';
import { hearSize } from './size.ts';
import { watchGaps } from './gap.ts';
import { hearWheel } from './wheel.ts';

export type ListenOptions = PointerOptions & HoverOptions;

/**
 * Steers `camera` by what the player does on `element`: keys anywhere in the page but in text
 * fields; buttons, fingers, pens and the wheel over the element; and the element's size.
 *
 * ```ts
 * const detach = listen(canvas, camera, { tap: ({ x, y }) => select(camera.view.toGround(x, y)) });
 * ```
 *
 * @returns a function that takes every listener and observer away again and lets go of all keys
 */
export function listen(element: HTMLElement, camera: Camera, options: ListenOptions = {}): () => void {
  const window = element.ownerDocument.defaultView;
  if (window === null)
    throw new TypeError('listen: found an element of a document without a window; wanted one that is shown');
  const gaps = watchGaps(camera);
  const send: Send = (signal) => {
    if (camera.settled && signal.time !== undefined) gaps.wokenAt(signal.time);
    return camera.signal(signal);
  };
  const isBound = (input: string): boolean => camera.binds(input);
  const slopOf = (input: string): number =>
    input === 'Touch' ? camera.settings.drag.touchSlop : camera.settings.drag.slop;
  const pointers = hearPointers(element, window, send, slopOf, isBound, options);
  const detachers = [
    hearSize(element, window, send),
    hearKeyboard(window, send, isBound),
    pointers.detach,
    hearHover(element, window, camera, send, pointers.isGameDrag, options),
    hearWheel(element, camera, send),
    gaps.detach,
  ];
  return () => {
    for (const detach of detachers.splice(0)) detach();
  };
}
