/** The focus: the point of the ground in the middle of the safe frame. World units. */
import { norm } from '../math/index.ts';
import type { Part } from './part.ts';
import { LENGTH_TOLERANCE } from './rest.ts';

export class Focus implements Part {
  /** The shown focus: the raw focus inside the bounds, plus the excess. */
  x = -0;
  y = -0;
  height = -0;
  /** The focus before bounds, which only pans, hands, placings and movers change: so what a turn or a tilt pushes away comes back. */
  rawX = -0;
  rawY = -0;
  /** How far a hand has pulled it over the edge. */
  excessX = -0;
  excessY = -0;
  /** A limit keeps a held point from its screen point. */
  isLimited = false;

  copyFrom(other: Focus): void {
    this.x = other.x;
    this.y = other.y;
    this.height = other.height;
    this.rawX = other.rawX;
    this.rawY = other.rawY;
    this.excessX = other.excessX;
    this.excessY = other.excessY;
    this.isLimited = other.isLimited;
  }

  get isStretched(): boolean {
    return this.excessX !== 0 || this.excessY !== 0;
  }

  /** Forgets what was pulled over the edge; it stays where it would be without. */
  undoElastic(): void {
    this.x -= this.excessX;
    this.y -= this.excessY;
    this.excessX = this.excessY = 0;
  }

  /** The excess comes back by a step. */
  comeBack(remaining: number, span: number): void {
    const overX = this.excessX * remaining;
    const overY = this.excessY * remaining;
    this.undoElastic();
    if (norm(overX, overY) < LENGTH_TOLERANCE * span) return;
    this.excessX = overX;
    this.excessY = overY;
    this.x += overX;
    this.y += overY;
  }

  /**
   * A hand pulls it over the edge: the farther, the harder, and never beyond the cap.
   *
   * @param overX how far what is held wants it beyond the nearest that is allowed
   */
  stretch(overX: number, overY: number, cap: number): void {
    const share = cap > 0 ? cap / (cap + norm(overX, overY)) : 0;
    this.excessX = overX * share;
    this.excessY = overY * share;
  }

  /** Never beyond the cap, though the span may have become less. */
  capStretch(cap: number): void {
    const over = norm(this.excessX, this.excessY);
    const share = Math.min(1, cap / over);
    this.excessX *= share;
    this.excessY *= share;
    this.isLimited = true;
  }
}
