/** The bounds of the settings, made ready: a shape, and how it is applied. */
import { norm } from '../math/index.ts';
import { farthestCoordinate, isZoomLimited, sentence, type FullBounds, type FullSettings } from '../settings/index.ts';
import { ScratchPoint, type Projection, type Point, type Pose } from '../view/index.ts';
import { Disc } from './disc.ts';
import type { Hint } from './hint.ts';
import { Rectangle } from './rectangle.ts';
import { FOCUS_ALONE, type Shape, type ShapeKind, type ShapeOutlines } from './shape.ts';

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
  projection: Projection | null = null;
  version = -1;
  max = NaN;
  hint: Readonly<Hint> | null = null;
  span = NaN;
}

/**
 * Returns the boundary of settings; without bounds, the edge of what float64 holds finely.
 *
 * @param kinds of shapes besides rectangles and circles
 * @param before settings and their shape: one that stays the same is not made again
 */
export function boundaryOf(settings: FullSettings, kinds: readonly ShapeKind[], before?: KnownShape): Boundary {
  const { bounds } = settings;
  const isView = bounds?.keep === 'view';
  return {
    shape: shapeOf(settings, kinds, before),
    view: isView,
    margin: isView ? bounds.margin : 0,
    screenMargin: isView ? bounds.screenMargin : 0,
    limitsZoom: isZoomLimited(settings),
    elastic: bounds?.elastic ?? 0,
    fit: new Fit(),
  };
}

/** Settings whose shape is made already. */
export interface KnownShape {
  readonly settings: FullSettings;
  readonly shape: Shape;
}

function shapeOf(settings: FullSettings, kinds: readonly ShapeKind[], before?: KnownShape): Shape {
  const { bounds, wrap, zoom } = settings;
  const was = before?.settings;
  // With bounds and without copies the shape does not depend on the zoom range.
  const isFixed = bounds !== null && wrap.x === null && wrap.y === null;
  if (before && was?.bounds === bounds && was.wrap === wrap && (isFixed || was.zoom === zoom)) return before.shape;
  const edge = farthestCoordinate(settings);
  if (bounds === null) return new Rectangle(-edge, -edge, edge, edge);
  const { keep, left, top, right, bottom, circle } = bounds;
  if (circle !== undefined) return new Disc(circle.x, circle.y, circle.radius);
  if (left !== undefined && top !== undefined && right !== undefined && bottom !== undefined) {
    const { x, y } = wrap;
    return new Rectangle(
      x === null ? left : -edge,
      y === null ? top : -edge,
      x === null ? right : edge,
      y === null ? bottom : edge,
    );
  }
  // A coast takes a while to make.
  const known = was?.bounds;
  if (before && known?.keep === keep && known.polygon === bounds.polygon && known.area === bounds.area)
    return before.shape;
  return kindOf(bounds, kinds).create(bounds);
}

/** The settings have been checked: one of the kinds is that of the bounds. */
export function kindOf<K extends ShapeOutlines>(bounds: FullBounds, kinds: readonly K[]): K {
  const kind = kinds.find(({ names }) => names.some((name) => bounds[name] !== undefined));
  if (kind === undefined)
    throw new RangeError(
      sentence({ path: 'bounds', got: 'a shape without its code', expected: 'its kind in options.shapes' }),
    );
  return kind;
}

/**
 * How far a focus is from where it is kept, in world units; 0 when all is well. What a hand pulls
 * over the edge counts too.
 */
export function excessOf(boundary: Boundary, projection: Projection, pose: Pick<Pose, 'x' | 'y' | 'span'>): number {
  const { x, y } = pose;
  const { shape } = boundary;
  if (shape.excessAt !== undefined) return shape.excessAt(x, y);
  const kept = new ScratchPoint();
  keepInside(boundary, projection, pose, pose, pose, kept);
  return norm(kept.x - x, kept.y - y);
}

/** Without bounds. */
const FARTHEST_ZOOM = 4096;

/** The farthest zoom where the settings name none, as a span in world units: no view that fits inside is larger. */
export function farthestZoom({ shape, limitsZoom, margin, screenMargin }: Boundary, { bounds }: FullSettings): number {
  if (bounds === null) return FARTHEST_ZOOM;
  const { wide, high } = shape.extent;
  if (!limitsZoom) return Math.max(wide, high);
  return (wide + high + 2 * Math.max(0, margin)) / (1 - 2 * Math.max(0, screenMargin));
}

/** For `keepInside`: there is no focus to slide from. Both are NaN. */
export const ANYWHERE: Readonly<Point> = new ScratchPoint();

/**
 * Sets `out` to the focus that is nearest to `desired` and inside; along a shape whose edges the focus slides along, to the one that
 * it comes to from `from`.
 *
 * @param out may be `desired`
 */
export function keepInside(
  { shape, view, margin, screenMargin }: Boundary,
  projection: Projection,
  { span }: Pick<Pose, 'span'>,
  desired: Readonly<Point>,
  from: Readonly<Point>,
  out: Point,
): void {
  shape.keep(view ? projection.outline : FOCUS_ALONE, span, margin + screenMargin * span, desired, from, out);
}

/**
 * The greatest span at which the view fits inside as it looks now, at most `max`; `max` if the zoom is not limited. The last answer is
 * kept.
 *
 * @param hint that of the shape, from a similar look
 */
export function maxSpanInside(
  boundary: Boundary,
  projection: Projection,
  max: number,
  hint: Readonly<Hint> | null = null,
): number {
  const { shape, margin, screenMargin, limitsZoom, fit } = boundary;
  if (!limitsZoom) return max;
  if (fit.projection !== projection || fit.version !== projection.version || fit.max !== max || fit.hint !== hint) {
    fit.projection = projection;
    fit.version = projection.version;
    fit.max = max;
    fit.hint = hint;
    fit.span = shape.maxSpan(projection.outline, margin, screenMargin, max, hint);
  }
  return fit.span;
}

/** The greatest span, at most `max`, at which the view around a focus is inside; `max` if the view is not kept inside. World units. */
export function maxSpanAt(boundary: Boundary, projection: Projection, x: number, y: number, max: number): number {
  const { shape, view, margin, screenMargin } = boundary;
  return view ? Math.min(shape.maxSpanAt(projection.outline, x, y, margin, screenMargin), max) : max;
}

/** Whether the view of a span fits inside with room to spare. Conservative: `false` means unknown. */
export function fitsByFar({ shape, margin, screenMargin }: Boundary, projection: Projection, span: number): boolean {
  return margin >= 0 && screenMargin >= 0 && projection.outline.isWithin(shape.innerRadius / span);
}
