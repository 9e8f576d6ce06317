/** What keeps the camera on the map: the bounds of the settings, made ready. */
import { clamp, convexHull } from '../math/index.ts';
import {
  edgesOf,
  FARTHEST_IN_MIN_SPANS,
  isZoomLimited,
  ringsOf,
  type FullBounds,
  type FullSettings,
} from '../settings/index.ts';
import { ScratchPoint, type Look, type Point, type Pose } from '../view/index.ts';
import { Coast } from './coast.ts';
import { Convex, fitInConvex, Inlay, keepInConvex, NOTHING, roomInConvex } from './convex.ts';
import { Disc, keepInDisc, radiusOf } from './disc.ts';

/** World units. */
type Shape =
  | {
      readonly kind: 'rectangle';
      readonly left: number;
      readonly top: number;
      readonly right: number;
      readonly bottom: number;
    }
  | { readonly kind: 'disc'; readonly x: number; readonly y: number; readonly radius: number }
  | { readonly kind: 'convex'; readonly convex: Convex }
  | { readonly kind: 'coast'; readonly coast: Coast };

export interface Boundary {
  readonly shape: Shape;
  /** The whole view stays inside; else the focus alone. */
  readonly view: boolean;
  /** How far it may reach over the edge: in world units, and in spans. */
  readonly margin: number;
  readonly screenMargin: number;
  /** The zoom is limited so that the view always fits. */
  readonly limitsZoom: boolean;
  /** How far a hand can pull it over the edge at most, in spans. */
  readonly elastic: number;
  /** How large a view fits, for the look that it was asked of last. */
  readonly fit: Fit;
}

class Fit {
  look: Look | null = null;
  version = -1;
  max = NaN;
  span = NaN;
}

/** No coordinate that settings may have is farther from 0. */
const FARTHEST = 1e12;

/**
 * The boundary that `settings` ask for; without bounds, the edge of what float64 holds finely.
 *
 * @param before a boundary and the settings that it is of: a shape that is the same is not made anew
 */
export function boundaryOf(settings: FullSettings, before?: { boundary: Boundary; settings: FullSettings }): Boundary {
  const { bounds, zoom, wrap } = settings;
  const edge = Math.min(FARTHEST, zoom.minSpan * FARTHEST_IN_MIN_SPANS);
  const far = { left: -edge, top: -edge, right: edge, bottom: edge };
  if (bounds === null)
    return {
      shape: { kind: 'rectangle', ...far },
      view: false,
      margin: 0,
      screenMargin: 0,
      limitsZoom: false,
      elastic: 0,
      fit: new Fit(),
    };
  const { keep, margin, screenMargin, elastic } = bounds;
  const same = before?.settings.bounds;
  const isSame =
    same?.keep === keep && same.polygon === bounds.polygon && same.area === bounds.area && bounds.left === undefined;
  const shape = isSame && bounds.circle === undefined && before !== undefined ? before.boundary.shape : shapeOf(bounds);
  return {
    shape:
      shape.kind === 'rectangle'
        ? {
            kind: 'rectangle',
            left: wrap.x === null ? shape.left : far.left,
            top: wrap.y === null ? shape.top : far.top,
            right: wrap.x === null ? shape.right : far.right,
            bottom: wrap.y === null ? shape.bottom : far.bottom,
          }
        : shape,
    view: keep === 'view',
    margin: keep === 'view' ? margin : 0,
    screenMargin: keep === 'view' ? screenMargin : 0,
    limitsZoom: isZoomLimited(settings),
    elastic,
    fit: new Fit(),
  };
}

function shapeOf(bounds: FullBounds): Shape {
  const { left, top, right, bottom, circle, keep } = bounds;
  if (circle !== undefined) return { kind: 'disc', ...circle };
  if (left !== undefined && top !== undefined && right !== undefined && bottom !== undefined)
    return { kind: 'rectangle', left, top, right, bottom };
  if (keep === 'focus') return { kind: 'coast', coast: new Coast(edgesOf(bounds)) };
  const rings = ringsOf(bounds).map(({ ring }) => ring);
  return { kind: 'convex', convex: new Convex(convexHull(rings.flat())) };
}

/**
 * How far a focus is from where it is kept, in world units; 0 when all is well. What a hand pulls
 * over the edge counts too.
 */
export function excessOf(boundary: Boundary, look: Look, pose: Pick<Pose, 'x' | 'y' | 'span'>): number {
  const { x, y } = pose;
  const { shape } = boundary;
  if (shape.kind === 'coast') return shape.coast.contains(x, y) ? 0 : shape.coast.nearestEdge(x, y, kept);
  keepInside(boundary, look, pose, pose, pose, kept);
  return Math.sqrt((kept.x - x) * (kept.x - x) + (kept.y - y) * (kept.y - y));
}

const kept = new ScratchPoint();

/** The middle of the shape's extent and its size: the default start. */
export function middleOf({ shape }: Boundary): { x: number; y: number; wide: number; high: number } {
  switch (shape.kind) {
    case 'rectangle': {
      const { left, top, right, bottom } = shape;
      return { x: (left + right) / 2, y: (top + bottom) / 2, wide: right - left, high: bottom - top };
    }
    case 'disc':
      return { x: shape.x, y: shape.y, wide: 2 * shape.radius, high: 2 * shape.radius };
    case 'convex':
      return shape.convex.middle;
    case 'coast':
      return shape.coast.middle;
  }
}

/** Without bounds. */
const FARTHEST_ZOOM = 4096;

/** The farthest zoom where the settings name none, as a span in world units: no view that fits inside is larger. */
export function farthestZoom(boundary: Boundary, { bounds }: FullSettings): number {
  if (bounds === null) return FARTHEST_ZOOM;
  const { wide, high } = middleOf(boundary);
  if (!boundary.limitsZoom) return Math.max(wide, high);
  return (wide + high + 2 * Math.max(0, boundary.margin)) / (1 - 2 * Math.max(0, boundary.screenMargin));
}

const inlay = new Inlay();
const disc = new Disc();

/** For `keepInside`: there is no focus to slide from. Both are NaN. */
export const ANYWHERE: Readonly<Point> = new ScratchPoint();

/**
 * The focus that is nearest to `desired` and inside; for a coast, the one to which it slides from where
 * it was.
 *
 * @param out may be `desired`
 */
export function keepInside(
  boundary: Boundary,
  look: Look,
  { span }: Pick<Pose, 'span'>,
  desired: Readonly<Point>,
  from: Readonly<Point>,
  out: Point,
): void {
  const { x, y } = desired;
  const { shape } = boundary;
  const margin = boundary.margin + boundary.screenMargin * span;
  // As far as the view may reach over an edge, the focus may as well: so it is inside wherever a view that fits is.
  const focusMargin = Math.max(0, margin);
  if (shape.kind === 'convex') {
    if (look.isWithin((roomInConvex(shape.convex, desired) + margin) / span)) {
      out.x = x;
      out.y = y;
      return;
    }
  }
  const corners = boundary.view ? look.corners : NOTHING;
  switch (shape.kind) {
    case 'rectangle': {
      const { left, top, right, bottom } = shape;
      if (boundary.view) {
        // As near as the ends let it; or midway when they cross, but in the bounds.
        const westmost = left - margin - span * look.extentLeft;
        const eastmost = right + margin - span * look.extentRight;
        if (westmost < eastmost) out.x = Math.min(Math.max(x, westmost), eastmost);
        else out.x = clamp((westmost + eastmost) / 2, left - focusMargin, right + focusMargin);
        const upmost = top - margin - span * look.extentTop;
        const downmost = bottom + margin - span * look.extentBottom;
        if (upmost < downmost) out.y = Math.min(Math.max(y, upmost), downmost);
        else out.y = clamp((upmost + downmost) / 2, top - focusMargin, bottom + focusMargin);
      } else {
        out.x = clamp(x, left, right);
        out.y = clamp(y, top, bottom);
      }
      return;
    }
    case 'disc':
      disc.x = shape.x;
      disc.y = shape.y;
      disc.radius = Math.max(0, shape.radius + margin);
      disc.focusRadius = shape.radius + focusMargin;
      disc.corners = corners;
      disc.span = span;
      keepInDisc(disc, desired, out);
      return;
    case 'convex':
      inlay.corners = corners;
      inlay.span = span;
      inlay.margin = margin;
      keepInConvex(shape.convex, inlay, desired, out);
      return;
    case 'coast':
      shape.coast.slide(from, desired, out);
  }
}

/** The greatest span at which the view fits inside as it looks now, at most `max`; `max` where the zoom is not limited. The last answer is kept. */
export function maxSpanInside(boundary: Boundary, look: Look, max: number): number {
  if (!boundary.limitsZoom) return max;
  const { fit } = boundary;
  if (fit.look !== look || fit.version !== look.version || fit.max !== max) {
    fit.look = look;
    fit.version = look.version;
    fit.max = max;
    measureFit(boundary, look);
  }
  return fit.span;
}

function measureFit({ shape, margin, screenMargin, fit }: Boundary, look: Look): void {
  const { corners } = look;
  const { max } = fit;
  fit.span = max;
  switch (shape.kind) {
    case 'rectangle': {
      const wide = look.extentRight - look.extentLeft - 2 * screenMargin;
      const high = look.extentBottom - look.extentTop - 2 * screenMargin;
      if (wide > 0) fit.span = Math.min(fit.span, (shape.right - shape.left + 2 * margin) / wide);
      if (high > 0) fit.span = Math.min(fit.span, (shape.bottom - shape.top + 2 * margin) / high);
      fit.span = Math.max(0, fit.span);
      return;
    }
    case 'disc': {
      const radius = radiusOf(corners) - screenMargin;
      if (radius > 0) fit.span = Math.max(0, Math.min((shape.radius + margin) / radius, max));
      return;
    }
    case 'convex':
      inlay.corners = corners;
      inlay.span = max;
      inlay.margin = margin;
      inlay.screenMargin = screenMargin;
      fitInConvex(shape.convex, inlay);
      fit.span = inlay.span;
      return;
    case 'coast':
  }
}

/** Whether the view of a span fits inside with room to spare. Conservative: `false` means unknown. */
export function fitsByFar({ shape, margin, screenMargin, limitsZoom }: Boundary, look: Look, span: number): boolean {
  if (!limitsZoom) return true;
  if (margin < 0 || screenMargin < 0 || shape.kind === 'coast') return false;
  if (shape.kind === 'disc') return look.isWithin(shape.radius / span);
  if (shape.kind === 'convex') return look.isWithin(shape.convex.innerRadius / span);
  return look.isWithin(Math.min(shape.right - shape.left, shape.bottom - shape.top) / 2 / span);
}
