/** Where the camera is heading to. */
import { keepInside } from '../limits/index.ts';
import { Look, ScratchPoint, type Pose } from '../view/index.ts';
import { arriveAt } from './followers.ts';
import { scaleWithFrame } from './keepScale.ts';
import { Motion } from './motion.ts';
import type { Rules } from './rules.ts';
import { findDesiredFocus, SolvedFocus } from './solveFocus.ts';
import { findGoal, showSpan } from './zoom.ts';

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
  there.insetLeft = left;
  there.insetTop = top;
  there.insetRight = right;
  there.insetBottom = bottom;
  there.heading = motion.goalHeading;
  findGoal(there, rules);
  there.easedSpan = there.goalSpan;
  arriveAt(there, rules, look, there.goalSpan);
  from.x = motion.x - motion.excessX;
  from.y = motion.y - motion.excessY;
  if (motion.moving)
    motion.states.forEach((state, i) => {
      rules.movers[i]?.finish?.(state, there);
    });
  look.turn(there);
  showSpan(there, rules, look);
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
