/** A box that a player draws on the screen, and what of the game's things lies in it. */
import { checkView, refuse } from '../messages/index.ts';
import { nearestCopy } from './copies.ts';
import { frustumPlanes, showsBox, type Box, type ScreenRectangle } from './culling.ts';
import { LevelCut } from './levelCut.ts';
import { ScratchScreenPoint } from './scratch.ts';
import type { Footprint } from './pose.ts';
import type { View } from './view.ts';

/** Of a box. */
const CORNERS = 8;

/**
 * A rectangle on the screen that tests points, circles and boxes, for every lens and at every height. Hidden things count, too. In a
 * world that repeats itself, the copy nearest to the focus counts.
 *
 * ```ts
 * const box = new ScreenBox(); // once
 * box.set(view, 100, 100, 400, 300);
 * const chosen = barges.filter(({ x, y }) => box.touchesCircle(x, y, 4));
 * ```
 *
 * It is for the view at the time of `set`: call `set` again after `advance`. It makes no garbage.
 */
export class ScreenBox implements ScreenRectangle {
  readonly left: number = 0;
  readonly top: number = 0;
  readonly right: number = 0;
  readonly bottom: number = 0;
  /** The ground that shows in it, on the level plane through the focus: four corners, x and y by turns, from the top left clockwise; cut 64 spans beyond the focus. */
  readonly polygon: Footprint = new Float64Array(8);
  /** Its sides, near and far, as `frustumPlanes` gives them: for a spatial index. */
  readonly planes: Float64Array = new Float64Array(24);
  #view: View | null = null;
  /** The ground in it on another level, and which. */
  readonly #level: Footprint = new Float64Array(8);
  #levelHeight = NaN;
  readonly #cut = new LevelCut();
  /** The corners of a box on the screen, CSS pixels. */
  readonly #cornerX = new Float64Array(CORNERS);
  readonly #cornerY = new Float64Array(CORNERS);
  readonly #at = new ScratchScreenPoint();
  readonly #copy = { left: 0, top: 0, right: 0, bottom: 0, low: 0, high: 0 };

  /** Between any two opposite corners, CSS pixels from the top left of the screen. */
  set(view: View, fromX: number, fromY: number, toX: number, toY: number): this {
    checkView('ScreenBox.set', view);
    checkPixels('fromX', fromX);
    checkPixels('fromY', fromY);
    checkPixels('toX', toX);
    checkPixels('toY', toY);
    lay(this, fromX, fromY, toX, toY);
    this.#view = view;
    view.footprintOf(this.left, this.top, this.right, this.bottom, this.polygon);
    frustumPlanes(view, this.planes, this);
    this.#levelHeight = NaN;
    return this;
  }

  /** Whether a point shows in it. @param height world units; that of the focus when left out */
  hasPoint(x: number, y: number, height?: number): boolean {
    const view = this.#view;
    if (view === null) return false;
    const at = view.toScreen(x, y, height, this.#at);
    return at.inFront && at.x >= this.left && at.x <= this.right && at.y >= this.top && at.y <= this.bottom;
  }

  /** Whether any part of a level circle shows in it: exact. @param height world units; that of the focus when left out */
  touchesCircle(x: number, y: number, radius: number, height?: number): boolean {
    const view = this.#view;
    if (view === null) return false;
    const level = height ?? view.focusHeight;
    const { invFocal, sinPitch } = view.projection;
    const { periodX = 0, periodY = 0 } = view.ground;
    const atX = view.x + nearestCopy(x - view.x, periodX);
    const atY = view.y + nearestCopy(y - view.y, periodY);
    // Seen from below, a level may show up to the horizon and has no outline with corners.
    if (invFocal > 0 && level - view.focusHeight >= (view.span * sinPitch * (1 - 1e-6)) / invFocal) {
      this.#cut.set(view, this.planes, level);
      return this.#cut.isNear(atX, atY, radius);
    }
    if (level !== this.#levelHeight) {
      view.footprintOf(this.left, this.top, this.right, this.bottom, this.#level, level);
      this.#levelHeight = level;
    }
    return isNear(this.#level, atX, atY, radius);
  }

  /** Whether any part of an upright box shows in it: exact for one that is all before the eye; of others, hardly any too many. */
  touchesBox({ left, top, right, bottom, low, high }: Box): boolean {
    const view = this.#view;
    if (view === null) return false;
    const { periodX = 0, periodY = 0 } = view.ground;
    const midX = (left + right) / 2 - view.x;
    const midY = (top + bottom) / 2 - view.y;
    const west = nearestCopy(midX, periodX) - (right - left) / 2;
    const north = nearestCopy(midY, periodY) - (bottom - top) / 2;
    let allInFront = true;
    const at = this.#at;
    for (let i = 0; i < CORNERS; i++) {
      const east = (i & 1) === 0 ? west : west + right - left;
      const south = (i & 2) === 0 ? north : north + bottom - top;
      view.toScreenFromFocus(east, south, (i & 4) === 0 ? low : high, at);
      allInFront &&= at.inFront;
      this.#cornerX[i] = at.x;
      this.#cornerY[i] = at.y;
    }
    if (allInFront) return !this.#isApart();
    const copy = this.#copy;
    copy.left = view.x + west;
    copy.right = view.x + west + right - left;
    copy.top = view.y + north;
    copy.bottom = view.y + north + bottom - top;
    copy.low = low;
    copy.high = high;
    return showsBox(this.planes, copy);
  }

  /**
   * Returns true if a line separates it from the corners on the screen. Two convex shapes are apart if a side of one of them
   * does (the separating axis theorem); the outline of the box is made of its edges.
   */
  #isApart(): boolean {
    let minX = Infinity;
    let maxX = -Infinity;
    let minY = Infinity;
    let maxY = -Infinity;
    for (let i = 0; i < CORNERS; i++) {
      const x = this.#cornerX[i] ?? NaN;
      const y = this.#cornerY[i] ?? NaN;
      minX = Math.min(minX, x);
      maxX = Math.max(maxX, x);
      minY = Math.min(minY, y);
      maxY = Math.max(maxY, y);
    }
    if (maxX < this.left || minX > this.right || maxY < this.top || minY > this.bottom) return true;
    for (let i = 0; i < CORNERS; i++)
      for (let axis = 1; axis < CORNERS; axis *= 2) if ((i & axis) === 0 && this.#isBeyond(i, i | axis)) return true;
    return false;
  }

  /** Whether an edge of the box, made longer, has all of it on one side and the rectangle on the other. */
  #isBeyond(from: number, to: number): boolean {
    const cornerX = this.#cornerX;
    const cornerY = this.#cornerY;
    const startX = cornerX[from] ?? NaN;
    const startY = cornerY[from] ?? NaN;
    const alongX = (cornerX[to] ?? NaN) - startX;
    const alongY = (cornerY[to] ?? NaN) - startY;
    const hair = 1e-9 * (alongX * alongX + alongY * alongY);
    let least = 0;
    let most = 0;
    for (let i = 0; i < CORNERS; i++) {
      const side = alongX * ((cornerY[i] ?? NaN) - startY) - alongY * ((cornerX[i] ?? NaN) - startX);
      least = Math.min(least, side);
      most = Math.max(most, side);
    }
    // The rectangle's own least and most along the same normal.
    const across = -alongY;
    const down = alongX;
    const low =
      across * ((across > 0 ? this.left : this.right) - startX) + down * ((down > 0 ? this.top : this.bottom) - startY);
    const high =
      across * ((across > 0 ? this.right : this.left) - startX) + down * ((down > 0 ? this.bottom : this.top) - startY);
    return low > most + hair || high < least - hair;
  }
}

function checkPixels(name: string, value: unknown): void {
  if (typeof value !== 'number') refuse(`ScreenBox.set.${name}`, value, 'CSS pixels');
}

type Mutable = { -readonly [K in keyof ScreenRectangle]: number };

function lay(box: Mutable, fromX: number, fromY: number, toX: number, toY: number): void {
  box.left = Math.min(fromX, toX);
  box.right = Math.max(fromX, toX);
  box.top = Math.min(fromY, toY);
  box.bottom = Math.max(fromY, toY);
}

/** Whether a point is inside of a convex outline, or no farther from it than this. */
function isNear(outline: Footprint, x: number, y: number, radius: number): boolean {
  let inside = true;
  let sense = 0;
  for (let k = 0; k < 8; k += 2) {
    const fromX = outline[k] ?? NaN;
    const fromY = outline[k + 1] ?? NaN;
    const alongX = (outline[(k + 2) % 8] ?? NaN) - fromX;
    const alongY = (outline[(k + 3) % 8] ?? NaN) - fromY;
    const wayX = x - fromX;
    const wayY = y - fromY;
    // Of a box without a width, whatever lies on its line is on neither side of it: rounding must not say otherwise.
    const size = Math.abs(fromX) + Math.abs(fromY) + Math.abs(x) + Math.abs(y);
    const noise = ROUNDING * size * (Math.abs(alongX) + Math.abs(alongY) + Math.abs(wayX) + Math.abs(wayY));
    const exact = alongX * wayY - alongY * wayX;
    const side = Math.abs(exact) > noise ? exact : 0;
    if (side !== 0 && sense !== 0 && side > 0 !== sense > 0) inside = false;
    if (side !== 0) sense = side;
    const length = alongX * alongX + alongY * alongY;
    const share = length > 0 ? Math.min(1, Math.max(0, (alongX * wayX + alongY * wayY) / length)) : 0;
    const offX = wayX - share * alongX;
    const offY = wayY - share * alongY;
    if (offX * offX + offY * offY <= radius * radius) return true;
  }
  return inside && sense !== 0;
}

/** Of a coordinate, relative. */
const ROUNDING = 1e-15;
