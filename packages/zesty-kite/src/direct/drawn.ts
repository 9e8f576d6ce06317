/** For drawing while a game is made: what directs the camera now. */
import type { Camera } from '../camera/index.ts';
import { Angle } from '../math/index.ts';
import type { Point } from '../view/index.ts';
import { timelineOf } from './here.ts';
import { Following } from './following.ts';
import type { FollowSignal } from './followSignals.ts';
import { zoneOf } from './zone.ts';
import { Journey } from './journey.ts';
import type { Plan } from './way.ts';

/** A line of points: of the ground in world units, or of the screen in CSS pixels. */
export interface Drawn {
  /** The points are world units or CSS pixels. */
  readonly on: 'ground' | 'screen';
  /** The corners of the line, in order. */
  readonly points: readonly Point[];
  /** The last point goes back to the first. */
  readonly closed: boolean;
}

const PARTS = 48;

/**
 * Returns the path of a journey under way, and the dead zone of a target, for the overlay.
 *
 * ```ts
 * const overlay = createOverlay(camera, listening, () => directing(camera));
 * ```
 */
export function directing(camera: Camera): Drawn[] {
  const { kept } = timelineOf('directing', camera);
  return kept.moving.flatMap(({ state }) => {
    if (state instanceof Journey && state.plan !== null) return [wayOf(state, state.plan, camera.shown)];
    if (state instanceof Following && state.request !== null) return [drawnZone(state, state.request, camera)];
    return [];
  });
}

/** From where the camera is, straight over the ground: only the span goes by a curve. */
function wayOf({ movedX, movedY }: Journey, { to }: Plan, from: Point): Drawn {
  return {
    on: 'ground',
    closed: false,
    points: [
      { x: from.x, y: from.y },
      { x: to.x + movedX, y: to.y + movedY },
    ],
  };
}

function drawnZone({ middleU, middleV }: Following, request: FollowSignal, { view: { projection } }: Camera): Drawn {
  const at = (right: number, down: number): Point => ({
    x: projection.middleX + (middleU + right) * projection.frameHeight,
    y: projection.middleY + (middleV + down) * projection.frameHeight,
  });
  const angle = new Angle();
  const { width, height } = zoneOf(request, projection.frameWidth * projection.perPixel);
  const points =
    request.zone === 'circle'
      ? Array.from({ length: PARTS }, (_, i) => {
          angle.degrees = (i / PARTS) * 360;
          angle.compute();
          return at(width * angle.cosine, height * angle.sine);
        })
      : [at(-width, -height), at(width, -height), at(width, height), at(-width, height)];
  return { on: 'screen', closed: true, points };
}
