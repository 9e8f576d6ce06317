/** The page moves the camera: a double click goes there, or follows the barge under it; C shows all that are chosen. */
import type { Camera, Point } from 'zesty-kite';
import { follow, frame, travel, type Followed } from 'zesty-kite/direct';
import type { Afloat } from './world.ts';

export interface Directing {
  readonly doubleTap: (barge: Afloat | null, ground: Point | null) => void;
  /** Whom it follows. */
  readonly followed: () => Afloat | null;
}

/** A barge is so long, world units. */
const LONG = 8;

export function createDirecting(camera: Camera, chosen: ReadonlySet<Afloat>): Directing {
  let followed: { readonly barge: Afloat; readonly following: Followed } | null = null;

  const keep = (barge: Afloat): void => {
    const following = follow(camera, () => barge, { halfLife: 0.15 });
    followed = { barge, following };
    void following.ended.then(() => {
      if (followed?.following === following) followed = null;
    });
  };
  addEventListener('keydown', ({ code }) => {
    if (code !== 'KeyC' || chosen.size === 0) return;
    const boxes = [...chosen].map(({ x, y }) => ({ x, y, radius: LONG }));
    void travel(camera, frame(camera, boxes, { padding: 80 }).to);
  });
  return {
    doubleTap: (barge, ground) => {
      if (barge !== null) keep(barge);
      else if (ground !== null) void travel(camera, { x: ground.x, y: ground.y });
    },
    followed: () => followed?.barge ?? null,
  };
}
