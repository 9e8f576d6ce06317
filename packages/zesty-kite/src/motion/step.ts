/** Motion over time: zoom and turn, then followers, then grip or velocity, then bounds. */
import { keepInside } from '../limits/index.ts';
import { Cell, log2 } from '../math/index.ts';
import { Look, ScratchPoint, type Point } from '../view/index.ts';
import { valueIn } from './byZoom.ts';
import { follow, foreshortening, logOfSpanIn } from './followers.ts';
import { dropGrip } from './grip.ts';
import { isPanning, isSteered, type Motion } from './motion.ts';
import { findMoving } from './interrupt.ts';
import { Pace } from './pace.ts';
import { ANGLE_TOLERANCE, LENGTH_TOLERANCE, VELOCITY_TOLERANCE } from './rest.ts';
import type { Rules } from './rules.ts';
import { ShownPose } from './shownPose.ts';
import { solveFocus, SolvedFocus } from './solveFocus.ts';
import { addTilt, turnOnAt } from './turn.ts';
import { addNotches, findGoal, keepInRange, showSpan, zoomOn } from './zoom.ts';

/**
 * Moves everything on by a step. A value that comes within its tolerance is set to its goal, so the steps of kept state
 * must depend on the session alone, never on frames.
 *
 * @param settled `false`: the focus may be solved in a later step, where it depends on other values only
 * @returns whether focus and look have been solved
 */
export function step(motion: Motion, pace: Pace, rules: Rules, look: Look, settled: boolean): boolean {
  motion.spanBefore = motion.span;
  motion.headingBefore = motion.heading;
  motion.pitchBefore = motion.pitch;
  if (motion.offset.isOn) motion.offset.decay(pace.offset.remaining, motion.span);
  if (isSteered(motion)) steerOn(motion, pace, rules, look);
  findGoal(motion, rules);
  const { zoomRemaining, turnRemaining } = motion;
  if (zoomRemaining !== 0) zoomOn(motion, pace, rules, look);
  if (turnRemaining !== 0) turnOn(motion, pace);
  motion.zoomGoalMoved = motion.turnGoalMoved = 0;
  const { moving } = motion;
  const panning = isPanning(motion);
  if (rules.terrain !== null && (zoomRemaining !== 0 || turnRemaining !== 0 || panning || moving))
    motion.groundStale = true;
  // Pitch, lens and focus height stay as they are where nothing that they follow has changed.
  if (motion.easing || (zoomRemaining !== 0 && rules.followsZoom) || motion.groundStale) {
    const framed = follow(motion, pace, rules, look);
    if (framed) keepInRange(motion, rules, look);
  }
  motion.span = motion.easedSpan;
  if (moving || motion.led) aimOn(motion, pace, rules, look);
  if (!settled && !hasArrived(motion) && !panning && isHeldOnly(motion, rules)) return false;
  look.turn(motion);
  showSpan(motion, rules, look);
  if (motion.excessX !== 0 || motion.excessY !== 0) comeBack(motion, pace);
  if (panning) pan(motion, pace, rules, look);
  else if (moving && motion.fingers === 0) moveOn(motion, pace, rules, look);
  else solveFocus(motion, rules, look);
  // A grip ends when everything that it depends on has arrived; during a pan it does not wait for the ground height.
  if (motion.gripping && hasArrived(motion) && (panning || !motion.easing)) dropGrip(motion);
  return true;
}

/** Whether span, heading, pitch and lens have arrived: all that a grip depends on but the ground. */
export function hasArrived({ zoomRemaining, turnRemaining, tilting }: Motion): boolean {
  return zoomRemaining === 0 && turnRemaining === 0 && !tilting;
}

/** Whether the focus follows from the grip alone, and not from where it was before. */
function isHeldOnly({ gripping, excessX, excessY }: Motion, { boundary }: Rules): boolean {
  return gripping && excessX === 0 && excessY === 0 && !boundary.limitsZoom && boundary.shape.kind !== 'coast';
}

/** Moves the goals on at the rates of the held keys. */
function steerOn(motion: Motion, pace: Pace, rules: Rules, look: Look): void {
  if (motion.turnRate !== 0) turnOnAt(motion, rules, pace);
  if (motion.tiltRate !== 0) {
    const before = motion.askedPitch;
    addTilt(motion, rules, motion.tiltRate * pace.seconds);
    motion.askedPitch = before;
  }
  if (motion.zoomRate !== 0) {
    const before = motion.goalSpan;
    look.turn(motion);
    addNotches(motion, rules, look, motion.zoomRate * pace.seconds);
    motion.zoomGoalMoved = log2(motion.goalSpan / before);
  }
}

function turnOn(motion: Motion, pace: Pace): void {
  const remaining =
    (motion.turnRemaining + motion.turnGoalMoved) * pace.turn.remaining - motion.turnGoalMoved * pace.turn.lag;
  motion.turnRemaining = Math.abs(remaining) < ANGLE_TOLERANCE ? 0 : remaining;
  if (motion.turnRemaining === 0) motion.stepping = false;
  motion.heading = motion.goalHeading + motion.turnRemaining;
}

/** Lets the movers under way turn the look. */
function aimOn(motion: Motion, pace: Pace, rules: Rules, look: Look): void {
  if (motion.fingers > 0) return;
  look.turn(motion);
  showSpan(motion, rules, look);
  const { x, y } = motion;
  for (let i = 0; i < motion.states.length; i++) {
    const state = motion.states[i];
    if (state !== undefined) rules.movers[i]?.aim?.(state, motion, pace, rules, look);
  }
  if (rules.terrain !== null && (motion.x !== x || motion.y !== y)) motion.groundStale = true;
}

/** A step without a length. */
const AT_ONCE = new Pace();
AT_ONCE.seconds = 0;

/** A signal has turned the look at once: what a mover keeps in place stays where it shows. */
export function keepLed(motion: Motion, rules: Rules, look: Look): void {
  if (motion.led) aimOn(motion, AT_ONCE, rules, look);
}

/** Lets the movers under way say how far the focus goes. */
function moveOn(motion: Motion, pace: Pace, rules: Rules, look: Look): void {
  for (let i = 0; i < motion.states.length; i++) {
    const state = motion.states[i];
    const mover = rules.movers[i];
    if (state !== undefined && mover?.isUnderWay(state)) mover.move?.(state, motion, pace, rules, look);
  }
  findMoving(motion, rules);
  solveFocus(motion, rules, look);
  motion.panX = motion.panY = 0;
}

/** What was pulled over the edge comes back once no hand holds it. */
function comeBack(motion: Motion, pace: Pace): void {
  if (motion.fingers > 0) return;
  motion.x -= motion.excessX;
  motion.y -= motion.excessY;
  motion.excessX *= pace.back.remaining;
  motion.excessY *= pace.back.remaining;
  const small = LENGTH_TOLERANCE * motion.span;
  if (Math.abs(motion.excessX) < small && Math.abs(motion.excessY) < small) motion.excessX = motion.excessY = 0;
  else motion.easing = true;
  motion.x += motion.excessX;
  motion.y += motion.excessY;
}

/**
 * Pans by a step. Velocities decay exactly. The distance is the velocity at the middle of the step times the mean of the
 * spans at both of its ends, the way it goes that of the heading between: exact once zoom, turn and tilt have arrived.
 */
function pan(motion: Motion, pace: Pace, rules: Rules, look: Look): void {
  const { span, spanBefore } = motion;
  const targetX = motion.stalled ? 0 : motion.targetX;
  const targetY = motion.stalled ? 0 : motion.targetY;
  middle.heading = (motion.headingBefore + motion.heading) / 2;
  middle.pitch = (motion.pitchBefore + motion.pitch) / 2;
  middle.fieldOfView = motion.fieldOfView;
  midLook.turn(middle);
  const { sinHeading, cosHeading } = midLook;
  const midway = pace.panned(motion).remaining;
  if (rules.speed.curve !== null) logOfSpanIn(motion, rules, cell);
  valueIn(rules.speed, motion.speedFar, cell);
  const way = ((spanBefore + span) / 2) * cell.value * pace.seconds;
  const awayX = (motion.velocityX - targetX) * midway;
  const awayY = (motion.velocityY - targetY) * midway;
  const steep = foreshortening(rules, midLook);
  const right = (targetX + awayX) * way;
  const toward = (targetY + awayY) * way * steep;
  motion.velocityX = targetX + arrived(awayX * midway);
  motion.velocityY = targetY + arrived(awayY * midway);
  motion.panX = right * cosHeading - toward * sinHeading;
  motion.panY = right * sinHeading + toward * cosHeading;
  const { x, y } = motion;
  before.x = x - motion.excessX;
  before.y = y - motion.excessY;
  solveFocus(motion, rules, look, solved);
  if (motion.limited) {
    if (motion.gripping) letGripGiveWay(motion, rules, look, before);
    stopAtWall(motion, rules, look);
    // In a corner there is no wall left to slide along.
    if (motion.x === x && motion.y === y) motion.velocityX = motion.velocityY = 0;
  }
  motion.panX = motion.panY = 0;
  if (!motion.led) return;
  for (let i = 0; i < motion.states.length; i++) {
    const state = motion.states[i];
    if (state !== undefined) rules.movers[i]?.panned?.(state, motion, rules, look);
  }
}

/**
 * A grip that pulls over an edge gives way to a push that would get farther without it: or a push away
 * from the edge would have to make up for all of the pull first.
 */
function letGripGiveWay(motion: Motion, rules: Rules, look: Look, from: Readonly<Point>): void {
  const { panX, panY } = motion;
  pushed.x = from.x + panX;
  pushed.y = from.y + panY;
  keepInside(rules.boundary, look, motion, pushed, from, pushed);
  const farther = (pushed.x - solved.allowed.x) * panX + (pushed.y - solved.allowed.y) * panY;
  if (!(farther > 1e-3 * (panX * panX + panY * panY))) return;
  dropGrip(motion);
  motion.x = from.x + motion.excessX;
  motion.y = from.y + motion.excessY;
  solveFocus(motion, rules, look, solved);
}

/** As the camera looks in the middle of the step. */
const middle = new ShownPose();
const midLook = new Look();
/** How the pan of this step came out. */
const solved = new SolvedFocus();
const before = new ScratchPoint();
const pushed = new ScratchPoint();

const cell = new Cell();

function arrived(away: number): number {
  return Math.abs(away) < VELOCITY_TOLERANCE ? 0 : away;
}

/** At an edge, the part of the velocity that points over it is lost, and so is what it added to a grip. */
function stopAtWall(motion: Motion, rules: Rules, look: Look): void {
  const steep = foreshortening(rules, look);
  const overX = solved.desired.x - solved.allowed.x;
  const overY = solved.desired.y - solved.allowed.y;
  const over = Math.sqrt(overX * overX + overY * overY);
  const outward = (overX * motion.panX + overY * motion.panY) / over;
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
