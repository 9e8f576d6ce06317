/** Returns true if the view always fits into the bounds: as the settings say, or if no farthest zoom is given. */
import type { FullSettings } from './types.ts';

export function isZoomLimited({ bounds, zoom }: FullSettings): boolean {
  if (bounds?.keep !== 'view') return false;
  const { whenViewIsLarger } = bounds;
  if (whenViewIsLarger !== null) return whenViewIsLarger === 'limit-zoom';
  return zoom.maxSpan === null;
}
