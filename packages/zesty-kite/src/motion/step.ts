/** Motion over time: zoom and turn, then what follows them, then grip or velocity, then bounds. */
import { norm } from '../math/index.ts';
import { ScratchPoint, type Point, type Projection } from '../view/index.ts';
import { scaleWithFrame } from './keepScale.ts';
import type { Motion } from './motion.ts';
import type { Pace } from './pace.ts';
import type { Pan } from './pan.ts';

/**
 * Moves everything on by a step. A value that comes within its tolerance is set to its goal, so the steps of kept state
 * must depend on the session alone, never on frames.
 *
 * @param seconds > 0
 * @param onGrid it ends on the grid of kept motion: there alone it is looked again how far the zoom goes, so frames see what signals find
 * @param settled `false`: the focus may be solved in a later step, where it depends on other values only
 * @returns whether focus and look have been solved
 */
export function step(motion: Motion, pace: Pace, seconds: number, onGrid: boolean, settled: boolean): boolean {
  const { zoom, turn, tilt, insets, hold, focus, offset, constraints, projection } = motion;
  zoom.before = zoom.shown;
  turn.before = turn.shown;
  tilt.before = tilt.pitch;
  if (offset.isOn) offset.decay(pace.offset.over(seconds).remaining, zoom.shown);
  if (hold.fingers === 2) motion.pair.catchUp(pace.lag.over(seconds).remaining);
  const { isSteered } = motion;
  if (isSteered) motion.steer(seconds);
  // Else only signals change the goal, and they find it themselves.
  if (onGrid && (isSteered || insets.isActive || constraints.switches || !motion.question)) motion.zooming.findGoal();
  const zooms = zoom.isActive;
  const { isMoved, isPanning } = motion;
  if (zooms || turn.isActive || isPanning || isMoved) motion.markGroundStale();
  if (zooms) {
    zoom.step(pace.zoom.over(seconds));
    zoom.keepIn(motion.zooming.min, motion.zooming.max);
  }
  if (turn.isActive) turn.step(pace.turn.over(seconds));
  zoom.goalMoved = turn.goalMoved = 0;
  followers(motion, pace, seconds, zooms);
  zoom.shown = zoom.eased;
  if (isMoved || motion.isPinned) motion.aim(seconds);
  // The focus then follows from the grip alone, and not from where it was before.
  if (!settled && hold.isGrip && !isPanning && !motion.hasArrived && !focus.isStretched) {
    const { limitsZoom, shape } = constraints.boundary;
    if (!limitsZoom && !shape.slides) return false;
  }
  projection.turn(motion);
  motion.zooming.show();
  if (focus.isStretched && hold.fingers === 0) focus.comeBack(pace.back.over(seconds).remaining, zoom.shown);
  if (isPanning) pan(motion, motion.panned(pace, seconds), seconds);
  else if (isMoved && hold.fingers === 0) motion.move(seconds);
  else motion.focusing.solve();
  // A grip ends when everything that it depends on has arrived; during a pan it does not wait for the ground height.
  if (hold.isGrip && motion.hasArrived && (isPanning || !motion.isLagging)) hold.drop();
  return true;
}

/** Pitch, lens, focus height and insets, where something that they follow has changed. */
function followers(motion: Motion, pace: Pace, seconds: number, zooms: boolean): void {
  const { zoom, tilt, lens, level, insets, hold, constraints, projection } = motion;
  const isFramed = insets.isActive;
  const eases = (zooms && constraints.followsZoom) || isFramed || tilt.isActive || lens.isActive;
  if (constraints.switches && eases) motion.flipSwitches();
  if (isFramed) {
    motion.layFrame();
    const { frameWidth, frameHeight } = projection;
    insets.step(constraints.settings.safeFrame, pace.insets.over(seconds));
    motion.layFrame();
    scaleWithFrame(zoom, frameWidth, frameHeight, projection, 'scale');
    zoom.keepIn(motion.zooming.min, motion.zooming.max);
  }
  if (eases) {
    const { pitch, lens: lensRule, settings } = constraints;
    const pitchPace = hold.isPinched && settings.pitch.halfLife === 0 ? pace.pinch : pace.pitch;
    const asked = motion.insidePitch(motion.valueNow(pitch, tilt.isFar) + tilt.offset);
    tilt.step(asked, pitch.curve !== null, pitchPace.over(seconds));
    const fieldOfView = lensRule === null ? motion.fieldOfViewAt(zoom.eased) : motion.valueNow(lensRule, lens.isFar);
    if (lensRule === null && !hold.isPinched) {
      lens.arriveAt(fieldOfView);
      lens.isActive = false;
    } else {
      const atOnce = lensRule === null || settings.lens.halfLife === 0;
      const lensPace = hold.isPinched && atOnce ? pace.pinch : pace.lens;
      lens.step(fieldOfView, lensRule?.curve !== null, lensPace.over(seconds));
    }
    if (!tilt.isActive && !lens.isActive && hold.fingers < 2) hold.isPinched = false;
  }
  // While fingers hold the ground, the view depends on them alone.
  if (hold.fingers === 0 && level.isActive) level.step(seconds, pace.level.over(seconds), zoom.eased);
}

/**
 * Pans by a step. Velocities decay exactly. The distance is the velocity at the middle of the step times the mean of the
 * spans at both of its ends, the way it goes that of the heading between: exact once zoom, turn and tilt have arrived.
 */
function pan(motion: Motion, midway: number, seconds: number): void {
  const { pan: panning, hold, focus, zoom, turn, tilt, focusing } = motion;
  const isTurned = turn.before !== turn.shown || tilt.before !== tilt.pitch;
  const midLook = isTurned ? motion.lookMidway() : motion.projection;
  const steep = motion.foreshortening(midLook);
  setPanTarget(panning, midLook, steep, pushed);
  const span = (zoom.before + zoom.shown) / 2;
  panning.step(midway, span * motion.panSpeed(span) * seconds, pushed);
  midLook.toWorld(panning.stepX, panning.stepY * steep, pushed);
  panning.stepX = pushed.x;
  panning.stepY = pushed.y;
  focusing.solve();
  if (focus.isLimited) {
    if (hold.isGrip) letGripGiveWay(motion);
    stopAtWall(motion);
  }
  panning.endStep();
  motion.reportPan();
}

/** Sets `out` to the velocity that a pan eases to, in screen directions: a push along the world's axes is as fast as any other. */
function setPanTarget(panning: Pan, { sinHeading, cosHeading }: Projection, steep: number, out: Point): void {
  const { targetX, targetY, targetEast, targetSouth } = panning;
  out.x = targetX;
  out.y = targetY;
  if (targetEast === 0 && targetSouth === 0) return;
  const right = targetEast * cosHeading + targetSouth * sinHeading;
  const down = (targetSouth * cosHeading - targetEast * sinHeading) / steep;
  const asked = targetEast * targetEast + targetSouth * targetSouth;
  const share = Math.sqrt(asked / (right * right + down * down));
  out.x += right * share;
  out.y += down * share;
}

const pushed = new ScratchPoint();

/**
 * A grip that pulls over an edge gives way to a push that would get farther without it: or a push away
 * from the edge would have to make up for all of the pull first.
 */
function letGripGiveWay({ pan: { stepX, stepY }, focus, hold, focusing }: Motion): void {
  focusing.push(stepX, stepY, pushed);
  const { from, allowed } = focusing;
  const farther = (pushed.x - allowed.x) * stepX + (pushed.y - allowed.y) * stepY;
  if (!(farther > 1e-3 * (stepX * stepX + stepY * stepY))) return;
  hold.drop();
  focus.x = from.x + focus.excessX;
  focus.y = from.y + focus.excessY;
  focusing.solve();
}

/**
 * At an edge, the part of the velocity that points over it is lost, and so is what it added to a grip. In the step that
 * comes to an edge it is kept: in a corner, the way over the edges is the normal of neither. A step along a circle does
 * not count as coming there, though it leads outward: by the square of its length over twice the radius.
 */
function stopAtWall(motion: Motion): void {
  const { pan: panning, hold, first, projection, focusing, constraints } = motion;
  const { from, desired, allowed } = focusing;
  const wentX = allowed.x - from.x;
  const wentY = allowed.y - from.y;
  const went = norm(wentX, wentY);
  if (went === 0) panning.velocityX = panning.velocityY = 0;
  const overX = desired.x - allowed.x;
  const overY = desired.y - allowed.y;
  const over = norm(overX, overY);
  const normalX = overX / over;
  const normalY = overY / over;
  const outward = normalX * panning.stepX + normalY * panning.stepY;
  if (!(outward > 0)) return;
  if (hold.isGrip) {
    const taken = Math.min(over, outward);
    first.x -= normalX * taken;
    first.y -= normalY * taken;
  } else if (wentX * normalX + wentY * normalY > (1e-6 + went / constraints.boundary.shape.radius) * went) return;
  const steep = motion.foreshortening();
  const { sinHeading, cosHeading } = projection;
  const acrossX = normalX * cosHeading + normalY * sinHeading;
  const acrossY = normalY * cosHeading - normalX * sinHeading;
  const velocity = panning.velocityX * acrossX + panning.velocityY * steep * acrossY;
  if (!(velocity > 0)) return;
  panning.velocityX -= acrossX * velocity;
  panning.velocityY -= (acrossY * velocity) / steep;
}
