/** Where the camera is heading to. */
import { keepInside, mostSpanInside } from '../limits/index.ts';
import { Look, ScratchPoint, type Pose } from '../view/index.ts';
import { arriveAt } from './follow.ts';
import { Motion } from './motion.ts';
import { leastSpan, mostSpan, type Rules } from './rules.ts';
import { inside, wish, wishFor } from './settle.ts';

const look = new Look();
const there = new Motion();
const from = new ScratchPoint();

/** The goal span and heading, what they ask of pitch and lens, and the grip holding there, inside the limits. */
export function goalPose(motion: Motion, rules: Rules, out: Pose): Pose {
  const { left, top, right, bottom } = rules.settings.safeFrame;
  there.copyFrom(motion);
  look.frame(rules.screen, left, top, right, bottom);
  there.heading = motion.goalHeading;
  arriveAt(there, rules, look, motion.goalSpan);
  const most = mostSpanInside(rules.boundary, look, mostSpan(rules, look));
  there.span = Math.max(leastSpan(rules, look), Math.min(motion.goalSpan, most));
  from.x = motion.x - motion.excessX;
  from.y = motion.y - motion.excessY;
  there.wayX = motion.homeX;
  there.wayY = motion.homeY;
  wishFor(there, look);
  keepInside(rules.boundary, look, there, wish, from, inside);
  out.x = inside.x;
  out.y = inside.y;
  out.focusHeight = motion.focusHeight;
  out.span = there.span;
  out.heading = there.heading;
  out.pitch = there.pitch;
  out.fieldOfView = there.fieldOfView;
  return out;
}
