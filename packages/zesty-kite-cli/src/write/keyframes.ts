/** A camera path as few keyframes. */
import type { Keyframe } from 'zesty-kite/direct';
import { Failure } from '../failure.ts';
import type { PathPose } from '../read/pathPose.ts';

/** As few keyframes as say the same: what lies between two is on the straight way, to the tolerance. One pass. */
export function thinned(path: readonly PathPose[], tolerance: number): Keyframe[] {
  const [first] = path;
  if (first === undefined) throw new Failure('expected at least one pose, got none');
  const whole = unwound(path);
  const kept: PathPose[] = [];
  for (let from = 0; from < whole.length; ) {
    const start = whole[from];
    if (start === undefined) break;
    kept.push(start);
    from = endOfStraight(whole, from, start, tolerance);
  }
  return kept.map(({ at, ...pose }) => ({ at: at - first.at, ...pose, ease: 'none' as const }));
}

/** Headings without jumps of a whole turn. */
function unwound(path: readonly PathPose[]): PathPose[] {
  let last: number | null = null;
  return path.map((pose) => {
    if (pose.heading === undefined) return pose;
    const heading: number = last === null ? pose.heading : pose.heading - 360 * Math.round((pose.heading - last) / 360);
    last = heading;
    return { ...pose, heading };
  });
}

/** A zoom goes evenly in octaves, and a degree moves the edge of the picture by about a hundredth of the span. */
const CHANNELS: readonly ((pose: PathPose, span: number) => number)[] = [
  (pose, span) => pose.x / span,
  (pose, span) => pose.y / span,
  (pose) => Math.log2(pose.span),
  (pose) => (pose.heading ?? 0) / 100,
  (pose) => (pose.pitch ?? 0) / 100,
];

/**
 * The farthest pose up to which all between lie on the straight way, to the tolerance. Each pose lets the slope of that way be
 * between two numbers, channel by channel: of all poses so far the narrowest are kept.
 */
function endOfStraight(path: readonly PathPose[], from: number, start: PathPose, tolerance: number): number {
  const begins = CHANNELS.map((channel) => channel(start, start.span));
  const least = CHANNELS.map(() => -Infinity);
  const most = CHANNELS.map(() => Infinity);
  let to = from + 1;
  for (; to < path.length; to++) {
    const pose = path[to] ?? start;
    const seconds = pose.at - start.at;
    const rises = CHANNELS.map((channel, i) => channel(pose, start.span) - (begins[i] ?? 0));
    const isStraight = rises.every((rise, i) => rise / seconds >= (least[i] ?? 0) && rise / seconds <= (most[i] ?? 0));
    if (!isStraight) break;
    rises.forEach((rise, i) => {
      least[i] = Math.max(least[i] ?? 0, (rise - tolerance) / seconds);
      most[i] = Math.min(most[i] ?? 0, (rise + tolerance) / seconds);
    });
  }
  return Math.max(to - 1, from + 1);
}
