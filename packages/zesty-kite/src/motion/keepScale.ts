/** A safe frame that changes its size. */
import type { FullSettings } from '../settings/index.ts';
import type { Look } from '../view/index.ts';
import type { Motion } from './motion.ts';
import type { Rules } from './rules.ts';

/**
 * Keeps the span, the width of ground or the scale of a safe frame that was of another size. The
 * wanted span changes too: it comes back when the frame does.
 *
 * @param look of the new frame
 */
export function scaleWithFrame(
  motion: Motion,
  fromWidth: number,
  fromHeight: number,
  look: Look,
  keep: FullSettings['resize']['keep'],
): void {
  if (keep === 'span') return;
  const scaled = look.frameHeight / fromHeight;
  const factor = keep === 'scale' ? scaled : (fromWidth * scaled) / look.frameWidth;
  motion.span *= factor;
  motion.goalSpan *= factor;
  motion.wantedSpan *= factor;
}

/** What a frame of another size keeps: stops in pixels keep the scale, or it would leave them. */
export function resizeKeeps({ settings, stops }: Rules): FullSettings['resize']['keep'] {
  return stops?.areScales === true ? 'scale' : settings.resize.keep;
}
