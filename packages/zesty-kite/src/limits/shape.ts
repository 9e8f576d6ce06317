/** A shape of ground that keeps the camera inside. */
import type { FullBounds, ShapeChecks } from '../settings/index.ts';
import { NO_INSETS, type FrameOutline, type Point } from '../view/index.ts';
import type { Hint } from './hint.ts';

/** The part of a view that is kept inside, in spans from the focus: four corners, and how far they reach along the axes. */
export type Outline = Pick<FrameOutline, 'isWithin' | 'corners' | 'reach'>;

/** The middle of a shape, and its size along the axes. World units. */
export interface Extent {
  readonly x: number;
  readonly y: number;
  readonly wide: number;
  readonly high: number;
}

export interface Shape {
  readonly extent: Extent;
  /** A circle of this radius around a point inside is inside; 0 if that is not known. */
  readonly innerRadius: number;
  /** The radius of its edge, world units; Infinity for straight edges. */
  readonly radius: number;
  /** The focus slides along the edges, so its place depends on the way there. */
  readonly slides: boolean;
  /**
   * Sets `out` to the focus nearest to `desired` from which the outline is inside.
   *
   * @param margin world units by which the outline may reach out; below 0, stay away
   * @param from the focus before; NaN for none
   * @param out may be `desired`
   */
  keep(
    outline: Outline,
    span: number,
    margin: number,
    desired: Readonly<Point>,
    from: Readonly<Point>,
    out: Point,
  ): void;
  /**
   * Returns the greatest span, at most `max`, at which the outline fits inside somewhere.
   *
   * @param hint where to begin: the `hint` of an earlier call for a similar outline; null for none
   */
  maxSpan(outline: Outline, margin: number, screenMargin: number, max: number, hint: Readonly<Hint> | null): number;
  /** The edges that limited the span in the last call of `maxSpan`, overwritten by the next; null for a shape that needs no hint. */
  readonly hint: Readonly<Hint> | null;
  /** Returns the greatest span at which the outline is inside around a focus. */
  maxSpanAt(outline: Outline, x: number, y: number, margin: number, screenMargin: number): number;
  /** Returns how far a focus is outside, if the shape keeps the focus alone; world units. */
  excessAt?(x: number, y: number): number;
}

/** The drawing of shapes that are not built in. */
export interface ShapeOutlines extends Pick<ShapeChecks, 'names'> {
  /** Returns the rings of bounds. */
  outlinesOf(bounds: FullBounds): Point[][];
}

/** Shapes that are not built in, such as polygons. */
export interface ShapeKind extends ShapeChecks, ShapeOutlines {
  /** Returns the shape of bounds. */
  create(bounds: FullBounds): Shape;
}

/** The outline of the focus alone. */
export const FOCUS_ALONE: Outline = {
  isWithin: (radius) => radius > 0,
  corners: new Float64Array(8),
  reach: NO_INSETS,
};
