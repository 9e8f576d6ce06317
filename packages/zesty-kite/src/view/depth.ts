/** Near and far planes, fitted to the ground that shows. */
import { SIGHT } from './look.ts';
import type { Spot } from './pose.ts';
import type { View } from './view.ts';

/** Distances from the eye along the view direction, world units: 0 < near < far. */
export interface Depth {
  near: number;
  toFocus: number;
  far: number;
}

/** The least near, as a share of far, where ground may come right up to the eye. */
const NEAREST = 1e-4;
/** The planes stand this much farther out than the ground, so that rounding clips nothing. */
const SLACK = 1e-6;

/**
 * Nothing of the ground between its least and its greatest height is clipped, up to 64 spans from
 * the focus.
 *
 * On the screen line v a plane that lies z above the focus has the depth
 * (span·S/q - z) / (S + q·v·C) from the eye, so that the extremes lie on the top and the bottom line.
 */
export function fitDepth(view: View, out: Depth): Depth {
  const { look, span, focusHeight, ground } = view;
  const { sinPitch, cosPitch, widening } = look;
  const top = look.v(0);
  const bottom = look.v(view.height);
  const lowest = Math.min(ground.lowest, focusHeight) - focusHeight;
  const highest = Math.max(ground.highest, focusHeight) - focusHeight;
  if (widening === 0) {
    const flatness = 1 / sinPitch;
    const nearest = -(bottom * span * cosPitch + highest) * flatness;
    const farthest = -(top * span * cosPitch + lowest) * flatness;
    out.near = span / 2;
    out.toFocus = span / 2 - nearest;
    out.far = out.toFocus + farthest + (farthest - nearest + span) * SLACK;
    return out;
  }
  const toFocus = span / widening;
  const eye = toFocus * sinPitch;
  const steepest = sinPitch + widening * bottom * cosPitch;
  const flattest = sinPitch + widening * top * cosPitch;
  const sight = toFocus + SIGHT * span * cosPitch - lowest * sinPitch;
  const far = flattest > 0 ? Math.min(sight, (eye - lowest) / flattest) : sight;
  out.toFocus = toFocus;
  out.far = far * (1 + SLACK);
  out.near = Math.max(((eye - highest) / steepest) * (1 - SLACK), far * NEAREST);
  return out;
}

/** Where it looks from, at a depth. */
export function placeEye({ look, x, y, focusHeight }: View, { toFocus }: Depth, out: Spot): Spot {
  const { sinHeading, cosHeading, sinPitch, cosPitch } = look;
  out.x = x - toFocus * cosPitch * sinHeading;
  out.y = y + toFocus * cosPitch * cosHeading;
  out.height = focusHeight + toFocus * sinPitch;
  return out;
}
