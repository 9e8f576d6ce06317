/** What is left of a way of the focus, world units. */
import type { Motion, Part } from '../motion/index.ts';

export class Way implements Part {
  x = -0;
  y = -0;

  copyFrom(other: Way): void {
    this.x = other.x;
    this.y = other.y;
  }

  /** Goes a step, after which a share remains; what is less than a tolerance is gone at once. */
  goOn(motion: Motion, remaining: number, tolerance: number): void {
    const { x, y } = this;
    this.x *= remaining;
    this.y *= remaining;
    if (Math.abs(this.x) < tolerance && Math.abs(this.y) < tolerance) this.x = this.y = 0;
    motion.panX += x - this.x;
    motion.panY += y - this.y;
  }

  /** Goes all of it. */
  finish(motion: Motion): void {
    motion.panX += this.x;
    motion.panY += this.y;
  }
}
