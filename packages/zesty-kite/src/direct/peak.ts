/** The fastest moment of a journey. */
import { clamp, log2 } from '../math/index.ts';
import type { Motion } from '../motion/index.ts';
import { PEAK } from './ease.ts';
import type { Plan } from './journey.ts';
import { goOn } from './onTheWay.ts';
import { RHO } from './path.ts';

const RADIANS = 0.017453292519943295;

/** How far the picture would move, in screen heights, were it to go on at its fastest moment. */
export function peakOf(plan: Plan, motion: Motion): number {
  const { path, from, to, ease } = plan;
  // Half a screen from the middle, a turn of the map goes half as fast as the angle in radians grows.
  const turned = ((Math.abs(to.heading - from.heading) + Math.abs(to.pitch - from.pitch)) * RADIANS) / 2;
  const planned = PEAK[ease] * (path.length / RHO + turned);
  if (motion.constraints.settings.bounds === null) return planned;
  // Bounds push the view off the path, now and then for a moment: all of it is looked at, and the fastest part more closely.
  const tried = motion.copy();
  let fastest = 0;
  let where = 0;
  for (let part = 0; part < PARTS; part++) {
    const speed = speedBetween(plan, tried, part / PARTS, (part + 1) / PARTS, 1);
    if (speed > fastest) {
      fastest = speed;
      where = part;
    }
  }
  return Math.max(planned, fastest, speedBetween(plan, tried, (where - 1) / PARTS, (where + 2) / PARTS, PARTS / 8));
}

/** Parts of a way along bounds that are looked at. */
const PARTS = 512;
const LN2 = 0.6931471805599453;

/** How fast the picture moves at most in steps from one share of the time to another, screen heights in all of the time. */
function speedBetween(plan: Plan, motion: Motion, from: number, to: number, steps: number): number {
  let most = 0;
  for (let step = 0; step <= steps; step++) {
    const { x, y, span, heading, pitch } = motion;
    goOn(plan, clamp(from + ((to - from) * step) / steps, 0, 1), motion, 0, 0);
    if (step === 0) continue;
    const moved = ((motion.x - x) * (motion.x - x) + (motion.y - y) * (motion.y - y)) / (motion.span * span);
    const zoomed = (log2(motion.span / span) * LN2) / 2;
    const angle = ((Math.abs(motion.heading - heading) + Math.abs(motion.pitch - pitch)) * RADIANS) / 2;
    most = Math.max(most, Math.sqrt(moved + zoomed * zoomed) + angle);
  }
  return (most * steps) / (to - from);
}
