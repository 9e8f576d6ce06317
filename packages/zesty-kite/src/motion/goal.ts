/** Where the camera is heading to. */
import { keepInside, maxSpanInside } from '../limits/index.ts';
import { Look, ScratchPoint, type Pose } from '../view/index.ts';
import { arriveAt } from './followers.ts';
import { scaleWithFrame } from './keepScale.ts';
import { Motion } from './motion.ts';
import { minSpan, maxSpan, type Rules } from './rules.ts';
import { findDesiredFocus, SolvedFocus } from './solveFocus.ts';

const look = new Look();
const there = new Motion();
const from = new ScratchPoint();
const solved = new SolvedFocus();

/** The goal span and heading, what they ask of pitch and lens, and the grip holding there, inside the limits. */
export function goalPose(motion: Motion, rules: Rules, out: Pose): Pose {
  const { left, top, right, bottom } = rules.settings.safeFrame;
  there.copyFrom(motion);
  look.frame(rules.screen, motion.insetLeft, motion.insetTop, motion.insetRight, motion.insetBottom);
  const { frameWidth, frameHeight } = look;
  look.frame(rules.screen, left, top, right, bottom);
  scaleWithFrame(there, frameWidth, frameHeight, look, 'scale');
  there.insetTop = top;
  there.insetBottom = bottom;
  there.heading = motion.goalHeading;
  arriveAt(there, rules, look, there.goalSpan);
  const max = maxSpanInside(rules.boundary, look, maxSpan(rules, look));
  there.span = Math.max(minSpan(rules, look), Math.min(there.goalSpan, max));
  from.x = motion.x - motion.excessX;
  from.y = motion.y - motion.excessY;
  if (motion.moving)
    motion.states.forEach((state, i) => {
      rules.movers[i]?.finish?.(state, there);
    });
  findDesiredFocus(there, look, solved);
  keepInside(rules.boundary, look, there, solved.desired, from, solved.allowed);
  out.x = solved.allowed.x;
  out.y = solved.allowed.y;
  out.focusHeight = motion.focusHeight;
  out.span = there.span;
  out.heading = there.heading;
  out.pitch = there.pitch;
  out.fieldOfView = there.fieldOfView;
  return out;
}
