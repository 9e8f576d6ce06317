/**
 * Where the focus is, once zoom, heading, pitch and lens are known: as grips and pans want it, inside
 * the bounds; and, for what is shown, lifted clear of the ground below the eye.
 *
 * Where a screen ray meets a level plane, counted from the focus, does not depend on where the focus
 * is: hit = focus + offset. So focus = held - offset, exactly, at every span, pitch, heading and lens.
 */
import { keepInside } from '../limits/index.ts';
import { ScratchPoint, ScratchSpot, type Look, type Point } from '../view/index.ts';
import type { Motion } from './motion.ts';
import { solvePair } from './pair.ts';
import type { Rules } from './rules.ts';
import { showSpan } from './zoom.ts';

/** Where the focus ought to be, and where there is room for it. */
export class SolvedFocus {
  readonly desired = new ScratchPoint();
  readonly allowed = new ScratchPoint();
  /** Two grips want it at different places: a limit keeps one point from one finger. */
  gripsDisagree = false;
}

/** For callers that do not read it. */
const unread = new SolvedFocus();

/**
 * Sets the focus. Grips are solved as if nothing were ever lifted, so that one does not chase the
 * other: while the eye is lifted, what is held is off by the lift.
 *
 * @param out what it was made of
 */
export function solveFocus(motion: Motion, rules: Rules, look: Look, out = unread): void {
  const { desired, allowed } = out;
  from.x = motion.x - motion.excessX;
  from.y = motion.y - motion.excessY;
  motion.heldX += motion.panX;
  motion.heldY += motion.panY;
  if (motion.fingers === 2) solvePair(motion, rules, look);
  showSpan(motion, rules, look);
  findDesiredFocus(motion, look, out);
  keepInside(rules.boundary, look, motion, desired, from, allowed);
  if (!staysRaw(motion, rules)) {
    motion.rawX = allowed.x;
    motion.rawY = allowed.y;
  }
  motion.limited = allowed.x !== desired.x || allowed.y !== desired.y || out.gripsDisagree;
  if (motion.fingers > 0) stretch(motion, rules, out);
  else {
    // What was pulled over the edge is still on its way back.
    if (motion.excessX !== 0 || motion.excessY !== 0) capExcess(motion, rules);
  }
  motion.x = allowed.x + motion.excessX;
  motion.y = allowed.y + motion.excessY;
}

/**
 * Sets the focus height of what is shown: where it eases along, or higher where the eye would come
 * too close to the ground below it.
 */
export function raiseEye(motion: Motion, rules: Rules, look: Look): void {
  const missing = missingClearance(motion, rules, look);
  motion.focusHeight = motion.level;
  if (!(missing > 0)) return;
  motion.focusHeight += missing;
  motion.limited = true;
}

/** Half the height over which the eye begins to be raised, in spans. */
const SOFT = 0.1;

/**
 * How far the eye has to be raised to be clear of the envelope of the ground below it; world units, ≥ 0. It grows with the
 * missing height: from 0 a tenth of a span above the clearance, along a parabola, to all that is missing as far below.
 */
export function missingClearance(motion: Motion, rules: Rules, look: Look): number {
  if (rules.terrain === null || look.widening === 0) return 0;
  const { clearance } = rules.settings.ground;
  const eye = motion.level + (motion.span * look.sinPitch) / look.widening;
  // It may be clear even of the highest ground.
  const soft = SOFT * motion.span;
  if (eye > rules.terrain.highest + clearance + soft) return 0;
  look.meetBelowEye(motion);
  below.x = motion.x + look.meetX;
  below.y = motion.y + look.meetY;
  rules.terrain.sampleEnvelopeInto(below);
  const lacking = below.height + clearance - eye;
  if (lacking >= soft) return lacking;
  return lacking > -soft ? ((lacking + soft) * (lacking + soft)) / (4 * soft) : 0;
}

const below = new ScratchSpot();

/** Sets `desired` and `gripsDisagree`: where the focus ought to be, whatever the bounds say. */
export function findDesiredFocus(motion: Motion, look: Look, out: SolvedFocus): void {
  const { span, level } = motion;
  const { desired } = out;
  out.gripsDisagree = false;
  if (motion.holdsBelowEye) {
    look.meetBelowEye(motion);
    desired.x = motion.heldX - look.meetX;
    desired.y = motion.heldY - look.meetY;
    return;
  }
  if (!motion.gripping && motion.fingers === 0) {
    const pans = motion.panX !== 0 || motion.panY !== 0;
    desired.x = pans ? motion.x - motion.excessX + motion.panX : motion.rawX;
    desired.y = pans ? motion.y - motion.excessY + motion.panY : motion.rawY;
    return;
  }
  look.meet(look.u(motion.gripX), look.v(motion.gripY), span, motion.heldHeight - level);
  desired.x = motion.heldX - look.meetX;
  desired.y = motion.heldY - look.meetY;
  if (motion.fingers < 2) return;
  look.meet(look.u(motion.gripX2), look.v(motion.gripY2), span, motion.heldHeight2 - level);
  const offX = motion.heldX2 - look.meetX - desired.x;
  const offY = motion.heldY2 - look.meetY - desired.y;
  desired.x += offX / 2;
  desired.y += offY / 2;
  out.gripsDisagree = Math.abs(offX) + Math.abs(offY) > AGREED * span;
}

/** Nothing pans or holds: zoom, turn and tilt leave the raw focus alone. Along a coast it slides with what is shown. */
function staysRaw({ gripping, fingers, panX, panY }: Motion, { boundary }: Rules): boolean {
  return !gripping && fingers === 0 && panX === 0 && panY === 0 && boundary.shape.kind !== 'coast';
}

/** Two grips that want the focus nearer to each other than this agree; in spans. */
const AGREED = 1e-9;
/** Where the focus was before. */
const from = new ScratchPoint();

/** Never beyond the cap, though the span may have become less. */
function capExcess(motion: Motion, { boundary }: Rules): void {
  const { excessX, excessY } = motion;
  const over = Math.sqrt(excessX * excessX + excessY * excessY);
  const share = Math.min(1, (boundary.elastic * motion.span) / over);
  motion.excessX *= share;
  motion.excessY *= share;
  motion.limited = true;
}

/** A hand can pull the focus over the edge: the farther, the harder, and never beyond the cap. */
function stretch(motion: Motion, { boundary }: Rules, { desired, allowed }: SolvedFocus): void {
  const overX = desired.x - allowed.x;
  const overY = desired.y - allowed.y;
  const cap = boundary.elastic * motion.span;
  const share = cap > 0 ? cap / (cap + Math.sqrt(overX * overX + overY * overY)) : 0;
  motion.excessX = overX * share;
  motion.excessY = overY * share;
}
