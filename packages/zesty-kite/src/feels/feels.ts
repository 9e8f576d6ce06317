/** Named sets of easing: layers of settings to start from and to compare. */
import type { Settings } from '../settings/index.ts';

/**
 * Each feel sets the same settings, so one replaces another.
 *
 * @param ease half-life of zooms, turns and tilts, seconds
 * @param start half-life until keys pan at full speed, seconds
 * @param stop half-life after keys are released, seconds
 * @param glide half-life of a fling, seconds
 * @param notch the factor of one wheel notch
 */
function feel(ease: number, start: number, stop: number, glide: number, notch: number): Settings {
  return {
    pitch: { halfLife: ease },
    turn: { halfLife: ease },
    pan: { startHalfLife: start, stopHalfLife: stop },
    zoom: { halfLife: ease, notch },
    drag: { glideHalfLife: glide },
  };
}

/** Nothing eases or glides: for pixel art and for editors. */
export const instant: Settings = feel(0, 0, 0, 0, 1.1);

/** Short eases and a short glide: for fast games with many orders. */
export const crisp: Settings = feel(0.04, 0.03, 0.03, 0.08, 1.12);

/** The middle: eases are seen and cost no time. */
export const supple: Settings = feel(0.08, 0.07, 0.1, 0.2, 1.12);

/** Slow to start and quick to stop, like a large machine. */
export const heavy: Settings = feel(0.16, 0.18, 0.12, 0.2, 1.15);

/** Long glides and soft stops, like a balloon: for calm games. */
export const floating: Settings = feel(0.22, 0.2, 0.45, 0.5, 1.2);

export type FeelName = 'instant' | 'crisp' | 'supple' | 'heavy' | 'floating';

/**
 * All feels by name, from the shortest to the longest ease.
 *
 * ```ts
 * new Camera([tilted(), feels.heavy, settings]);
 * ```
 */
export const feels: Readonly<Record<FeelName, Settings>> = { instant, crisp, supple, heavy, floating };
