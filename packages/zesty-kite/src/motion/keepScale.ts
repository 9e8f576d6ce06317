/** A screen or a safe frame that changes its size. */
import type { FullSettings } from '../settings/index.ts';
import { frameHeightOf, type Look } from '../view/index.ts';
import type { Motion } from './motion.ts';
import type { Rules } from './rules.ts';

type Keep = NonNullable<FullSettings['resize']['keep']>;

/**
 * Keeps the span, the width of ground or the scale of a safe frame that was of another size. The
 * wanted span changes too: it comes back when the frame does.
 *
 * @param look of the new frame
 */
export function scaleWithFrame(motion: Motion, fromWidth: number, fromHeight: number, look: Look, keep: Keep): void {
  if (keep === 'span') return;
  const scaled = look.frameHeight / fromHeight;
  const factor = keep === 'scale' ? scaled : (fromWidth * scaled) / look.frameWidth;
  motion.span *= factor;
  motion.easedSpan *= factor;
  motion.goalSpan *= factor;
  motion.wantedSpan *= factor;
}

/** What a screen of another size keeps: stops in pixels keep the scale, or it would leave them. */
export function resizeKeeps({ settings, stops }: Rules): Keep {
  const { lens, resize } = settings;
  if (stops?.areScales === true) return 'scale';
  return resize.keep ?? (lens.fieldOfView === null && lens.distance === null ? 'scale' : 'span');
}

/**
 * The share of the screen's height that panels leave to the safe frame. Limits, stops and curves are spans without panels:
 * a panel never changes the scale, so a span is this share of what it would be without.
 */
export function frameShare({ insetTop, insetBottom }: Motion, { screen }: Pick<Rules, 'screen'>): number {
  return insetTop + insetBottom > 0 ? frameHeightOf(screen.height, insetTop, insetBottom) / screen.height : 1;
}
