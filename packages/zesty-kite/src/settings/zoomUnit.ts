/** The types of a zoom. */

/** A zoom, by the scale, by the height of the eye above the focus, or by the field of view of a lens that zooms at `lens.distance`. */
export type ZoomUnit =
  | { readonly pixelsPerUnit: number }
  | { readonly eyeHeight: number }
  | { readonly fieldOfView: number };

/** A span in world units, or a zoom in another unit. */
export type Span = number | ZoomUnit;
