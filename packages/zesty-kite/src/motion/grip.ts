/** Taking hold: a point of the ground, under a screen point. */
import { keepInside } from '../limits/index.ts';
import {
  aim,
  nearestCopy,
  View,
  ScratchInsets,
  ScratchPoint,
  ScratchSpot,
  type Look,
  type Point,
} from '../view/index.ts';
import { Motion } from './motion.ts';
import type { Rules } from './rules.ts';

/** Takes hold, for a zoom or a turn, of what shows at a screen point (CSS pixels); of nothing where a mover keeps something in place. */
export function takeGrip(motion: Motion, rules: Rules, look: Look, x: number, y: number): void {
  dropGrip(motion);
  if (motion.led) return;
  motion.gripping = true;
  motion.holdsBelowEye = false;
  motion.gripX = x;
  motion.gripY = y;
  under(motion, rules, look, x, y);
  motion.heldX = held.x;
  motion.heldY = held.y;
  motion.heldHeight = held.height;
}

/** Takes hold of a point of the ground where it shows; of the focus where it does not. */
export function takeGripOf(motion: Motion, rules: Rules, look: Look, pointX: number, pointY: number): void {
  // In a world that repeats itself, the copy nearest to the focus.
  const { periodX = 0, periodY = 0 } = rules.ground;
  const x = motion.x + nearestCopy(pointX - motion.x, periodX);
  const y = motion.y + nearestCopy(pointY - motion.y, periodY);
  const height = rules.terrain === null ? motion.level : rules.terrain.heightAt(x, y);
  const at = aimAt(motion, rules, motion.x, motion.y).toScreen(x, y, height);
  const shows = at.x >= 0 && at.x <= look.width && at.y >= 0 && at.y <= look.height;
  motion.gripping = at.inFront && shows && look.v(at.y) > look.reachV && !motion.led;
  motion.holdsBelowEye = false;
  motion.gripX = at.x;
  motion.gripY = at.y;
  motion.heldX = x;
  motion.heldY = y;
  motion.heldHeight = height;
}

/** Takes hold of the ground below the eye; of the focus where the lens has none. */
export function takeBelow(motion: Motion, look: Look): void {
  look.meetBelowEye(motion);
  motion.gripping = look.widening > 0 && !motion.led;
  motion.holdsBelowEye = motion.gripping;
  motion.heldX = motion.x + look.meetX;
  motion.heldY = motion.y + look.meetY;
}

/** Ends the grip of a zoom or a turn: from now on they keep the focus in place. */
export function dropGrip(motion: Motion): void {
  motion.gripping = false;
  motion.orbitGripping = false;
  motion.holdsBelowEye = false;
}

/** Takes hold, with every finger of a hand, of what is shown under it. */
export function takeFingers(motion: Motion, rules: Rules, look: Look): void {
  dropGrip(motion);
  motion.fingersTooClose = false;
  if (motion.fingers === 0) return;
  under(motion, rules, look, motion.gripX, motion.gripY);
  motion.heldX = held.x;
  motion.heldY = held.y;
  motion.heldHeight = held.height;
  if (motion.fingers === 1) return;
  under(motion, rules, look, motion.gripX2, motion.gripY2);
  motion.heldX2 = held.x;
  motion.heldY2 = held.y;
  motion.heldHeight2 = held.height;
}

/** Sets how many fingers hold, and where they are: CSS pixels. */
export function setFingers(motion: Motion, [first, second]: readonly Point[]): void {
  motion.fingers = first === undefined ? 0 : second === undefined ? 1 : 2;
  if (first !== undefined) {
    motion.gripX = first.x;
    motion.gripY = first.y;
  }
  if (second !== undefined) {
    motion.gripX2 = second.x;
    motion.gripY2 = second.y;
  }
}

const held = new ScratchSpot();

/**
 * Sets `held` to what is held at a screen point: the point of the ground that shows there, or the
 * one within reach below where it would be too far.
 */
function under(motion: Motion, rules: Rules, look: Look, x: number, y: number): void {
  unstretch(motion, rules, look);
  const v = look.v(y);
  if (rules.terrain !== null && v > look.reachV && aimAt(motion, rules, raw.x, raw.y).toGround(x, y, held)) return;
  look.meet(look.u(x), v, motion.span, 0);
  held.x = raw.x + look.meetX;
  held.y = raw.y + look.meetY;
  held.height = motion.level;
}

const raw = new ScratchPoint();
const from = new ScratchPoint();

/**
 * Sets `raw` to the focus before bounds and elastic edge were applied. A pull by e beyond the edge shows as
 * cap · e / (cap + e); this is the inverse.
 */
function unstretch(motion: Motion, { boundary }: Rules, look: Look): void {
  const { x, y, span, excessX, excessY } = motion;
  raw.x = x;
  raw.y = y;
  if (excessX === 0 && excessY === 0) return;
  from.x = x - excessX;
  from.y = y - excessY;
  keepInside(boundary, look, motion, raw, from, raw);
  const overX = x - raw.x;
  const overY = y - raw.y;
  const cap = boundary.elastic * span;
  const over = Math.sqrt(overX * overX + overY * overY);
  const stretch = cap / Math.max(cap - over, cap * 1e-9);
  raw.x += overX * stretch;
  raw.y += overY * stretch;
}

const view = new View();
const pose = new Motion();
const insets = new ScratchInsets();
/** The ground without its repetitions: held points stay in the copy that the focus is in. */
const ground: { lowest: number; highest: number; terrain: Rules['terrain'] } = { lowest: 0, highest: 0, terrain: null };

/** What the camera sees with the focus at (x, y), and the eye where nothing lifts it. */
function aimAt(motion: Motion, rules: Rules, x: number, y: number): View {
  pose.x = x;
  pose.y = y;
  pose.focusHeight = motion.level;
  pose.span = motion.span;
  pose.heading = motion.heading;
  pose.pitch = motion.pitch;
  pose.fieldOfView = motion.fieldOfView;
  insets.left = motion.insetLeft;
  insets.top = motion.insetTop;
  insets.right = motion.insetRight;
  insets.bottom = motion.insetBottom;
  ground.lowest = rules.ground.lowest;
  ground.highest = rules.ground.highest;
  ground.terrain = rules.terrain;
  return aim(view, pose, rules.screen, ground, insets);
}
