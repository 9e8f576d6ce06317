/** Less motion, where the system asks for it. */
import type { Send } from './send.ts';

export interface ReducedMotionOptions {
  /** `system` sets the setting as the player's system asks, now and when that changes (the default); `own` leaves it alone. */
  readonly reducedMotion?: 'system' | 'own';
}

export function observeReducedMotion(
  window: Window & typeof globalThis,
  { reducedMotion = 'system' }: ReducedMotionOptions,
  send: Send,
  signal: AbortSignal,
): void {
  if (reducedMotion === 'own') return;
  const query = window.matchMedia('(prefers-reduced-motion: reduce)');
  const report = (): void => {
    send({ kind: 'change', settings: { reducedMotion: query.matches } });
  };
  if (query.matches) report();
  query.addEventListener('change', report, { signal });
}
