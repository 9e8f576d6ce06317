/** The zone of the safe frame in which a followed target may move. */
import { clamp, norm } from '../math/index.ts';
import type { Point } from '../view/index.ts';
import type { FollowSignal } from './followSignals.ts';

/** Half of the zone's width and height, in safe-frame heights; of a circle, its radius twice. */
export function zoneOf({ zone, zoneWidth, zoneHeight }: FollowSignal, wide: number): { width: number; height: number } {
  return { width: (zoneWidth * (zone === 'circle' ? 1 : wide)) / 2, height: zoneHeight / 2 };
}

/**
 * Moves a place on the screen to the nearest one in the zone around a middle. All are in safe-frame heights.
 *
 * @param wide width of the safe frame
 */
export function enterZone(request: FollowSignal, wide: number, middleU: number, middleV: number, place: Point): void {
  const { width, height } = zoneOf(request, wide);
  const right = place.x - middleU;
  const down = place.y - middleV;
  if (request.zone === 'circle') {
    const far = norm(right, down);
    const share = far > width ? width / far : 1;
    place.x = middleU + right * share;
    place.y = middleV + down * share;
    return;
  }
  place.x = middleU + clamp(right, -width, width);
  place.y = middleV + clamp(down, -height, height);
}
