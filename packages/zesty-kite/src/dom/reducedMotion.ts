/** Reduced motion, if the system prefers it. */
import type { Send } from './send.ts';

export interface ReducedMotionOptions {
  /** `system` sets the setting from the preference of the system, now and when it changes (the default); `own` leaves it alone. */
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
