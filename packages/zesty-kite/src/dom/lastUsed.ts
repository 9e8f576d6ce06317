/** Of several cameras on a page with the same keys, the one that was pressed, hovered or focused last. */
import type { Surface } from './surface.ts';

/** Those of a document, the last used one at the end. */
const used = new WeakMap<Document, Surface[]>();

/** @returns whether this one is the last used of those in reach; before any is, the first that listened */
export function watchUse(surface: Surface, signal: AbortSignal): () => boolean {
  const { element, window } = surface;
  const { document } = window;
  const all = used.get(document) ?? [];
  used.set(document, all);
  all.unshift(surface);

  const use = (): void => {
    if (all.at(-1) === surface) return;
    all.splice(all.indexOf(surface), 1);
    all.push(surface);
  };
  const onPointer = (event: MouseEvent): void => {
    if (all.at(-1) !== surface && event.composedPath().includes(element) && surface.has(surface.at(event))) use();
  };
  /** The focus does not decide between two that share an element. */
  const onFocus = (): void => {
    if (all.at(-1)?.element !== element) use();
  };
  for (const type of ['pointermove', 'pointerdown', 'wheel'] as const)
    window.addEventListener(type, onPointer, { capture: true, passive: true, signal });
  element.addEventListener('focusin', onFocus, { signal });
  signal.addEventListener('abort', () => {
    all.splice(all.indexOf(surface), 1);
  });
  return () => (all.findLast(({ isThere, isReachable }) => isThere && isReachable) ?? all.at(-1)) === surface;
}
