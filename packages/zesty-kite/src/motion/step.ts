/** Motion over time: zoom and turn, then followers, then grip or velocity, then bounds. */
import { curveAt, log2 } from '../math/index.ts';
import type { Look } from '../view/index.ts';
import { follow } from './follow.ts';
import { letGo } from './grip.ts';
import { isDriven, isPanning, isStill, type Motion } from './motion.ts';
import type { Pace } from './pace.ts';
import { ANGLE_TOLERANCE, LENGTH_TOLERANCE, VELOCITY_TOLERANCE } from './rest.ts';
import type { Rules } from './rules.ts';
import { inside, settle, wish } from './settle.ts';
import { keepSpan, zoomOn } from './zoom.ts';

/** More steps than anything takes to come to rest that nobody holds: an hour of them. */
const LONGEST = 3600 * 120;

/** Moves kept state on by equal steps, until nothing moves. */
export function move(motion: Motion, pace: Pace, rules: Rules, look: Look, steps: number): void {
  const most = Math.min(steps, LONGEST);
  for (let i = 0; i < most && !isStill(motion); i++) step(motion, pace, rules, look);
}

/**
 * One step; the look must be that of the motion. What comes within its tolerance arrives exactly, so
 * for kept state the steps must be a matter of the session alone, never of frames.
 */
export function step(motion: Motion, pace: Pace, rules: Rules, look: Look): void {
  const { span: before, x, y, left, turnLeft } = motion;
  if (left !== 0) zoomOn(motion, pace, rules, look);
  if (turnLeft !== 0) turnOn(motion, pace);
  // Pitch, lens and focus height stay as they are where nothing that they follow has changed.
  const follows = motion.easing || turnLeft !== 0 || (left !== 0 && rules.followsZoom) || rules.terrain !== null;
  if (follows && follow(motion, pace, rules, look)) keepSpan(motion, rules, look);
  if (motion.excessX !== 0 || motion.excessY !== 0) comeBack(motion, pace, rules);
  if (isPanning(motion)) pan(motion, pace, rules, look, before);
  else settle(motion, rules, look, 0, 0);
  // Where the focus has moved, the ground around it is another one.
  if (rules.terrain !== null && motion.fingers === 0 && (motion.x !== x || motion.y !== y)) motion.easing = true;
  if (motion.gripping && motion.left === 0 && motion.turnLeft === 0 && !motion.tilting) letGo(motion);
}

function turnOn(motion: Motion, pace: Pace): void {
  const left = motion.turnLeft * pace.turn;
  motion.turnLeft = Math.abs(left) < ANGLE_TOLERANCE ? 0 : left;
  motion.heading = motion.goalHeading + motion.turnLeft;
}

/** What was pulled over the edge comes back once no hand holds it. */
function comeBack(motion: Motion, pace: Pace, { boundary }: Rules): void {
  if (motion.fingers > 0) return;
  motion.x -= motion.excessX;
  motion.y -= motion.excessY;
  const pulled = Math.sqrt(motion.excessX * motion.excessX + motion.excessY * motion.excessY);
  // Never beyond the cap, though the span may have become less.
  const left = Math.min(pace.back, (boundary.elastic * motion.span) / pulled);
  motion.excessX *= left;
  motion.excessY *= left;
  const small = LENGTH_TOLERANCE * motion.span;
  if (Math.abs(motion.excessX) < small && Math.abs(motion.excessY) < small) motion.excessX = motion.excessY = 0;
  else motion.easing = true;
  motion.x += motion.excessX;
  motion.y += motion.excessY;
}

/**
 * Velocities decay exactly; the way is the velocity midway times the mean of the spans at both ends
 * of the step, which is exact once the zoom has arrived.
 */
function pan(motion: Motion, pace: Pace, rules: Rules, look: Look, before: number): void {
  const { targetX, targetY, span } = motion;
  const { sinHeading, cosHeading } = look;
  const midway = isDriven(motion) ? pace.halfStart : pace.halfStop;
  const { curve, near, far } = rules.speed;
  const speed = curve !== null ? curveAt(curve, log2(span)) : motion.speedFar ? far : near;
  const way = ((before + span) / 2) * speed * pace.seconds;
  const awayX = (motion.velocityX - targetX) * midway;
  const awayY = (motion.velocityY - targetY) * midway;
  // Seen at an angle, the ground is foreshortened: down the screen it goes by faster.
  const steep = rules.settings.pan.even === 'screen' ? 1 / look.sinPitch : 1;
  const right = (targetX + awayX) * way;
  const toward = (targetY + awayY) * way * steep;
  const panX = right * cosHeading - toward * sinHeading;
  const panY = right * sinHeading + toward * cosHeading;
  motion.velocityX = targetX + arrived(awayX * midway);
  motion.velocityY = targetY + arrived(awayY * midway);
  settle(motion, rules, look, panX, panY);
  if (motion.limited) stopAtWall(motion, look, panX, panY, steep);
}

function arrived(away: number): number {
  return Math.abs(away) < VELOCITY_TOLERANCE ? 0 : away;
}

/** At an edge, the part of the velocity that points over it is lost, and so is what it added to a grip. */
function stopAtWall(motion: Motion, look: Look, panX: number, panY: number, steep: number): void {
  const overX = wish.x - inside.x;
  const overY = wish.y - inside.y;
  const over = Math.sqrt(overX * overX + overY * overY);
  const outward = (overX * panX + overY * panY) / over;
  if (!(outward > 0)) return;
  const normalX = overX / over;
  const normalY = overY / over;
  if (motion.gripping) {
    const taken = Math.min(over, outward);
    motion.heldX -= normalX * taken;
    motion.heldY -= normalY * taken;
  }
  const { sinHeading, cosHeading } = look;
  const acrossX = normalX * cosHeading + normalY * sinHeading;
  const acrossY = normalY * cosHeading - normalX * sinHeading;
  const velocity = motion.velocityX * acrossX + motion.velocityY * steep * acrossY;
  if (!(velocity > 0)) return;
  motion.velocityX -= acrossX * velocity;
  motion.velocityY -= (acrossY * velocity) / steep;
}
