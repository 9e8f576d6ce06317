/** How far a view is outside its bounds: the measure behind guarantee G4. */
import type { View } from '../view/index.ts';
import type { Limits } from './limits.ts';

/**
 * The farthest that the view reaches over an edge, in world units; where the bounds are smaller
 * than the view, how far it is from being centred on them. 0 without bounds.
 */
export function boundsExcess(view: View, limits: Limits): number {
  if (limits.halfHigh === 0) return 0;
  const halfWidth = view.width / 2 / view.scale;
  return Math.max(
    stretchExcess(view.x, limits.left, limits.right, halfWidth),
    stretchExcess(view.y, limits.top, limits.bottom, view.span / 2),
  );
}

function stretchExcess(middle: number, low: number, high: number, half: number): number {
  const room = (high - low) / 2 - half;
  return Math.max(0, Math.abs(middle - (low + high) / 2) - Math.max(0, room));
}
