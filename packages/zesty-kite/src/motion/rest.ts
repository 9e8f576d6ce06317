/** When motion counts as over. */

/** A zoom has arrived when less than this is left of log₂(span). */
export const ZOOM_TOLERANCE = 1e-7;
/** A velocity has arrived when it is off by less than this, in screen heights per second. */
export const VELOCITY_TOLERANCE = 1e-6;
