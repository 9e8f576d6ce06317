/**
 * Time as whole numbers. A microsecond is three ticks, so that both microseconds and the grid of
 * 1/60 s are whole and nothing is ever rounded twice.
 */

export const TICKS_PER_MICRO = 3;
export const TICKS_PER_SECOND = 3_000_000;
/** One step of the grid on which kept state advances: 1/60 s. */
export const GRID_TICKS = 50_000;
/** The same step in seconds. */
export const GRID_SECONDS = GRID_TICKS / TICKS_PER_SECOND;
/** The longest session: about 31 years. Times beyond count as this. */
const MAX_MICROS = 1e15;

/** Milliseconds since the session began → whole microseconds, 0 … about 31 years. */
export function microsOf(milliseconds: number): number {
  const micros = Math.round(milliseconds * 1000);
  return micros > 0 ? Math.min(micros, MAX_MICROS) : 0;
}

/** How many whole steps of the grid lie before `ticks`; exact up to `MOST_MICROS`. */
export function gridSteps(ticks: number): number {
  return Math.floor(ticks / GRID_TICKS);
}
