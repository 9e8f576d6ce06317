/** The pan over the ground: by held keys, an edge, a stick, or a glide. */
import type { Point } from '../view/index.ts';
import type { Part } from './part.ts';
import { VELOCITY_TOLERANCE } from './rest.ts';

export class Pan implements Part {
  /** Velocity shown, in pan speeds: right and down. */
  velocityX = -0;
  velocityY = -0;
  /** The velocity being eased to. */
  targetX = -0;
  targetY = -0;
  /** The part along the axes of the world, in pan speeds. */
  targetEast = -0;
  targetSouth = -0;
  /** It glides on after a hand let go. */
  isGliding = false;
  /** No frames are being drawn: what is held counts as let go, and what eases goes on. */
  isStalled = false;
  /** The side on which the switch of the speed is. */
  isFar = false;
  /** How far the present step goes: the focus, or what a zoom holds; world units. */
  stepX = -0;
  stepY = -0;

  copyFrom(other: Pan): void {
    this.velocityX = other.velocityX;
    this.velocityY = other.velocityY;
    this.targetX = other.targetX;
    this.targetY = other.targetY;
    this.targetEast = other.targetEast;
    this.targetSouth = other.targetSouth;
    this.isGliding = other.isGliding;
    this.isStalled = other.isStalled;
    this.isFar = other.isFar;
    this.stepX = other.stepX;
    this.stepY = other.stepY;
  }

  /** Held keys set a velocity. */
  get isDriven(): boolean {
    return !this.isStalled && this.isAsked;
  }

  /** The same, whether frames are drawn or not. */
  get isAsked(): boolean {
    return this.targetX !== 0 || this.targetY !== 0 || this.targetEast !== 0 || this.targetSouth !== 0;
  }

  get isMoving(): boolean {
    return this.velocityX !== 0 || this.velocityY !== 0;
  }

  /** The present step goes somewhere. */
  get steps(): boolean {
    return this.stepX !== 0 || this.stepY !== 0;
  }

  /** Stops at once. */
  stop(): void {
    this.velocityX = this.velocityY = 0;
    this.isGliding = false;
  }

  /** Goes no farther in this step. */
  endStep(): void {
    this.stepX = this.stepY = 0;
  }

  /**
   * Eases the velocity on by a step, and sets how far the step goes, right and down: the velocity at its middle times `way`.
   *
   * @param midway what is left of the velocity after half of the step
   * @param way world units that a velocity of 1 goes in the step
   * @param target the velocity to ease to
   */
  step(midway: number, way: number, target: Readonly<Point>): void {
    const targetX = this.isStalled ? 0 : target.x;
    const targetY = this.isStalled ? 0 : target.y;
    const awayX = (this.velocityX - targetX) * midway;
    const awayY = (this.velocityY - targetY) * midway;
    this.stepX = (targetX + awayX) * way;
    this.stepY = (targetY + awayY) * way;
    this.velocityX = targetX + zeroIfSmall(awayX * midway);
    this.velocityY = targetY + zeroIfSmall(awayY * midway);
  }
}

function zeroIfSmall(away: number): number {
  return Math.abs(away) < VELOCITY_TOLERANCE ? 0 : away;
}
