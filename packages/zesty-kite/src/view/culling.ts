/** Does it show? For culling. */
import { norm } from '../math/index.ts';
import { checkView } from '../messages/index.ts';
import { ScratchDepth } from './scratch.ts';
import type { View } from './view.ts';

/** An upright box: left ≤ right, top ≤ bottom, low ≤ high, world units. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  /** The lowest height. */
  readonly low: number;
  /** The greatest height. */
  readonly high: number;
}

/** A part of the screen, CSS pixels: left ≤ right, top ≤ bottom; it may reach beyond the screen. */
export interface ScreenRectangle {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/**
 * Returns the planes of the left, right, top, bottom, near and far sides of a view: a, b, c and d each, with a·x + b·y + c·height +
 * d ≥ 0 on the visible side. (a, b, c) is one unit long.
 *
 * ```ts
 * const planes = frustumPlanes(view, out);
 * const visible = barges.filter(({ x, y }) => showsCircle(planes, x, y, 0, 4));
 * ```
 *
 * @param part of the screen; all of it by default
 */
export function frustumPlanes(
  view: View,
  out: Float64Array = new Float64Array(24),
  part: ScreenRectangle | null = null,
): Float64Array {
  checkView('frustumPlanes', view);
  const { projection, scale } = view;
  const { near, far, toFocus } = view.depth(depth);
  // How far a side opens for each unit of depth, at a pixel from the middle.
  const open = projection.invFocal > 0 ? 1 / (scale * toFocus) : 0;
  const fromLeft = projection.middleX - (part === null ? 0 : part.left);
  const fromRight = (part === null ? view.width : part.right) - projection.middleX;
  const fromTop = projection.middleY - (part === null ? 0 : part.top);
  const fromBottom = (part === null ? view.height : part.bottom) - projection.middleY;
  plane(view, 1, 0, fromLeft * open, fromLeft / scale, out, 0);
  plane(view, -1, 0, fromRight * open, fromRight / scale, out, 4);
  plane(view, 0, -1, fromTop * open, fromTop / scale, out, 8);
  plane(view, 0, 1, fromBottom * open, fromBottom / scale, out, 12);
  plane(view, 0, 0, 1, toFocus - near, out, 16);
  plane(view, 0, 0, -1, far - toFocus, out, 20);
  return out;
}

/** Things that touch a side show, whatever the rounding: so much, in spans. */
const HAIR = 1e-7;

/**
 * Writes the plane with a normal along screen-right, screen-up and forward, made one unit long.
 *
 * @param inside how far inside the focus is, in the length of the normal
 */
function plane(
  { projection, x, y, focusHeight, span }: View,
  right: number,
  up: number,
  forward: number,
  inside: number,
  out: Float64Array,
  k: number,
): void {
  const { sinHeading, cosHeading, sinPitch, cosPitch } = projection;
  const unit = 1 / Math.sqrt(right * right + up * up + forward * forward);
  const level = up * sinPitch + forward * cosPitch;
  const a = (right * cosHeading + level * sinHeading) * unit;
  const b = (right * sinHeading - level * cosHeading) * unit;
  const c = (up * cosPitch - forward * sinPitch) * unit;
  out[k] = a;
  out[k + 1] = b;
  out[k + 2] = c;
  out[k + 3] = inside * unit - a * x - b * y - c * focusHeight + HAIR * span;
}

/**
 * Returns true if a part of a box may show. A box that lies just off an edge of the view may be true, too.
 *
 * ```ts
 * const planes = frustumPlanes(view, out); // once a frame
 * if (showsBox(planes, { left: 0, top: 0, right: 16, bottom: 16, low: 0, high: 8 })) drawHouse();
 * ```
 *
 * @param planes of the view, from `frustumPlanes`
 */
export function showsBox(planes: Float64Array, { left, top, right, bottom, low, high }: Box): boolean {
  for (let k = 0; k < 24; k += 4) {
    const a = planes[k] ?? 0;
    const b = planes[k + 1] ?? 0;
    const c = planes[k + 2] ?? 0;
    const farthest = a * (a > 0 ? right : left) + b * (b > 0 ? bottom : top) + c * (c > 0 ? high : low);
    if (farthest + (planes[k + 3] ?? 0) < 0) return false;
  }
  return true;
}

/**
 * Returns true if a part of a level circle may show. See `showsBox`.
 *
 * ```ts
 * if (showsCircle(frustumPlanes(view, out), barge.x, barge.y, 0, 4)) drawBarge();
 * ```
 */
export function showsCircle(planes: Float64Array, x: number, y: number, height: number, radius: number): boolean {
  for (let k = 0; k < 24; k += 4) {
    const a = planes[k] ?? 0;
    const b = planes[k + 1] ?? 0;
    const c = planes[k + 2] ?? 0;
    const reach = radius * norm(a, b);
    if (a * x + b * y + c * height + (planes[k + 3] ?? 0) + reach < 0) return false;
  }
  return true;
}

const depth = new ScratchDepth();
