/** The size of the element, in CSS pixels. */
import type { Send } from './send.ts';

export function hearSize(element: HTMLElement, window: Window & typeof globalThis, send: Send): () => void {
  const report = (): void => {
    // No time: a new size takes effect at once.
    send({ kind: 'screen', width: element.clientWidth, height: element.clientHeight });
  };
  report();
  const observer = new window.ResizeObserver(report);
  observer.observe(element);
  return () => {
    observer.disconnect();
  };
}
