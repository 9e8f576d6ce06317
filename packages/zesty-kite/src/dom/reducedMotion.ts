/** Less motion, where the system asks for it. */
import type { Send } from './send.ts';

export interface ReducedMotionOptions {
  /** `system` sets the setting as the player's system asks, now and when that changes (the default); `own` leaves it alone. */
  readonly reducedMotion?: 'system' | 'own';
}

export function hearReducedMotion(
  window: Window & typeof globalThis,
  { reducedMotion = 'system' }: ReducedMotionOptions,
  send: Send,
  signal: AbortSignal,
): void {
  if (reducedMotion === 'own') return;
  const query = window.matchMedia('(prefers-reduced-motion: reduce)');
  const tell = (): void => {
    send({ kind: 'change', settings: { reducedMotion: query.matches } });
  };
  if (query.matches) tell();
  query.addEventListener('change', tell, { signal });
}
