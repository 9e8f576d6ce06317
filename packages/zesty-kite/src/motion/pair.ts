/**
 * Two fingers: the span and the heading at which both held points can be under their screen points.
 *
 * The offset of a held point from the focus is span · A + B, with A from the screen point and B from
 * how high it lies above the focus. So the distance of the held points, which no camera changes, is
 * |span · ΔA + ΔB|: a quadratic equation for the span. The heading is the angle that is then left
 * between the two directions.
 */
import { angleDegrees, clamp, nearestRoot } from '../math/index.ts';
import { ScratchPoint, type Look } from '../view/index.ts';
import { takeFingers } from './grip.ts';
import type { Motion } from './motion.ts';
import { minSpan, maxSpan, type Rules } from './rules.ts';
import { holdSpan } from './zoom.ts';

/** Fingers nearer to each other than this say where, but neither how near nor which way; CSS pixels. */
const CLOSE = 24;

/** Held points nearer to each other than this are one, in spans. */
const ONE_POINT = 1e-6;

/** Sets span and heading, and leaves the look as they make it. */
export function solvePair(motion: Motion, rules: Rules, look: Look): void {
  const acrossX = motion.gripX2 - motion.gripX;
  const acrossY = motion.gripY2 - motion.gripY;
  if (acrossX * acrossX + acrossY * acrossY < CLOSE * CLOSE) {
    motion.fingersTooClose = true;
    return;
  }
  // What they hold is one point, as from inside a hill: it says no more than one finger does.
  const heldX = motion.heldX2 - motion.heldX;
  const heldY = motion.heldY2 - motion.heldY;
  if (heldX * heldX + heldY * heldY < ONE_POINT * ONE_POINT * motion.span * motion.span) return;
  // Apart again: what happened in between is not made up for.
  if (motion.fingersTooClose) holdAnew(motion, rules, look);
  if (motion.mayZoom) {
    const span = motion.mayTurn ? spanAsItLooks(motion, look) : spanUnturned(motion, rules, look);
    holdSpan(motion, clamp(span, minSpan(rules, look), maxSpan(rules, look)));
  }
  if (!motion.mayTurn) return;
  measure(motion, look, motion.easedSpan);
  const turned = angleDegrees(off.x * held.y - off.y * held.x, off.x * held.x + off.y * held.y);
  motion.heading = clamp(motion.heading + turned, rules.minHeading, rules.maxHeading);
  motion.goalHeading = motion.heading;
  motion.turnRemaining = 0;
  look.turn(motion);
}

/** From the first held point to the second: on the ground, and as the camera at a span would have it. */
const held = new ScratchPoint();
const off = new ScratchPoint();

function measure(motion: Motion, look: Look, span: number): void {
  held.x = motion.heldX2 - motion.heldX;
  held.y = motion.heldY2 - motion.heldY;
  offsets(motion, look, span, 1);
}

/** Sets off to span · ΔA + share · ΔB. */
function offsets(motion: Motion, look: Look, span: number, share: number): void {
  const { level } = motion;
  look.meet(look.u(motion.gripX), look.v(motion.gripY), span, share * (motion.heldHeight - level));
  const firstX = look.meetX;
  const firstY = look.meetY;
  look.meet(look.u(motion.gripX2), look.v(motion.gripY2), span, share * (motion.heldHeight2 - level));
  off.x = look.meetX - firstX;
  off.y = look.meetY - firstY;
}

/** The closed form: pitch and lens stay as they are. */
function spanAsItLooks(motion: Motion, look: Look): number {
  offsets(motion, look, 0, 1);
  const fixedX = off.x;
  const fixedY = off.y;
  offsets(motion, look, 1, 0);
  held.x = motion.heldX2 - motion.heldX;
  held.y = motion.heldY2 - motion.heldY;
  // |span · off + fixed|² = |held|²
  const a = off.x * off.x + off.y * off.y;
  const half = off.x * fixedX + off.y * fixedY;
  const c = fixedX * fixedX + fixedY * fixedY - held.x * held.x - held.y * held.y;
  const root = Math.sqrt(Math.max(0, half * half - a * c));
  roots.greater = (root - half) / a;
  roots.lesser = (-root - half) / a;
  const span = motion.usesLesserRoot ? roots.lesser : roots.greater;
  return span > 0 ? span : motion.easedSpan;
}

/** Both roots of the last equation. */
class Roots {
  greater = NaN;
  lesser = NaN;
}
const roots = new Roots();

/** Relative tolerance on the squared distance. */
const NOTHING = 1e-13;

/**
 * With the heading fixed, the distance of the fingers on the screen says how near: the held points
 * show equally far from each other. So a twist alone does not zoom.
 */
function spanUnturned(motion: Motion, rules: Rules, look: Look): number {
  const u = look.u(motion.gripX2) - look.u(motion.gripX);
  const v = look.v(motion.gripY2) - look.v(motion.gripY);
  const tolerance = (u * u + v * v) * NOTHING;
  return nearestRoot(
    fingersTooFar,
    motion.easedSpan,
    minSpan(rules, look),
    maxSpan(rules, look),
    tolerance,
    motion,
    look,
  );
}

/** Takes hold anew, with every finger of a hand, of what is shown under it. */
export function holdAnew(motion: Motion, rules: Rules, look: Look): void {
  takeFingers(motion, rules, look);
  if (motion.fingers < 2) return;
  // From now on the fingers hold what is shown.
  if (motion.mayZoom) holdSpan(motion, motion.span);
  motion.pinched ||= motion.mayZoom && rules.followsAtOnce;
  // Keeps the root that matches the current span.
  spanAsItLooks(motion, look);
  motion.usesLesserRoot =
    roots.lesser > 0 && Math.abs(roots.lesser - motion.span) < Math.abs(roots.greater - motion.span);
  motion.fingersCloser = 0;
  motion.fingersCloser = motion.mayTurn ? 0 : fingersTooFar(motion.span, motion, look);
}

/** By how much the held points show nearer to each other at a span than the fingers are, squared. */
function fingersTooFar(span: number, motion: Motion, look: Look): number {
  const { gripX, gripY, gripX2, gripY2, level } = motion;
  // The focus is the mean of where either grip wants it; the held points as seen from there.
  measure(motion, look, span);
  look.meet(look.u(gripX), look.v(gripY), span, motion.heldHeight - level);
  const missX = (held.x - off.x) / 2;
  const missY = (held.y - off.y) / 2;
  project(look, span, look.meetX - missX, look.meetY - missY, motion.heldHeight - level);
  const u = shown.x;
  const v = shown.y;
  project(look, span, look.meetX + off.x + missX, look.meetY + off.y + missY, motion.heldHeight2 - level);
  const fingersU = look.u(gripX2) - look.u(gripX);
  const fingersV = Math.max(look.v(gripY2), look.reachV) - Math.max(look.v(gripY), look.reachV);
  const apart = (shown.x - u) * (shown.x - u) + (shown.y - v) * (shown.y - v);
  return fingersU * fingersU + fingersV * fingersV - apart - motion.fingersCloser;
}

/** u and v. */
const shown = new ScratchPoint();

/** Where a point shows that lies (east, south, rise) from the focus. */
function project(look: Look, span: number, east: number, south: number, rise: number): void {
  const { sinHeading, cosHeading, sinPitch, cosPitch, widening } = look;
  const right = east * cosHeading + south * sinHeading;
  const toward = south * cosHeading - east * sinHeading;
  const depth = Math.max(1e-3, 1 - (widening * (toward * cosPitch + rise * sinPitch)) / span) * span;
  shown.x = right / depth;
  shown.y = (toward * sinPitch - rise * cosPitch) / depth;
}
