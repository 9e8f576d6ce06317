/** When motion counts as over. */

/** A zoom has arrived when less than this is left of log₂(span). */
export const ZOOM_TOLERANCE = 1e-7;
/** A velocity has arrived when it is off by less than this, in pan speeds. */
export const VELOCITY_TOLERANCE = 1e-6;
/** A heading, a pitch or a field of view has arrived when it is off by less than this, in degrees. */
export const ANGLE_TOLERANCE = 1e-6;
/** A focus height, or what was pulled over the edge, has arrived when it is off by less than this, in spans. */
export const LENGTH_TOLERANCE = 1e-7;
/** An inset has arrived when it is off by less than this, in CSS pixels. */
export const PIXEL_TOLERANCE = 1e-4;
