/** How far the picture moves on the way, so that it moves evenly along bounds, too. */
import { LN2, log2 } from '../math/index.ts';
import type { Motion } from '../motion/index.ts';
import type { Lengths, Way } from './way.ts';
import { goOn } from './onTheWay.ts';
import { RHO } from './path.ts';
import { copyOf } from './takeOver.ts';

/** A way along bounds is halved so often, and the parts that are not even so often more. */
const HALVINGS = 7;
const MORE = 9;
/** The halves of an even part differ by less than this share: its fastest moment is faster than its mean by at most twice that. */
const EVEN = 0.0005;
const HALF_RADIANS = 0.008726646259971648;

/** What shows on the way. */
type Look = Readonly<Record<'x' | 'y' | 'span' | 'heading' | 'pitch', number>>;

/** Without bounds the path is even: its ends are enough. */
export function lengthsOf(way: Way, motion: Motion): Lengths {
  const { path, from, to } = way;
  if (motion.constraints.settings.bounds === null) return [0, 0, 1, path.length / RHO + turned(from, to)];
  const tried = copyOf(motion);
  const lookAt = (share: number): Look => {
    goOn(way, share, tried, 0, 0);
    const { x, y, span, heading, pitch } = tried;
    return { x, y, span, heading, pitch };
  };
  const lengths = [0, 0];
  let gone = 0;
  const add = (start: number, first: Look, end: number, last: Look, halvings: number): void => {
    const middle = (start + end) / 2;
    const between = lookAt(middle);
    const before = moved(first, between);
    const after = moved(between, last);
    if (halvings > MORE || (halvings > 0 && Math.abs(before - after) > EVEN * (before + after))) {
      add(start, first, middle, between, halvings - 1);
      add(middle, between, end, last, halvings - 1);
    } else {
      gone += before + after;
      lengths.push(end, gone);
    }
  };
  add(0, lookAt(0), 1, lookAt(1), HALVINGS + MORE);
  return lengths;
}

/** The share of the path at which the picture has moved by a part of the way. */
export function shareAt(lengths: Lengths, part: number): number {
  const gone = part * (lengths.at(-1) ?? 0);
  let low = 0;
  let high = lengths.length / 2 - 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((lengths[2 * middle + 1] ?? 0) > gone) high = middle;
    else low = middle;
  }
  const from = lengths[2 * low] ?? 0;
  const before = lengths[2 * low + 1] ?? 0;
  const moves = (lengths[2 * high + 1] ?? 0) - before;
  // If nothing moves, the part itself.
  return moves > 0 ? from + (((lengths[2 * high] ?? 0) - from) * (gone - before)) / moves : part;
}

function moved(from: Look, to: Look): number {
  const zoom = (log2(to.span / from.span) * LN2) / 2;
  const pan = (to.x - from.x) * (to.x - from.x) + (to.y - from.y) * (to.y - from.y);
  return Math.sqrt(pan / (from.span * to.span) + zoom * zoom) + turned(from, to);
}

/** Half a screen from the middle, a turn of the map goes half as fast as the angle in radians grows. */
function turned(from: Pick<Look, 'heading' | 'pitch'>, to: Pick<Look, 'heading' | 'pitch'>): number {
  return (Math.abs(to.heading - from.heading) + Math.abs(to.pitch - from.pitch)) * HALF_RADIANS;
}
