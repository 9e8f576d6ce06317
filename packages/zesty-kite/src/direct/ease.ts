/** How a movement sets off and comes to its end: the share of the way after a share of the time. */

export const EASES = ['in-out', 'in', 'out', 'none'] as const;
export type Ease = (typeof EASES)[number];

/** How fast it goes at its fastest moment, as a multiple of an even pace. */
export const PEAK: Readonly<Record<Ease, number>> = { 'in-out': 1.5, in: 2, out: 2, none: 1 };

/** @param time 0 … 1 */
export function eased(ease: Ease, time: number): number {
  if (ease === 'in-out') return time * time * (3 - 2 * time);
  if (ease === 'in') return time * time;
  return ease === 'out' ? time * (2 - time) : time;
}
