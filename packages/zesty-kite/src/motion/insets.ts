/** How far panels reach in from each side, eased. CSS pixels. */
import type { Decay } from '../math/index.ts';
import type { Insets as Sides } from '../view/index.ts';
import type { Part } from './part.ts';
import { PIXEL_TOLERANCE } from './rest.ts';

export class Insets implements Part {
  left = -0;
  top = -0;
  right = -0;
  bottom = -0;
  /** They have not arrived. */
  isActive = false;

  copyFrom(other: Insets): void {
    this.left = other.left;
    this.top = other.top;
    this.right = other.right;
    this.bottom = other.bottom;
    this.isActive = other.isActive;
  }

  /** Eases on by a step. In the one after the last the zoom finds its goal for the panels as they are from then on. */
  step(target: Sides, { remaining }: Decay): void {
    this.isActive =
      this.left !== target.left ||
      this.top !== target.top ||
      this.right !== target.right ||
      this.bottom !== target.bottom;
    this.left = eased(this.left, target.left, remaining);
    this.top = eased(this.top, target.top, remaining);
    this.right = eased(this.right, target.right, remaining);
    this.bottom = eased(this.bottom, target.bottom, remaining);
  }

  /** Is there at once. */
  arriveAt({ left, top, right, bottom }: Sides): void {
    this.left = left;
    this.top = top;
    this.right = right;
    this.bottom = bottom;
  }
}

function eased(value: number, target: number, share: number): number {
  const off = (value - target) * share;
  return Math.abs(off) < PIXEL_TOLERANCE ? target : target + off;
}
