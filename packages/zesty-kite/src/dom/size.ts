/** The size of the camera's part of the element in CSS pixels, and how many device pixels each of them is. */
import type { Send } from './send.ts';
import type { Surface } from './surface.ts';

export function observeSize(surface: Surface, send: Send, signal: AbortSignal): void {
  const { element, window } = surface;
  const report = (): void => {
    // No time: a new size takes effect at once.
    const { width, height } = surface.region;
    send({ kind: 'screen', width, height, density: window.devicePixelRatio });
  };
  report();
  const observer = new window.ResizeObserver(report);
  observer.observe(element);
  observeDensity(window, report, signal);
  signal.addEventListener('abort', () => {
    observer.disconnect();
  });
}

/** A window that moves to another display, or a page that is zoomed, may have other pixels in the same size. */
function observeDensity(window: Window & typeof globalThis, report: () => void, signal: AbortSignal): void {
  const query = window.matchMedia(`(resolution: ${String(window.devicePixelRatio)}dppx)`);
  const changed = (): void => {
    report();
    observeDensity(window, report, signal);
  };
  query.addEventListener('change', changed, { once: true, signal });
}
