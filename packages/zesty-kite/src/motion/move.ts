/** Motion over time: zoom, then grip or velocity, then bounds. */
import { keptBetween, type Limits } from '../limits/index.ts';
import { clamp, exp2 } from '../math/index.ts';
import { letGo, solveFocus } from './grip.ts';
import { isDriven, isPanning, type Motion } from './motion.ts';
import type { Pace } from './pace.ts';
import { VELOCITY_TOLERANCE, ZOOM_TOLERANCE } from './rest.ts';

/**
 * Moves kept state on by equal steps. What comes within its tolerance arrives exactly, so the steps
 * must be a matter of the session alone, never of frames. The outcome does not depend on how many
 * are made in one call.
 */
export function move(motion: Motion, pace: Pace, limits: Limits, steps: number): void {
  if (isPanning(motion)) pan(motion, pace, limits, steps);
  else if (motion.left !== 0) zoom(motion, pace, limits, steps);
}

/**
 * Shows a frame's copy a part of a step on: its pose and its grip. Velocity stays as it is and
 * nothing arrives; those are for kept state to say.
 */
export function glance(motion: Motion, pace: Pace, limits: Limits): void {
  const before = motion.span;
  if (motion.left !== 0) {
    motion.left *= pace.zoom * pace.zoom;
    motion.span = spanAt(motion.left, motion.goalSpan, limits.least, limits.most);
  }
  if (isPanning(motion)) {
    const way = ((before + motion.span) / 2) * pace.seconds;
    const midway = isDriven(motion) ? pace.start : pace.stop;
    motion.heldX += (motion.targetX + (motion.velocityX - motion.targetX) * midway) * way;
    motion.heldY += (motion.targetY + (motion.velocityY - motion.targetY) * midway) * way;
  }
  solveFocus(motion, limits);
}

/** Zoom with no pan: the focus follows from the last span, so no other is worked out. */
function zoom(motion: Motion, pace: Pace, limits: Limits, steps: number): void {
  const kept = pace.zoom * pace.zoom;
  let { left } = motion;
  for (let i = 0; i < steps && left !== 0; i++) {
    left *= kept;
    if (Math.abs(left) < ZOOM_TOLERANCE) left = 0;
  }
  motion.left = left;
  motion.span = spanAt(left, motion.goalSpan, limits.least, limits.most);
  solveFocus(motion, limits);
  if (left === 0) letGo(motion);
}

/**
 * Pan, with or without zoom. Zoom and velocity are exact; the way is the velocity midway times the
 * mean of the spans at both ends of a step, which is exact once the zoom has arrived.
 */
function pan(motion: Motion, pace: Pace, limits: Limits, steps: number): void {
  const { goalSpan, targetX, targetY } = motion;
  const { least, most, left: leftEdge, right: rightEdge, top, bottom, halfWide, halfHigh } = limits;
  const midway = isDriven(motion) ? pace.start : pace.stop;
  const kept = pace.zoom * pace.zoom;
  let { x, y, span, left, velocityX, velocityY } = motion;
  let { gripping, heldX, heldY, gripX, gripY, limited } = motion;

  for (let i = 0; i < steps; i++) {
    let way = span;
    if (left !== 0) {
      left *= kept;
      if (Math.abs(left) < ZOOM_TOLERANCE) left = 0;
      span = spanAt(left, goalSpan, least, most);
      way = (way + span) / 2;
    }
    way *= pace.seconds;

    const awayX = (velocityX - targetX) * midway;
    const awayY = (velocityY - targetY) * midway;
    const panX = (targetX + awayX) * way;
    const panY = (targetY + awayY) * way;
    velocityX = targetX + arrived(awayX * midway);
    velocityY = targetY + arrived(awayY * midway);

    heldX += panX;
    heldY += panY;
    x = heldX - span * gripX;
    y = heldY - span * gripY;
    limited = false;
    const wide = span * halfWide;
    if (x < leftEdge + wide || x > rightEdge - wide) {
      const inside = keptBetween(x, leftEdge, rightEdge, wide);
      const over = x - inside;
      x = inside;
      if (over * panX > 0) velocityX = 0;
      heldX = gripping ? heldAtWall(heldX, over, panX) : x;
      limited = true;
    }
    const high = span * halfHigh;
    if (y < top + high || y > bottom - high) {
      const inside = keptBetween(y, top, bottom, high);
      const over = y - inside;
      y = inside;
      if (over * panY > 0) velocityY = 0;
      heldY = gripping ? heldAtWall(heldY, over, panY) : y;
      limited = true;
    }
    if (left === 0 && gripping) {
      gripping = false;
      gripX = gripY = 0;
      heldX = x;
      heldY = y;
    }
  }

  motion.x = x;
  motion.y = y;
  motion.span = span;
  motion.left = left;
  motion.velocityX = velocityX;
  motion.velocityY = velocityY;
  motion.gripping = gripping;
  motion.heldX = heldX;
  motion.heldY = heldY;
  motion.gripX = gripX;
  motion.gripY = gripY;
  motion.limited = limited;
}

function spanAt(left: number, goal: number, least: number, most: number): number {
  return left === 0 ? goal : clamp(goal * exp2(left), least, most);
}

function arrived(away: number): number {
  return Math.abs(away) < VELOCITY_TOLERANCE ? 0 : away;
}

/** A pan adds nothing to a grip that an edge already keeps from its point by `over`. */
function heldAtWall(held: number, over: number, pan: number): number {
  if (over * pan <= 0) return held;
  return held - (Math.abs(over) < Math.abs(pan) ? over : pan);
}
