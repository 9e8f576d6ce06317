/** Picks the thing under a screen point, instead of the ground behind it. */
import { checkFunction, checkNumber, checkView } from '../messages/index.ts';
import { nearestCopy, ScreenBox, type Box, type Ray, type View } from '../view/index.ts';

export interface ThingAtOptions<T> {
  /** The upright box around a thing, world units. Leave it out for things that are boxes. */
  readonly boxOf?: (thing: T) => Box;
  /** How far a thing may be from the point, CSS pixels: for fingers and for small things. Default: 0. */
  readonly slop?: number;
}

/**
 * Returns the thing whose box the line of sight through a screen point enters first. If it enters none, it returns the thing within
 * `slop` whose middle is nearest to the eye, or null.
 *
 * ```ts
 * const tower = thingAt(camera.view, event.offsetX, event.offsetY, towers, { boxOf: ({ box }) => box });
 * ```
 *
 * @param x CSS pixels from the top left of the region, as in `tap` and `claimPress`
 */
export function thingAt<T>(
  view: View,
  x: number,
  y: number,
  things: Iterable<T>,
  { boxOf = asBox, slop = 0 }: ThingAtOptions<T> = {},
): T | null {
  checkView('thingAt', view);
  checkNumber('thingAt.x', x);
  checkNumber('thingAt.y', y);
  checkNumber('thingAt.slop', slop, 0, 1e6);
  checkFunction('thingAt.boxOf', boxOf);
  const ray = view.ray(x, y);
  const near = new ScreenBox().set(view, x - slop, y - slop, x + slop, y + slop);
  let hit: T | null = null;
  let hitAt = Infinity;
  let close: T | null = null;
  let closeAt = Infinity;
  for (const thing of things) {
    const box = boxOf(thing);
    if (!near.touchesBox(box)) continue;
    const copy = nearestCopyOf(box, view);
    const entry = entryOf(ray, copy);
    if (entry < hitAt) [hit, hitAt] = [thing, entry];
    const away = distanceTo(ray, copy);
    if (away < closeAt) [close, closeAt] = [thing, away];
  }
  return hit ?? close;
}

function asBox(thing: unknown): Box {
  return thing as Box;
}

/** In a world that repeats itself, the copy nearest to the focus. */
function nearestCopyOf(box: Box, { x, y, ground: { periodX = 0, periodY = 0 } }: View): Box {
  const away = { x: (box.left + box.right) / 2 - x, y: (box.top + box.bottom) / 2 - y };
  const east = nearestCopy(away.x, periodX) - away.x;
  const south = nearestCopy(away.y, periodY) - away.y;
  const { left, top, right, bottom, low, high } = box;
  return { left: left + east, right: right + east, top: top + south, bottom: bottom + south, low, high };
}

/** How far along the line it enters a box, world units; Infinity if it does not (the slab method, Kay and Kajiya 1986). */
function entryOf({ start, along }: Ray, { left, top, right, bottom, low, high }: Box): number {
  let enters = 0;
  let leaves = Infinity;
  const slabs = [
    [start.x, along.x, left, right],
    [start.y, along.y, top, bottom],
    [start.height, along.height, low, high],
  ] as const;
  for (const [from, by, least, most] of slabs) {
    if (by === 0) {
      if (from < least || from > most) return Infinity;
      continue;
    }
    const one = (least - from) / by;
    const other = (most - from) / by;
    enters = Math.max(enters, Math.min(one, other));
    leaves = Math.min(leaves, Math.max(one, other));
  }
  return enters <= leaves ? enters : Infinity;
}

/** How far along the line its middle lies, world units. */
function distanceTo({ start, along }: Ray, { left, top, right, bottom, low, high }: Box): number {
  return (
    along.x * ((left + right) / 2 - start.x) +
    along.y * ((top + bottom) / 2 - start.y) +
    along.height * ((low + high) / 2 - start.height)
  );
}
