/** Turning and tilting. */
import { clamp } from '../math/index.ts';
import { pitchAsked, pitchAt } from './follow.ts';
import type { Motion } from './motion.ts';
import { ANGLE_TOLERANCE } from './rest.ts';
import { settle } from './settle.ts';
import type { Look } from '../view/index.ts';
import { headingInside, type Rules } from './rules.ts';

/** Turns by degrees clockwise, counted from the goal, so that quick turns add up. */
export function turnBy(motion: Motion, { settings: { turn } }: Rules, degrees: number): void {
  const goal = motion.goalHeading + degrees;
  motion.goalHeading = clamp(goal, turn.least ?? -MOST_TURN, turn.most ?? MOST_TURN);
  motion.turnLeft = motion.heading - motion.goalHeading;
  if (Math.abs(motion.turnLeft) >= ANGLE_TOLERANCE) return;
  motion.turnLeft = 0;
  motion.heading = motion.goalHeading;
}

/** Headings are kept unwrapped up to so many degrees. */
const MOST_TURN = 1e9;

/** Tilts by degrees (positive: more from above), as far as the limits let it at the span that is shown. */
export function tiltBy(motion: Motion, rules: Rules, degrees: number): void {
  tiltTo(motion, rules, pitchAt(motion, rules, motion.span) + degrees);
  motion.askedPitch = pitchAt(motion, rules, motion.span);
  motion.easing = motion.tilting = true;
}

/** Turns and tilts at once, as far as the limits let it; what is gripped stays where it is. */
export function swingBy(motion: Motion, rules: Rules, look: Look, degrees: number, down: number): void {
  turnBy(motion, rules, degrees);
  tiltBy(motion, rules, down);
  motion.turnLeft = 0;
  motion.heading = motion.goalHeading;
  motion.pitch = motion.askedPitch;
  look.turn(motion);
  settle(motion, rules, look);
  motion.unseen = rules.terrain !== null;
}

/** Looks down at a pitch from now on, as far as the limits let it; what is beyond them is forgotten. */
export function tiltTo(motion: Motion, rules: Rules, pitch: number): void {
  const { least, most } = rules.settings.pitch;
  motion.tilt = clamp(pitch, least, most) - pitchAsked(motion, rules, motion.span);
}

/** Looks at once where a heading says, as far as its range lets it. */
export function faceAt(motion: Motion, rules: Rules, heading: number): void {
  motion.heading = headingInside(rules, heading);
  motion.goalHeading = motion.heading;
  motion.turnLeft = 0;
}
