/** Does it show? For culling. */
import { checkView } from '../messages/index.ts';
import { ScratchDepth, ScratchSpot } from './scratch.ts';
import type { Spot } from './pose.ts';
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
  view.eye(eye);
  view.forward(forward);
  view.right(right);
  view.up(up);
  const perspective = projection.invFocal > 0;
  // How far the sides open for each unit of depth, and where they are at the eye.
  const per = perspective ? 1 / (scale * toFocus) : 0;
  const at = perspective ? 0 : 1 / scale;
  const leftX = (part === null ? 0 : part.left) - projection.middleX;
  const rightX = (part === null ? view.width : part.right) - projection.middleX;
  const topY = projection.middleY - (part === null ? 0 : part.top);
  const bottomY = projection.middleY - (part === null ? view.height : part.bottom);
  set(1, -leftX * per, -leftX * at);
  plane(out, 0, right);
  set(-1, rightX * per, rightX * at);
  plane(out, 4, right);
  set(-1, topY * per, topY * at);
  plane(out, 8, up);
  set(1, -bottomY * per, -bottomY * at);
  plane(out, 12, up);
  set(0, 1, -near);
  plane(out, 16, right);
  set(0, -1, far);
  plane(out, 20, right);
  // Things that touch a side show, whatever the rounding.
  for (let k = 3; k < 24; k += 4) out[k] = (out[k] ?? 0) + HAIR * view.span;
  return out;
}

/** In spans. */
const HAIR = 1e-7;

/** A side of the view: `sign` along an axis of the screen, opening with depth, shifted at the eye. */
class Side {
  sign = NaN;
  open = NaN;
  shift = NaN;
}
const side = new Side();

function set(sign: number, open: number, shift: number): void {
  side.sign = sign;
  side.open = open;
  side.shift = shift;
}

/** `sign · axis + open · forward`, and `shift` at the eye; made one unit long. */
function plane(out: Float64Array, k: number, axis: Spot): void {
  const { sign, open, shift } = side;
  const a = sign * axis.x + open * forward.x;
  const b = sign * axis.y + open * forward.y;
  const c = sign * axis.height + open * forward.height;
  const unit = 1 / Math.sqrt(a * a + b * b + c * c);
  out[k] = a * unit;
  out[k + 1] = b * unit;
  out[k + 2] = c * unit;
  out[k + 3] = shift * unit - (out[k] ?? 0) * eye.x - (out[k + 1] ?? 0) * eye.y - (out[k + 2] ?? 0) * eye.height;
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
    const reach = radius * Math.sqrt(a * a + b * b);
    if (a * x + b * y + c * height + (planes[k + 3] ?? 0) + reach < 0) return false;
  }
  return true;
}

const depth = new ScratchDepth();
const eye = new ScratchSpot();
const forward = new ScratchSpot();
const right = new ScratchSpot();
const up = new ScratchSpot();
