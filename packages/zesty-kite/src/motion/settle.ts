/**
 * Where the focus is, once zoom, heading, pitch and lens are known: as grips and pans want it, lifted
 * clear of the ground below the eye, inside the bounds.
 *
 * Where a screen ray meets a level plane, counted from the focus, does not depend on where the focus
 * is: hit = focus + offset. So focus = held - offset, exactly, at every span, pitch, heading and lens.
 */
import { keepInside } from '../limits/index.ts';
import type { Look, Point } from '../view/index.ts';
import type { Motion } from './motion.ts';
import { solvePair } from './pair.ts';
import type { Rules } from './rules.ts';
import { keepSpan } from './zoom.ts';

/**
 * The lift comes last and moves the focus straight up: grips are solved as if there were none, so
 * that one does not chase the other. While the eye is lifted, what is held is off by the lift.
 *
 * @param panX how far a pan moves the focus, or what is gripped; world units
 */
export function settle(motion: Motion, rules: Rules, look: Look, panX: number, panY: number): void {
  const fromX = motion.x - motion.excessX;
  const fromY = motion.y - motion.excessY;
  motion.heldX += panX;
  motion.heldY += panY;
  if (motion.fingers === 2) solvePair(motion, rules, look);
  if (motion.fingers === 2 || rules.boundary.limitsZoom) keepSpan(motion, rules, look);
  wishFor(motion, look, fromX + panX, fromY + panY);
  keepInside(rules.boundary, look, motion.span, wish.x, wish.y, fromX, fromY, inside);
  motion.limited = inside.x !== wish.x || inside.y !== wish.y || apart;
  if (motion.fingers > 0) stretch(motion, rules);
  else if (motion.limited) standStill(motion.span, fromX, fromY);
  motion.x = inside.x + motion.excessX;
  motion.y = inside.y + motion.excessY;
  motion.focusHeight = motion.level;
  if (rules.terrain === null || look.widening === 0 || isHigh(motion, rules, look)) return;
  const missing = clearanceMissing(motion, rules, look);
  if (!(missing > 0)) return;
  motion.focusHeight += missing;
  motion.limited = true;
}

/** Where the focus ought to be, whatever the bounds say. */
export function wishFor(motion: Motion, look: Look, focusX: number, focusY: number): void {
  const { span, level } = motion;
  apart = false;
  if (motion.below) {
    look.below(span);
    wish.x = motion.heldX - look.meetX;
    wish.y = motion.heldY - look.meetY;
    return;
  }
  if (!motion.gripping && motion.fingers === 0) {
    wish.x = focusX;
    wish.y = focusY;
    return;
  }
  look.meet(look.u(motion.gripX), look.v(motion.gripY), span, motion.heldHeight - level);
  wish.x = motion.heldX - look.meetX;
  wish.y = motion.heldY - look.meetY;
  if (motion.fingers < 2) return;
  look.meet(look.u(motion.gripX2), look.v(motion.gripY2), span, motion.heldHeight2 - level);
  const offX = motion.heldX2 - look.meetX - wish.x;
  const offY = motion.heldY2 - look.meetY - wish.y;
  wish.x += offX / 2;
  wish.y += offY / 2;
  apart = Math.abs(offX) + Math.abs(offY) > AGREED * span;
}

/** Two grips that want the focus nearer to each other than this agree; in spans. */
const AGREED = 1e-8;
/** The two grips do not agree: a limit keeps one point from one finger. */
let apart = false;

/** Where the last `wishFor` would have the focus, and where the last `settle` found room for it. */
export const wish: Point = { x: 0, y: 0 };
export const inside: Point = { x: 0, y: 0 };

/** Rounding alone does not move a focus along an edge: at a wall nothing trembles. */
function standStill(span: number, fromX: number, fromY: number): void {
  const nothing = 1e-11 * span + 1e-15 * (Math.abs(fromX) + Math.abs(fromY));
  if (!(Math.abs(inside.x - fromX) < nothing && Math.abs(inside.y - fromY) < nothing)) return;
  inside.x = fromX;
  inside.y = fromY;
}

/** A hand can pull the focus over the edge: the farther, the harder, and never beyond the cap. */
function stretch(motion: Motion, { boundary }: Rules): void {
  const overX = wish.x - inside.x;
  const overY = wish.y - inside.y;
  const cap = boundary.elastic * motion.span;
  const share = cap > 0 ? cap / (cap + Math.sqrt(overX * overX + overY * overY)) : 0;
  motion.excessX = overX * share;
  motion.excessY = overY * share;
}

/** Whether the eye would be clear of the highest ground even where nothing lifts it. */
function isHigh({ level, span }: Motion, { terrain, settings }: Rules, { sinPitch, widening }: Look): boolean {
  return level + (span * sinPitch) / widening > (terrain?.highest ?? 0) + settings.ground.clearance;
}

/** How much higher the eye has to be to keep its clearance from the ground below it. */
function clearanceMissing(motion: Motion, { terrain, settings }: Rules, look: Look): number {
  if (terrain === null) return 0;
  look.below(motion.span);
  const ground = terrain.heightAt(motion.x + look.meetX, motion.y + look.meetY);
  const eye = motion.focusHeight + (motion.span * look.sinPitch) / look.widening;
  return ground + settings.ground.clearance - eye;
}
