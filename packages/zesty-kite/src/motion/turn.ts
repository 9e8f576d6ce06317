/** Turning and tilting. */
import { clamp } from '../math/index.ts';
import type { Look } from '../view/index.ts';
import { pitchAsked, pitchAt } from './followers.ts';
import type { Motion } from './motion.ts';
import type { Pace } from './pace.ts';
import { headingInside, type Rules } from './rules.ts';
import { solveFocus } from './solveFocus.ts';

/** Headings are kept unwrapped up to so many degrees; beyond, whole turns are forgotten. */
const MAX_TURN = 1e6;

/** Turns by degrees clockwise, counted from the goal, so that quick turns add up. Any heading will do. */
export function addTurn(motion: Motion, { minHeading: min, maxHeading: max }: Rules, degrees: number): void {
  const goal = clamp(motion.goalHeading + degrees, Math.max(min, -3 * MAX_TURN), Math.min(max, 3 * MAX_TURN));
  if (Math.abs(goal) > MAX_TURN && min === -Infinity && max === Infinity) {
    const turns = 360 * Math.round(goal / 360);
    motion.heading -= turns;
    easeHeading(motion, goal - turns);
  } else easeHeading(motion, clamp(goal, -MAX_TURN, MAX_TURN));
}

/** Goes on turning by what is held. */
export function turnOnAt(motion: Motion, { minHeading: min, maxHeading: max }: Rules, { seconds }: Pace): void {
  const before = motion.goalHeading;
  const goal = before + motion.turnRate * seconds;
  if (goal < min) motion.goalHeading = min;
  else if (goal > max) motion.goalHeading = max;
  else motion.goalHeading = goal;
  motion.turnGoalMoved = motion.goalHeading - before;
  motion.turnRemaining = motion.heading - motion.goalHeading;
  if (Math.abs(motion.goalHeading) <= MAX_TURN) return;
  if (min === -Infinity && max === Infinity) {
    const turns = 360 * Math.round(motion.goalHeading / 360);
    motion.heading -= turns;
    motion.goalHeading -= turns;
  } else {
    motion.goalHeading = clamp(motion.goalHeading, -MAX_TURN, MAX_TURN);
    motion.turnRemaining = motion.heading - motion.goalHeading;
  }
}

/** Turns by degrees as a step or a call does: to where it may rest, and a hand that drags does not end it. */
export function addStep(motion: Motion, rules: Rules, degrees: number): void {
  addTurn(motion, rules, degrees);
  restHeading(motion, rules);
  motion.stepping = motion.turnRemaining !== 0;
}

/** Where headings have stops, the goal goes to the nearest, unless something held still turns. */
export function restHeading(motion: Motion, rules: Rules): void {
  if (rules.settings.turn.stops === null || motion.fingers > 1 || motion.orbiting || motion.turnRate !== 0) return;
  easeHeading(motion, restingHeading(rules, motion.goalHeading));
}

/** A stop this close to an end of the range, in steps, is inside. */
const SLACK = 2e-9;

/** The heading nearest to one that the settings let the camera rest at. */
function restingHeading({ settings, minHeading: min, maxHeading: max }: Rules, heading: number): number {
  const { stops } = settings.turn;
  if (stops === null) return clamp(heading, min, max);
  const { step, offset } = stops;
  const first = Math.ceil((min - offset) / step - SLACK);
  const last = Math.floor((max - offset) / step + SLACK);
  if (first > last) return clamp(heading, min, max);
  return clamp(offset + step * clamp(Math.round((heading - offset) / step), first, last), min, max);
}

/** Ends a turn at the heading that is shown; where there are stops, at the nearest. */
export function stopTurn(motion: Motion, rules: Rules): void {
  easeHeading(motion, motion.heading);
  motion.stepping = false;
  restHeading(motion, rules);
}

/** What is within its tolerance arrives with the next step, which solves the focus for it. */
function easeHeading(motion: Motion, goal: number): void {
  motion.goalHeading = goal;
  motion.turnRemaining = motion.heading - goal;
}

/** Tilts by degrees (positive: more from above), as far as the limits let it at the span that is shown. */
export function addTilt(motion: Motion, rules: Rules, degrees: number): void {
  setPitch(motion, rules, pitchAt(motion, rules, motion.easedSpan) + degrees);
  motion.askedPitch = pitchAt(motion, rules, motion.easedSpan);
  motion.easing = motion.tilting = motion.tilted = true;
}

/** Ends a tilt at the pitch that is shown. */
export function stopTilt(motion: Motion, rules: Rules): void {
  if (!motion.tilted) return;
  motion.tilted = false;
  setPitch(motion, rules, motion.pitch);
  motion.askedPitch = pitchAt(motion, rules, motion.easedSpan);
}

/** Turns and tilts at once, as far as the limits let it; what is gripped stays where it is. */
export function addOrbit(motion: Motion, rules: Rules, look: Look, degrees: number, down: number): void {
  if (degrees !== 0) {
    addTurn(motion, rules, degrees);
    motion.turnRemaining = 0;
    motion.heading = motion.goalHeading;
  }
  if (down !== 0) {
    const { askedPitch } = motion;
    addTilt(motion, rules, down);
    motion.pitch = clamp(motion.pitch + motion.askedPitch - askedPitch, rules.minPitch, rules.maxPitch);
  }
  look.turn(motion);
  solveFocus(motion, rules, look);
  motion.groundStale = rules.terrain !== null;
  motion.easing ||= motion.groundStale;
}

/** Looks down at a pitch from now on, as far as the limits let it; what is beyond them is forgotten. */
export function setPitch(motion: Motion, rules: Rules, pitch: number): void {
  motion.tilt = clamp(pitch, rules.minPitch, rules.maxPitch) - pitchAsked(motion, rules, motion.easedSpan);
}

/** Looks at once where a heading says, as far as range and stops let it. */
export function faceAt(motion: Motion, rules: Rules, heading: number): void {
  const inside = headingInside(rules, heading);
  motion.heading = rules.settings.turn.stops === null ? inside : restingHeading(rules, inside);
  motion.goalHeading = motion.heading;
  motion.turnRemaining = 0;
  motion.stepping = false;
}
