/**
 * Objects for results that are set in every frame: our own, and those that a view hands out. Engines write numbers into
 * a field of a class in place; into one of an object literal they may not, and allocate a number for each write.
 */
import type * as pose from './pose.ts';

class Point implements pose.Point {
  x = NaN;
  y = NaN;
}

class ScreenPoint extends Point implements pose.ScreenPoint {
  depth = NaN;
  inFront = true;
}

class Spot implements pose.Spot {
  x = NaN;
  y = NaN;
  height = NaN;
}

class Depth implements pose.Depth {
  /** The distance of the near plane, in world units. */
  near = NaN;
  /** The distance of the focus, in world units. */
  toFocus = NaN;
  /** The distance of the far plane, in world units. */
  far = NaN;
}

class Insets implements pose.Insets {
  left = NaN;
  top = NaN;
  right = NaN;
  bottom = NaN;
}

// Their names differ from those of objects that a caller passes: a printed one says its class.
export {
  Depth as ScratchDepth,
  Insets as ScratchInsets,
  Point as ScratchPoint,
  ScreenPoint as ScratchScreenPoint,
  Spot as ScratchSpot,
};
