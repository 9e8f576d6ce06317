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
    this.isActive = false;
    for (const side of SIDES) {
      this.isActive ||= this[side] !== target[side];
      this[side] = eased(this[side], target[side], remaining);
    }
  }

  /** Is there at once. */
  arriveAt(target: Sides): void {
    for (const side of SIDES) this[side] = target[side];
  }
}

const SIDES = ['left', 'top', 'right', 'bottom'] as const;

function eased(value: number, target: number, share: number): number {
  const off = (value - target) * share;
  return Math.abs(off) < PIXEL_TOLERANCE ? target : target + off;
}
