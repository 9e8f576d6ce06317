/** A screen or a safe frame of another size keeps the span, the width or the scale. */
import type { FullSettings } from '../settings/index.ts';
import type { Projection } from '../view/index.ts';
import type { Constraints } from './constraints.ts';
import type { Zoom } from './zoom.ts';

type Keep = NonNullable<FullSettings['resize']['keep']>;

/**
 * Keeps the span, the width of ground or the scale of a safe frame that was of another size. The
 * wanted span changes too: it comes back when the frame does.
 *
 * @param look of the new frame
 */
export function scaleWithFrame(
  zoom: Zoom,
  fromWidth: number,
  fromHeight: number,
  projection: Projection,
  keep: Keep,
): void {
  if (keep === 'span') return;
  const scaled = projection.frameHeight / fromHeight;
  zoom.scale(keep === 'scale' ? scaled : (fromWidth * scaled) / projection.frameWidth);
}

/** The value that a screen of another size keeps: stops in pixels keep the scale, or it would leave them. */
export function resizeKeeps({ settings, stops }: Constraints): Keep {
  const { lens, resize } = settings;
  if (stops?.areScales === true) return 'scale';
  return resize.keep ?? (lens.fieldOfView === null && lens.distance === null ? 'scale' : 'span');
}
