/** Following a group: all of it is kept in sight as it spreads, and the zoom does not pump. */
import type { Camera } from '../camera.ts';
import { shown } from '../settings/index.ts';
import type { Point } from '../view/index.ts';
import { follow, type Followed, type FollowOptions } from './follow.ts';
import { frame, type FrameOptions } from './frame.ts';
import type { Thing } from './things.ts';

export interface GroupOptions extends FollowOptions, Pick<FrameOptions, 'padding'> {
  /** The zoom comes no nearer and goes no farther for the group: spans, world units. The limits of the settings hold too. */
  readonly nearest?: number;
  readonly farthest?: number;
}

/** It goes farther when somebody would be cut off, by so much more than that takes; */
const ROOM = 1.1;
/** and comes nearer when it takes less than this share of what there is. */
const SHRUNK = 0.7;

/**
 * Keeps a group in sight. The focus goes where all of it shows; the zoom goes farther before anybody is cut off, and nearer only once
 * the group has drawn together by far, so that it does not pump. Where it returns null or nobody, the group is lost.
 *
 * ```ts
 * const followed = followGroup(camera, () => squad, { nearest: 60, farthest: 400, padding: 60 });
 * ```
 *
 * @throws TypeError for a group that is nowhere, and for what is no thing
 */
export function followGroup(
  camera: Camera,
  group: () => readonly Thing[] | null,
  options: GroupOptions = {},
): Omit<Followed, 'moveTo'> {
  const { padding = 0, nearest = 0, farthest = Infinity, ...others } = options;
  if (!(nearest >= 0 && farthest >= nearest))
    throw new TypeError(`followGroup.options: found ${shown({ nearest, farthest })}; wanted 0 ≤ nearest ≤ farthest`);
  /** The span that was asked for last. */
  let asked = NaN;
  const find = (): Point | null => {
    const things = group();
    if (things === null || things.length === 0) return null;
    const { x, y, span } = frame(camera, things, { padding }).to;
    if (span <= asked && span * ROOM >= asked * SHRUNK) return { x, y };
    const wanted = Math.min(Math.max(span * ROOM, nearest), farthest);
    if (wanted !== asked) camera.zoom({ factor: camera.timeline.kept.goalSpan / wanted });
    asked = wanted;
    return { x, y };
  };
  const followed = follow(camera, find, others);
  return {
    end: () => {
      followed.end();
    },
    ended: followed.ended,
    get parting() {
      return followed.parting;
    },
  };
}
