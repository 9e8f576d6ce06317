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
  /** How far each lags behind a target that moves evenly, in ways that the target goes in the step. */
  pitchLag: number;
  lensLag: number;
  levelLag: number;
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
    pitchLag: NaN,
    lensLag: NaN,
    levelLag: NaN,
  };
}

/** The pace of a step of `seconds`, > 0, for any motion. */
export function setPace(out: Pace, rates: Rates, seconds: number): void {
  out.seconds = seconds;
  out.zoom = remaining(seconds, rates.zoom);
  out.turn = remaining(seconds, rates.turn);
  out.halfStart = remaining(seconds / 2, rates.start);
  out.halfStop = remaining(seconds / 2, rates.stop);
  out.pitch = remaining(seconds, rates.pitch);
  out.lens = remaining(seconds, rates.lens);
  out.level = remaining(seconds, rates.level);
  out.frame = remaining(seconds, rates.frame);
  out.back = remaining(seconds, rates.back);
  out.pitchLag = lag(out.pitch, seconds, rates.pitch);
  out.lensLag = lag(out.lens, seconds, rates.lens);
  out.levelLag = lag(out.level, seconds, rates.level);
}

/** Of `value' = -k · (value - target)` with a target that moves evenly: (1 - left) / (k · seconds). */
function lag(left: number, seconds: number, rate: number): number {
  return (1 - left) / (LN2 * rate * seconds);
}

const LN2 = 0.6931471805599453;

/** The same, worked out for what `motion` eases now; what it does not ease keeps all of itself. */
export function setPaceFor(out: Pace, motion: Motion, rates: Rates, seconds: number): void {
  const panning = isPanning(motion);
  const steady = !panning || (motion.velocityX === motion.targetX && motion.velocityY === motion.targetY);
  const driven = isDriven(motion);
  const follows = motion.easing || motion.left !== 0;
  out.seconds = seconds;
  out.zoom = motion.left === 0 ? 1 : remaining(seconds, rates.zoom);
  out.turn = motion.turnLeft === 0 ? 1 : remaining(seconds, rates.turn);
  out.halfStart = steady || !driven ? 1 : remaining(seconds / 2, rates.start);
  out.halfStop = steady || driven ? 1 : remaining(seconds / 2, rates.stop);
  out.pitch = follows ? remaining(seconds, rates.pitch) : 1;
  out.pitchLag = follows ? lag(out.pitch, seconds, rates.pitch) : 0;
  const alike = rates.lens === rates.pitch;
  out.lens = alike ? out.pitch : follows ? remaining(seconds, rates.lens) : 1;
  out.lensLag = alike ? out.pitchLag : follows ? lag(out.lens, seconds, rates.lens) : 0;
  out.level = follows ? remaining(seconds, rates.level) : 1;
  out.levelLag = follows ? lag(out.level, seconds, rates.level) : 0;
  out.frame = motion.framing ? remaining(seconds, rates.frame) : 1;
  out.back = motion.excessX !== 0 || motion.excessY !== 0 ? remaining(seconds, rates.back) : 1;
}

/** How often each halves in a second. */
export interface Rates {
  readonly zoom: number;
  readonly turn: number;
  readonly start: number;
  readonly stop: number;
  readonly pitch: number;
  readonly lens: number;
  readonly level: number;
  readonly frame: number;
  readonly back: number;
}

/** The rates of the settings' half-lives; infinite for one of 0. */
export function ratesOf({ zoom, turn, pan, pitch, lens, ground, safeFrame, bounds }: FullSettings): Rates {
  return {
    zoom: 1 / zoom.halfLife,
    turn: 1 / turn.halfLife,
    start: 1 / pan.startHalfLife,
    stop: 1 / pan.stopHalfLife,
    pitch: 1 / pitch.halfLife,
    lens: 1 / lens.halfLife,
    level: 1 / ground.followHalfLife,
    frame: 1 / safeFrame.halfLife,
    back: 1 / (bounds?.returnHalfLife ?? 0),
  };
}
