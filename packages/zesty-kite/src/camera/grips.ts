/** Held points, as they are shown. */
import type { Rig } from './rig.ts';

/** A point of the ground held under a screen point. */
export interface Grip {
  /**
   * The held point, world units. In a world that repeats itself, that of the copy that is held, counted on
   * from the view's focus: it may lie outside the first copy.
   */
  readonly x: number;
  readonly y: number;
  readonly height: number;
  /** The screen point, CSS pixels from the top left. */
  readonly screenX: number;
  readonly screenY: number;
  /** The distance from the screen point to the held copy on the screen, CSS pixels. */
  readonly error: number;
  /** A limit binds, or the point is out of reach, so that it need not be there. */
  readonly limited: boolean;
}

export function gripsOf(rig: Rig): readonly Grip[] {
  const { hold, first, second } = rig.frame;
  if (hold.fingers === 0 && (!hold.isGrip || hold.isBelowEye)) return [];
  return hold.fingers < 2 ? [gripOf(rig, first)] : [gripOf(rig, first), gripOf(rig, second)];
}

function gripOf({ view, frame, shown }: Rig, { x, y, height, screenX, screenY }: Rig['frame']['first']): Grip {
  const east = x - shown.x;
  const south = y - shown.y;
  const at = view.toScreenFromFocus(east, south, height);
  const offX = at.x - screenX;
  const offY = at.y - screenY;
  return {
    x: view.x + east,
    y: view.y + south,
    height,
    screenX,
    screenY,
    error: Math.sqrt(offX * offX + offY * offY),
    limited: frame.focus.isLimited || frame.offset.isOn || !view.projection.isInReach(screenY) || !at.inFront,
  };
}
