/** Near and far planes, fitted to the ground that shows. */
import { VIEW_LIMIT_SPANS, type Projection, type Viewpoint } from './projection.ts';
import type { Depth, Spot } from './pose.ts';

/** The least near, as a share of far, where ground may come right up to the eye. */
const NEAREST = 1e-6;
/** The near plane is at this share of the way from the eye to the focus, or nearer: what is framed shows whole. */
const NEAREST_SHARE = 1 / 64;
/** Things so high show whole if their foot shows, in spans: unless they reach up to the eye. */
const HIGH = 0.25;
/** Without perspective, things so high do: the eye stands farther off by their height. */
const HIGHER = 4;
/**
 * The planes stand farther out than the ground by this share of the distance, and by this share of a
 * span: what 32-bit floats make of matrices and points up to 10⁴ spans from the origin.
 */
const SLACK = 1e-3;
const ROUNDING = 0.01;
/** The greatest error of 32-bit floats, as a share of the distance that a point is counted from. */
const UNSURE = 2e-7;
const MAX_UNSURE = 4e-3;
/** Orthographic: farther out by this share of a span, and by this share of the depth of what shows. */
const APART = 1 / 32;
const DEEPER = 1 / 256;

/**
 * Nothing of the ground between its least and its greatest height is clipped, up to 64 spans from the focus, nor what stands on
 * it, up to a quarter of a span; also after matrices and points have been rounded to 32-bit floats.
 *
 * On the screen line v a plane that lies z above the focus has the depth
 * (span·S/q - z) / (S + q·v·C) from the eye, so that the extremes lie on the top and the bottom line.
 *
 * @param fromEye points are counted from the eye, so that all that shows is near
 */
export function fitDepth(view: Viewpoint, out: Depth, fromEye = false): Depth {
  const { projection, span, focusHeight, ground } = view;
  const { sinPitch, cosPitch, invFocal } = projection;
  const top = projection.v(0);
  const bottom = projection.v(view.height);
  const lowest = Math.min(ground.lowest, focusHeight) - focusHeight;
  const highest = Math.max(ground.highest, focusHeight) - focusHeight;
  if (invFocal === 0) {
    const flatness = 1 / sinPitch;
    const nearest = -(bottom * span * cosPitch + highest) * flatness;
    const farthest = -(top * span * cosPitch + lowest) * flatness;
    const apart = span * APART + (farthest - nearest) * DEEPER;
    out.near = span / 2;
    out.toFocus = span / 2 + apart - nearest + HIGHER * span * sinPitch;
    out.far = out.toFocus + farthest + apart;
    return out;
  }
  const toFocus = span / invFocal;
  const eye = toFocus * sinPitch;
  const steepest = projection.steepness(bottom);
  const flattest = projection.steepness(top);
  const sight = toFocus + VIEW_LIMIT_SPANS * span * cosPitch - lowest * sinPitch;
  const far = flattest > 0 ? Math.min(sight, (eye - lowest) / flattest) : sight;
  const nearest = (eye - highest) / steepest;
  const unsure = fromEye ? 0 : Math.min(MAX_UNSURE * span, UNSURE * (Math.abs(view.x) + Math.abs(view.y)));
  const things = nearest - HIGH * span * sinPitch;
  const bare = Math.min(nearest * (1 - SLACK), nearest - ROUNDING * span);
  const near = Math.max(Math.min(bare, things, toFocus * NEAREST_SHARE), far * NEAREST + unsure);
  // The flatter depth runs out toward the far plane, the farther out it has to stand to differ from it.
  const beyond = Math.max(SLACK, (4e-7 * far) / near, (ROUNDING * span) / near);
  out.toFocus = toFocus;
  out.near = near;
  out.far = far * (1 + beyond);
  return out;
}

/** How far from the plane of the focus toward the eye things show whole, whatever their height, in spans. */
export function wholeWithin({ invFocal, sinPitch }: Projection): number {
  const within = invFocal > 0 ? (1 - NEAREST_SHARE) / invFocal : HIGHER * sinPitch;
  return within * (1 - 1e-6);
}

/** The eye, at a depth. */
export function placeEye({ projection, x, y, focusHeight }: Viewpoint, { toFocus }: Depth, out: Spot): Spot {
  const { sinHeading, cosHeading, sinPitch, cosPitch } = projection;
  out.x = x - toFocus * cosPitch * sinHeading;
  out.y = y + toFocus * cosPitch * cosHeading;
  out.height = focusHeight + toFocus * sinPitch;
  return out;
}
