/** The geometry of one pose on one screen. */
import type { Heights, Point, Pose, Screen } from './pose.ts';

/** A flat map from ground to CSS pixels, in the form that a 2D canvas takes. */
export interface Affine {
  a: number;
  b: number;
  c: number;
  d: number;
  e: number;
  f: number;
}

/** Four corners of ground, x and y by turns, from the top left clockwise. */
export type Footprint = Float64Array;

/**
 * Read-only for whoever draws. A camera hands out one view and aims it anew at each `advance`.
 *
 * ```ts
 * const under = view.toGround(event.offsetX, event.offsetY, point);
 * const { x, y } = view.toScreen(barge.x, barge.y, point);
 * ```
 */
export class View implements Pose {
  /** Focus, world units. */
  readonly x: number = 0;
  /** Focus, world units. */
  readonly y: number = 0;
  /** World units from the top to the bottom of the screen, > 0. */
  readonly span: number = 1;
  /** CSS pixels, > 0. */
  readonly width: number = 1;
  /** CSS pixels, > 0. */
  readonly height: number = 1;
  /** CSS pixels per world unit at the focus. */
  readonly scale: number = 1;
  /** The least height on the ground, world units. */
  readonly lowest: number = 0;
  /** The greatest height on the ground, world units. */
  readonly highest: number = 0;

  /** Where a ground point shows, in CSS pixels from the top left of the screen. */
  toScreen(x: number, y: number, out: Point = { x: 0, y: 0 }): Point {
    out.x = (x - this.x) * this.scale + this.width / 2;
    out.y = (y - this.y) * this.scale + this.height / 2;
    return out;
  }

  /** The ground point that shows at a screen point given in CSS pixels from the top left. */
  toGround(x: number, y: number, out: Point = { x: 0, y: 0 }): Point {
    out.x = this.x + (x - this.width / 2) / this.scale;
    out.y = this.y + (y - this.height / 2) / this.scale;
    return out;
  }

  /** The ground that shows: eight numbers, for culling and minimap frames. */
  footprint(out: Footprint = new Float64Array(8)): Footprint {
    const halfWidth = this.width / 2 / this.scale;
    const halfHeight = this.span / 2;
    out[0] = out[6] = this.x - halfWidth;
    out[2] = out[4] = this.x + halfWidth;
    out[1] = out[3] = this.y - halfHeight;
    out[5] = out[7] = this.y + halfHeight;
    return out;
  }

  /** The transform from ground to CSS pixels: `context.setTransform(view.affine())`. */
  affine(out: Affine = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 }): Affine {
    out.a = out.d = this.scale;
    out.b = out.c = 0;
    out.e = this.width / 2 - this.x * this.scale;
    out.f = this.height / 2 - this.y * this.scale;
    return out;
  }
}

type Aimed = { -readonly [K in keyof View]: View[K] };

/**
 * Points a view at a pose. For views that no camera owns: a minimap, a thumbnail, a test.
 *
 * @param screen both sides > 0
 */
export function aim(view: View, pose: Readonly<Pose>, screen: Screen, heights: Heights): View {
  const aimed: Aimed = view;
  aimed.x = pose.x;
  aimed.y = pose.y;
  aimed.span = pose.span;
  aimed.width = screen.width;
  aimed.height = screen.height;
  aimed.scale = screen.height / pose.span;
  aimed.lowest = heights.lowest;
  aimed.highest = heights.highest;
  return view;
}
