/** The size of the element in CSS pixels, and how many device pixels each of them is. */
import type { Send } from './send.ts';

export function hearSize(element: HTMLElement, window: Window & typeof globalThis, send: Send): () => void {
  const report = (): void => {
    // No time: a new size takes effect at once.
    const { clientWidth: width, clientHeight: height } = element;
    send({ kind: 'screen', width, height, density: window.devicePixelRatio });
  };
  report();
  const observer = new window.ResizeObserver(report);
  observer.observe(element);
  return () => {
    observer.disconnect();
  };
}
