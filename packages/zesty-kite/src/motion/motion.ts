/**
 * The kept values of a camera that moves: numbers only, so that a frame can copy them.
 *
 * They begin as -0 and NaN because engines keep a field that was a small whole number at first in
 * another form, and rebuild the object when the first fraction comes.
 */
import type { Pose } from '../view/index.ts';

export class Motion implements Pose {
  /** Focus shown, world units. */
  x = -0;
  y = -0;
  /** Span shown, world units. */
  span = NaN;

  /** The span that the player asked for, whatever the present screen allows. */
  wantedSpan = NaN;
  /** The span being eased to: `wantedSpan` inside the limits. */
  goalSpan = NaN;
  /** What is left of the zoom: log₂(span / goalSpan), halving every half-life. */
  left = -0;

  /** Pan velocity shown, screen heights per second: right and down. */
  velocityX = -0;
  velocityY = -0;
  /** The velocity being eased to. */
  targetX = -0;
  targetY = -0;
  /** Held-rate motion stands still: no frames are being drawn. */
  stalled = false;

  /** A ground point is held under a screen point; else the focus is, in the middle. */
  gripping = false;
  /** The held ground point, world units. */
  heldX = -0;
  heldY = -0;
  /** Where it is held, in screen heights from the middle: right and down. */
  gripX = -0;
  gripY = -0;
  /** A limit keeps the held point from its screen point. */
  limited = false;

  copyFrom(other: Motion): void {
    this.x = other.x;
    this.y = other.y;
    this.span = other.span;
    this.wantedSpan = other.wantedSpan;
    this.goalSpan = other.goalSpan;
    this.left = other.left;
    this.velocityX = other.velocityX;
    this.velocityY = other.velocityY;
    this.targetX = other.targetX;
    this.targetY = other.targetY;
    this.stalled = other.stalled;
    this.gripping = other.gripping;
    this.heldX = other.heldX;
    this.heldY = other.heldY;
    this.gripX = other.gripX;
    this.gripY = other.gripY;
    this.limited = other.limited;
  }
}

/** Whether held keys ask for a velocity. */
export function isDriven(motion: Motion): boolean {
  return motion.targetX !== 0 || motion.targetY !== 0;
}

/** Whether held keys move the focus, or it still glides. */
export function isPanning(motion: Motion): boolean {
  return !motion.stalled && (motion.velocityX !== 0 || motion.velocityY !== 0 || isDriven(motion));
}

/** Whether time changes nothing: at rest, or stalled with no zoom under way. */
export function isStill(motion: Motion): boolean {
  return motion.left === 0 && !isPanning(motion);
}

/** Whether nothing moves and nothing is held: only a signal can change this. */
export function isAtRest(motion: Motion): boolean {
  return motion.left === 0 && motion.velocityX === 0 && motion.velocityY === 0 && !isDriven(motion);
}
