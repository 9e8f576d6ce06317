/** Following a group: all of it is kept in sight as it spreads, and the zoom does not pump. */
import { checkFunction, checkList, checkObject, refuse } from '../messages/index.ts';
import type { Camera } from '../camera/index.ts';
import { clamp, exp2, LN2, norm } from '../math/index.ts';
import { nearestCopy, type Ground, type Point, type View } from '../view/index.ts';
import { follow, type Followed, type FollowOptions } from './follow.ts';
import { frameOutline, outlineOf } from './frame.ts';
import type { Framed, FrameOptions } from './framing.ts';
import { cameraHere, timelineOf } from './here.ts';
import type { Thing } from './things.ts';

export interface GroupOptions extends FollowOptions, Pick<FrameOptions, 'padding'> {
  /** The zoom comes no nearer and goes no farther for the group: spans, world units. The limits of the settings hold too. */
  readonly nearest?: number;
  /** The greatest span for the group, in world units. */
  readonly farthest?: number;
}

/** It goes farther when somebody would soon be cut off, by so much more than that takes; */
const ROOM = 1.1;
/** and comes nearer when it takes less than this share of what there is. */
const SHRUNK = 0.7;
/** A group that turns round does so at once: for this many seconds it is still taken to be as fast as it was. */
const REMEMBERED = 0.3;
/** Who goes more than this share of the group's span in a frame has jumped, not moved. */
const JUMP = 0.2;
/** Less than twice as fast as in the frame before is a movement all the same: a group that meets has next to no span. */
const FASTER = 2;

/**
 * Keeps a group in sight. It zooms out before anyone leaves the frame, and in only when the group needs less than 70 % of it, so the
 * zoom does not oscillate. If the function returns null or an empty list, following ends.
 *
 * ```ts
 * const followed = followGroup(camera, () => barges, { nearest: 60, farthest: 400, padding: 60 });
 * ```
 *
 * @throws TypeError for a group without a place, and for a wrong thing
 */
export function followGroup(
  camera: Camera,
  group: () => readonly Thing[] | null,
  options: GroupOptions = {},
): Omit<Followed, 'moveTo'> {
  const here = cameraHere('followGroup', camera);
  checkObject('followGroup.options', options, 'an object such as { padding: 40 }');
  const { padding = 0, nearest = 0, farthest = Infinity, ...others } = options;
  checkFunction('followGroup.group', group, 'a function that returns a list');
  if (!(nearest >= 0 && farthest >= nearest))
    refuse('followGroup.options', { nearest, farthest }, '0 ≤ nearest ≤ farthest');
  const timeline = timelineOf('followGroup', here);
  const drift = new Drift();
  const forget = here.poll((time) => {
    drift.time = time;
  });
  /** The last requested span. */
  let asked = NaN;
  const find = (): Point | null => {
    const things = group();
    if (things === null) return null;
    checkList('followGroup.group', things, 'a list, or null');
    if (things.length === 0) return null;
    const outline = outlineOf(here, things);
    const tight = frameOutline(here, outline, { padding }, 0).to;
    drift.take(tight, timeline.constraints.ground);
    const off = drift.speed * focusLag(others) + zoneReach(others, here.view, timeline.kept.zoom.goal);
    const { x, y, span } = off > 0 ? frameOutline(here, outline, { padding }, off).to : tight;
    const needed = span + (drift.growth * here.settings.zoom.halfLife) / LN2;
    if (needed <= asked && needed * ROOM >= asked * SHRUNK) return { x, y };
    const wanted = clamp(needed * ROOM, nearest, farthest);
    if (wanted !== asked) here.zoom({ factor: timeline.kept.zoom.goal / wanted });
    asked = wanted;
    return { x, y };
  };
  const followed = follow(here, find, others);
  void followed.ended.then(forget);
  return followed;
}

/** How long the focus is behind a target that moves evenly, seconds. */
function focusLag({ halfLife = 0.15, lead = 0 }: FollowOptions): number {
  return Math.abs(halfLife / LN2 - lead);
}

/** How far from the middle of the frame the dead zone lets the group be, world units. */
function zoneReach({ deadZone }: FollowOptions, { projection }: View, span: number): number {
  if (deadZone === undefined) return 0;
  const { frameWidth, frameHeight } = projection;
  const [wide, high] =
    'diameter' in deadZone
      ? [deadZone.diameter, deadZone.diameter]
      : [(deadZone.width * frameWidth) / frameHeight, deadZone.height];
  return (Math.max(wide, high) / 2) * span;
}

/** How fast a group moves and spreads. */
class Drift {
  /** Of the frame, milliseconds. */
  time = NaN;
  /** World units a second. */
  speed = -0;
  /** Of the span that it takes, world units a second, ≥ 0. */
  growth = -0;
  #x = NaN;
  #y = NaN;
  #span = NaN;
  #last = NaN;
  /** Of the frame before, jumps too: world units a second. */
  #rate = -0;

  /** @param to the focus and the span */
  take({ x, y, span }: Framed, { periodX = 0, periodY = 0 }: Ground): void {
    const seconds = (this.time - this.#last) / 1000;
    if (seconds > 0) {
      const east = nearestCopy(x - this.#x, periodX);
      const south = nearestCopy(y - this.#y, periodY);
      const moved = norm(east, south);
      const grown = span - this.#span;
      const left = exp2(-seconds / REMEMBERED);
      const far = Math.max(moved, Math.abs(grown));
      // Somebody who appears elsewhere has not moved there.
      const per = far < Math.max(JUMP * span, FASTER * this.#rate * seconds) ? 1 / seconds : 0;
      this.#rate = far / seconds;
      this.speed = Math.max(moved * per, this.speed * left);
      this.growth = Math.max(grown * per, this.growth * left);
    }
    if (!(this.time <= this.#last)) this.#last = this.time;
    this.#x = x;
    this.#y = y;
    this.#span = span;
  }
}
