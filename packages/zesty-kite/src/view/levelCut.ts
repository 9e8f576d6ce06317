/** The part of a level that shows in a box on the screen, seen from below: convex, and it may reach to the horizon. */
import { norm } from '../math/index.ts';
import { ScratchDepth } from './scratch.ts';
import type { View } from './view.ts';

/** The level part of a plane's normal, less of which is none. */
const FLAT = 1e-12;
/** The four sides of the box and the plane of the eye. */
const SIDES = 5;

export class LevelCut {
  /** The lines of the sides on the level: a, b and c of a·x + b·y + c ≥ 0, with (a, b) one unit long. */
  readonly #lines = new Float64Array(3 * SIDES);
  #length = 0;
  /** A side that is level itself leaves nothing. */
  #isEmpty = false;
  readonly #depth = new ScratchDepth();

  /**
   * @param planes of the box, as `frustumPlanes` gives them
   * @param level world units
   */
  set(view: View, planes: Float64Array, level: number): void {
    this.#length = 0;
    this.#isEmpty = false;
    const { near } = view.depth(this.#depth);
    for (let side = 0; side < SIDES; side++) {
      const k = 4 * side;
      const a = planes[k] ?? 0;
      const b = planes[k + 1] ?? 0;
      // The fifth plane is the near one: the eye lies behind it.
      const c = (planes[k + 2] ?? 0) * level + (planes[k + 3] ?? 0) + (side === 4 ? near : 0);
      const length = norm(a, b);
      if (length < FLAT) this.#isEmpty ||= c < 0;
      else this.#add(a / length, b / length, c / length);
    }
  }

  #add(a: number, b: number, c: number): void {
    this.#lines[this.#length] = a;
    this.#lines[this.#length + 1] = b;
    this.#lines[this.#length + 2] = c;
    this.#length += 3;
  }

  /** Whether a point lies in it, or no farther from it than `radius`: exact, as its nearest point is on an edge or at a corner. */
  isNear(x: number, y: number, radius: number): boolean {
    if (this.#isEmpty) return false;
    let inside = true;
    for (let i = 0; i < this.#length; i += 3) {
      const off = this.#off(i, x, y);
      if (off >= 0) continue;
      inside = false;
      if (-off > radius) return false;
      if (this.#isLeft(i, i, x - off * (this.#lines[i] ?? 0), y - off * (this.#lines[i + 1] ?? 0))) return true;
    }
    if (inside) return true;
    for (let i = 0; i < this.#length; i += 3)
      for (let k = 0; k < i; k += 3) if (this.#isCornerNear(i, k, x, y, radius)) return true;
    return false;
  }

  /** How far a point lies inside of a line; below 0 outside. */
  #off(i: number, x: number, y: number): number {
    return (this.#lines[i] ?? 0) * x + (this.#lines[i + 1] ?? 0) * y + (this.#lines[i + 2] ?? 0);
  }

  /** Whether a point that lies on two of the lines is inside of the others. */
  #isLeft(on: number, alsoOn: number, x: number, y: number): boolean {
    for (let i = 0; i < this.#length; i += 3) if (i !== on && i !== alsoOn && this.#off(i, x, y) < 0) return false;
    return true;
  }

  /** Whether two lines cross at a corner that lies near. Parallel lines cross nowhere: NaN compares as false. */
  #isCornerNear(i: number, k: number, x: number, y: number, radius: number): boolean {
    const a = this.#lines[i] ?? 0;
    const b = this.#lines[i + 1] ?? 0;
    const d = this.#lines[k] ?? 0;
    const e = this.#lines[k + 1] ?? 0;
    const off = this.#off(i, x, y);
    const other = this.#off(k, x, y);
    const cross = a * e - b * d;
    // From the point.
    const east = (b * other - e * off) / cross;
    const south = (d * off - a * other) / cross;
    return east * east + south * south <= radius * radius && this.#isLeft(i, k, x + east, y + south);
  }
}
