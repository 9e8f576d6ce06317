/** Turning and tilting. */
import { clamp } from '../math/index.ts';
import type { Look } from '../view/index.ts';
import { pitchAsked, pitchAt } from './follow.ts';
import type { Motion } from './motion.ts';
import type { Pace } from './pace.ts';
import { ANGLE_TOLERANCE } from './rest.ts';
import { headingInside, type Rules } from './rules.ts';
import { settle } from './settle.ts';
import { restingHeading } from './stops.ts';

/** Headings are kept unwrapped up to so many degrees; beyond, whole turns are forgotten. */
const MOST_TURN = 1e6;

/** Turns by degrees clockwise, counted from the goal, so that quick turns add up. Any heading will do. */
export function turnBy(motion: Motion, { settings: { turn } }: Rules, degrees: number): void {
  const { least, most } = turn;
  const goal = clamp(motion.goalHeading + degrees, least ?? -3 * MOST_TURN, most ?? 3 * MOST_TURN);
  if (Math.abs(goal) > MOST_TURN && least === null && most === null) {
    const turns = 360 * Math.round(goal / 360);
    motion.heading -= turns;
    easeHeading(motion, goal - turns);
  } else easeHeading(motion, clamp(goal, -MOST_TURN, MOST_TURN));
}

/** Goes on turning by what is held. */
export function turnOnAt(motion: Motion, { settings: { turn } }: Rules, { seconds }: Pace): void {
  const before = motion.goalHeading;
  const goal = before + motion.turnRate * seconds;
  const { least, most } = turn;
  if (least !== null && goal < least) motion.goalHeading = least;
  else if (most !== null && goal > most) motion.goalHeading = most;
  else motion.goalHeading = goal;
  motion.turnCame = motion.goalHeading - before;
  motion.turnLeft = motion.heading - motion.goalHeading;
  if (Math.abs(motion.goalHeading) <= MOST_TURN) return;
  if (least === null && most === null) {
    const turns = 360 * Math.round(motion.goalHeading / 360);
    motion.heading -= turns;
    motion.goalHeading -= turns;
  } else {
    motion.goalHeading = clamp(motion.goalHeading, -MOST_TURN, MOST_TURN);
    motion.turnLeft = motion.heading - motion.goalHeading;
  }
}

/** Turns by degrees as a step or a call does: to where it may rest, and a hand that drags does not end it. */
export function stepBy(motion: Motion, rules: Rules, degrees: number): void {
  turnBy(motion, rules, degrees);
  restHeading(motion, rules);
  motion.stepping = motion.turnLeft !== 0;
}

/** Where headings have stops, the goal goes to the nearest, unless something held still turns. */
export function restHeading(motion: Motion, rules: Rules): void {
  if (rules.settings.turn.stops === null || motion.fingers > 1 || motion.orbiting || motion.turnRate !== 0) return;
  easeHeading(motion, restingHeading(rules, motion.goalHeading));
}

/** Ends a turn at the heading that is shown; where there are stops, at the nearest. */
export function stopTurn(motion: Motion, rules: Rules): void {
  easeHeading(motion, motion.heading);
  motion.stepping = false;
  restHeading(motion, rules);
}

function easeHeading(motion: Motion, goal: number): void {
  motion.goalHeading = goal;
  motion.turnLeft = motion.heading - goal;
  if (Math.abs(motion.turnLeft) >= ANGLE_TOLERANCE) return;
  motion.turnLeft = 0;
  motion.heading = goal;
}

/** Tilts by degrees (positive: more from above), as far as the limits let it at the span that is shown. */
export function tiltBy(motion: Motion, rules: Rules, degrees: number): void {
  tiltTo(motion, rules, pitchAt(motion, rules, motion.span) + degrees);
  motion.askedPitch = pitchAt(motion, rules, motion.span);
  motion.easing = motion.tilting = motion.tilted = true;
}

/** Ends a tilt at the pitch that is shown. */
export function stopTilt(motion: Motion, rules: Rules): void {
  if (!motion.tilted) return;
  motion.tilted = false;
  tiltTo(motion, rules, motion.pitch);
  motion.askedPitch = pitchAt(motion, rules, motion.span);
}

/** Turns and tilts at once, as far as the limits let it; what is gripped stays where it is. */
export function swingBy(motion: Motion, rules: Rules, look: Look, degrees: number, down: number): void {
  if (degrees !== 0) {
    turnBy(motion, rules, degrees);
    motion.turnLeft = 0;
    motion.heading = motion.goalHeading;
  }
  if (down !== 0) {
    const { askedPitch } = motion;
    tiltBy(motion, rules, down);
    motion.pitch = clamp(motion.pitch + motion.askedPitch - askedPitch, rules.leastPitch, rules.mostPitch);
  }
  look.turn(motion);
  settle(motion, rules, look);
  motion.unseen = rules.terrain !== null;
  motion.easing ||= motion.unseen;
}

/** Looks down at a pitch from now on, as far as the limits let it; what is beyond them is forgotten. */
export function tiltTo(motion: Motion, rules: Rules, pitch: number): void {
  const { least, most } = rules.settings.pitch;
  motion.tilt = clamp(pitch, least, most) - pitchAsked(motion, rules, motion.span);
}

/** Looks at once where a heading says, as far as range and stops let it. */
export function faceAt(motion: Motion, rules: Rules, heading: number): void {
  const inside = headingInside(rules, heading);
  motion.heading = rules.settings.turn.stops === null ? inside : restingHeading(rules, inside);
  motion.goalHeading = motion.heading;
  motion.turnLeft = 0;
  motion.stepping = false;
}
