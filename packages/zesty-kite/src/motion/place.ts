/** Being put somewhere: at the start, by the program, by limits that change. */
import { ANYWHERE, keepInside, middleOf } from '../limits/index.ts';
import { clamp } from '../math/index.ts';
import { nearestCopy, type Look } from '../view/index.ts';
import { arrive, arriveAt, askAnew, flipSwitches, pitchAt } from './follow.ts';
import { letGo, stayHere } from './grip.ts';
import { holdAnew } from './pair.ts';
import type { Motion } from './motion.ts';
import { ANGLE_TOLERANCE } from './rest.ts';
import { headingInside, leastSpan, mostSpan, type Rules } from './rules.ts';
import { settle } from './settle.ts';
import { faceAt, tiltTo, turnBy } from './turn.ts';
import { fitSpan, keepSpan, stopZoom, zoomTo } from './zoom.ts';

/** Where to stand; a pitch that is null is what the zoom asks for. */
export interface Place {
  readonly x: number;
  readonly y: number;
  readonly span: number;
  readonly heading: number;
  readonly pitch: number | null;
}

/** Where the settings ask to begin; limits have not spoken yet. */
export function startPlace({ settings: { start, bounds }, boundary }: Rules): Place {
  const middle = bounds === null ? { x: 0, y: 0, high: 100 } : middleOf(boundary);
  return {
    x: start.x ?? middle.x,
    y: start.y ?? middle.y,
    span: start.span ?? middle.high,
    heading: start.heading,
    pitch: start.pitch ?? null,
  };
}

/** Puts the camera somewhere at once; what the limits do not allow is brought inside. */
export function placeAt(motion: Motion, rules: Rules, look: Look, place: Place): void {
  const { left, top, right, bottom } = rules.settings.safeFrame;
  letGo(motion);
  stayHere(motion);
  motion.excessX = motion.excessY = 0;
  look.frame(rules.screen, left, top, right, bottom);
  motion.span = clamp(place.span, leastSpan(rules, look), mostSpan(rules, look));
  stopZoom(motion);
  motion.pitchFar = motion.lensFar = motion.speedFar = false;
  flipSwitches(motion, rules);
  motion.tilt = 0;
  if (place.pitch !== null) tiltTo(motion, rules, place.pitch);
  faceAt(motion, rules, place.heading);
  arrive(motion, rules, look);
  fitSpan(motion, rules, look, arriveAt);
  arrive(motion, rules, look);
  motion.x = place.x;
  motion.y = place.y;
  keepInside(rules.boundary, look, motion, motion, ANYWHERE, motion);
  arrive(motion, rules, look);
  holdAnew(motion, rules, look);
  settle(motion, rules, look);
  motion.easing = motion.tilting = motion.framing = motion.pinched = false;
}

/** Sets out for the place where the settings begin: zoom, turn, tilt and the way there, all eased. */
export function goHome(motion: Motion, rules: Rules, look: Look): void {
  const { x, y, span, heading, pitch } = startPlace(rules);
  const { periodX = 0, periodY = 0 } = rules.ground;
  motion.homeX = nearestCopy(x - motion.x, periodX);
  motion.homeY = nearestCopy(y - motion.y, periodY);
  zoomTo(motion, rules, look, span);
  const { least, most } = rules.settings.turn;
  const turn = headingInside(rules, heading) - motion.heading;
  const short = turn - 360 * Math.round(turn / 360);
  const mayTurn = motion.heading + short >= (least ?? -Infinity) && motion.heading + short <= (most ?? Infinity);
  turnBy(motion, rules, mayTurn ? short : turn);
  if (pitch === null) motion.tilt = 0;
  else tiltTo(motion, rules, pitch);
  motion.askedPitch = pitchAt(motion, rules, motion.span);
  motion.easing = motion.tilting = true;
}

/**
 * Brings everything inside limits that have changed; a grip goes on holding.
 *
 * @param otherBoundary there are other bounds: what was pulled over the edge of the old ones is forgotten
 */
export function refit(motion: Motion, rules: Rules, look: Look, otherBoundary: boolean): void {
  const { least, most } = rules.settings.pitch;
  const heading = headingInside(rules, motion.heading);
  const goal = headingInside(rules, motion.goalHeading);
  motion.heading = heading;
  motion.goalHeading = goal;
  motion.turnLeft = Math.abs(heading - goal) < ANGLE_TOLERANCE ? 0 : heading - goal;
  motion.pitch = clamp(motion.pitch, least, most);
  look.frame(rules.screen, motion.insetLeft, motion.insetTop, motion.insetRight, motion.insetBottom);
  look.turn(motion);
  keepSpan(motion, rules, look);
  if (otherBoundary) {
    motion.x -= motion.excessX;
    motion.y -= motion.excessY;
    motion.excessX = motion.excessY = 0;
    keepInside(rules.boundary, look, motion, motion, ANYWHERE, motion);
  }
  askAnew(motion, rules, look);
  settle(motion, rules, look);
  motion.easing = motion.framing = true;
  motion.unseen = rules.terrain !== null;
}
