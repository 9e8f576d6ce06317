/** How fast things ease over one step. */
import { remaining } from '../math/index.ts';
import type { FullSettings } from '../settings/index.ts';
import { isDriven, isPanning, type Motion } from './motion.ts';

/** What is left of each after the step, 0 … 1; of a velocity after *half* of it. */
export interface Pace {
  /** Length of the step, seconds. */
  seconds: number;
  zoom: number;
  turn: number;
  halfStart: number;
  halfStop: number;
  pitch: number;
  lens: number;
  level: number;
  frame: number;
  back: number;
}

/** A pace to be set. */
export function createPace(): Pace {
  return {
    seconds: NaN,
    zoom: NaN,
    turn: NaN,
    halfStart: NaN,
    halfStop: NaN,
    pitch: NaN,
    lens: NaN,
    level: NaN,
    frame: NaN,
    back: NaN,
  };
}

/** The pace of a step of `seconds`, for any motion. */
export function setPace(out: Pace, settings: FullSettings, seconds: number): void {
  out.seconds = seconds;
  out.zoom = remaining(seconds, settings.zoom.halfLife);
  out.turn = remaining(seconds, settings.turn.halfLife);
  out.halfStart = remaining(seconds / 2, settings.pan.startHalfLife);
  out.halfStop = remaining(seconds / 2, settings.pan.stopHalfLife);
  setFollowers(out, settings, seconds);
}

/** The same, worked out for what `motion` eases now; what it does not ease keeps all of itself. */
export function setPaceFor(out: Pace, motion: Motion, settings: FullSettings, seconds: number): void {
  const steady = !isPanning(motion) || (motion.velocityX === motion.targetX && motion.velocityY === motion.targetY);
  const driven = isDriven(motion);
  out.seconds = seconds;
  out.zoom = motion.left === 0 ? 1 : remaining(seconds, settings.zoom.halfLife);
  out.turn = motion.turnLeft === 0 ? 1 : remaining(seconds, settings.turn.halfLife);
  out.halfStart = steady || !driven ? 1 : remaining(seconds / 2, settings.pan.startHalfLife);
  out.halfStop = steady || driven ? 1 : remaining(seconds / 2, settings.pan.stopHalfLife);
  const zooms = motion.left !== 0;
  out.pitch = zooms || motion.easing ? remaining(seconds, settings.pitch.halfLife) : 1;
  out.lens =
    settings.lens.halfLife === settings.pitch.halfLife ? out.pitch : remaining(seconds, settings.lens.halfLife);
  out.level = zooms || motion.easing || !steady ? remaining(seconds, settings.ground.followHalfLife) : 1;
  out.frame = motion.framing ? remaining(seconds, settings.safeFrame.halfLife) : 1;
  const pulled = motion.excessX !== 0 || motion.excessY !== 0;
  out.back = pulled && settings.bounds !== null ? remaining(seconds, settings.bounds.returnHalfLife) : 0;
}

function setFollowers(out: Pace, { pitch, lens, ground, safeFrame, bounds }: FullSettings, seconds: number): void {
  out.pitch = remaining(seconds, pitch.halfLife);
  out.lens = remaining(seconds, lens.halfLife);
  out.level = remaining(seconds, ground.followHalfLife);
  out.frame = remaining(seconds, safeFrame.halfLife);
  out.back = bounds === null ? 0 : remaining(seconds, bounds.returnHalfLife);
}
