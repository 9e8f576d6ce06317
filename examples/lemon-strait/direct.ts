/**
 * The page moves the camera: a double click goes there, or follows the barge under it; C shows all that are chosen; a number
 * key goes to its mark, with Shift it sets it; [ and ] go back and forward.
 */
import type { Camera, Point } from 'zesty-kite';
import { follow, frame, Marks, travel, Visits, type Followed } from 'zesty-kite/direct';
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
  const marks = new Marks(camera);
  const visits = new Visits(camera);
  addEventListener('keydown', (event) => {
    const { code } = event;
    if (marks.key(event)) event.preventDefault();
    if (code === 'BracketLeft') void visits.back();
    if (code === 'BracketRight') void visits.forward();
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
