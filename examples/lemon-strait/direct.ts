/**
 * The page moves the camera: a double click goes there, or follows the barge under it; C shows all that are chosen; a number
 * key goes to its mark, with Shift it sets it; [ and ] go back and forward.
 */
import type { Camera, Point } from 'zesty-kite';
import { directing, follow, frame, Marks, travel, Visits, type Drawn, type Followed } from 'zesty-kite/direct';
import type { Afloat } from './world.ts';

export interface Directing {
  readonly doubleTap: (barge: Afloat | null, ground: Point | null) => void;
  /** Whom it follows. */
  readonly followed: () => Afloat | null;
  /** For the overlay: the way, the dead zone, and the box that is framed. */
  readonly drawn: () => readonly Drawn[];
}

/** A barge is so long, world units. */
const LONG = 8;

export function createDirecting(camera: Camera, chosen: ReadonlySet<Afloat>): Directing {
  let followed: { readonly barge: Afloat; readonly following: Followed } | null = null;

  let framed: Drawn | null = null;

  const keep = (barge: Afloat): void => {
    const following = follow(camera, () => barge, { halfLife: 0.15, deadZone: { diameter: 0.08 } });
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
    // They float: the ground there is the bottom of the sea.
    const boxes = [...chosen].map(({ x, y }) => ({ x, y, height: 0, radius: LONG }));
    const { to, corners } = frame(camera, boxes, { padding: 80 });
    const framing = { on: 'ground', points: corners, closed: true } as const;
    framed = framing;
    void travel(camera, to).then(() => {
      if (framed === framing) framed = null;
    });
  });
  return {
    doubleTap: (barge, ground) => {
      if (barge !== null) keep(barge);
      else if (ground !== null) void travel(camera, { x: ground.x, y: ground.y });
    },
    followed: () => followed?.barge ?? null,
    drawn: () => [...directing(camera), ...(framed === null ? [] : [framed])],
  };
}
