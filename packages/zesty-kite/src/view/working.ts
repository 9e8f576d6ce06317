/**
 * Objects for reckoning, set in every frame. Engines write numbers into a field of a class in place;
 * into one of an object literal they may not, and allocate a number for each write.
 */
import type { Depth } from './depth.ts';
import type { Insets, Point, Spot } from './pose.ts';

export class WorkingPoint implements Point {
  x = NaN;
  y = NaN;
}

export class WorkingSpot implements Spot {
  x = NaN;
  y = NaN;
  height = NaN;
}

export class WorkingDepth implements Depth {
  near = NaN;
  toFocus = NaN;
  far = NaN;
}

export class WorkingInsets implements Insets {
  left = NaN;
  top = NaN;
  right = NaN;
  bottom = NaN;
}
