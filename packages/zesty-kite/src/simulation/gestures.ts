/** The gestures of a simulated player, and its options: plain data. */
import type { Button } from '../settings/index.ts';
import type { Point, View } from '../view/index.ts';

export interface SimulatedPlayerOptions {
  /** Frames per second; 60 when left out. The motion does not depend on it. */
  readonly rate?: number;
  /** The size of the screen, CSS pixels; 1280 × 800 when left out. */
  readonly screen?: { readonly width: number; readonly height: number; readonly density?: number };
  /** Called after each frame: draw, or look at it. */
  readonly onFrame?: (view: View) => void;
}

/** A drag with one button or finger, CSS pixels. */
export interface Drag {
  /** The place of the press, in CSS pixels. */
  readonly from: Point;
  /** The place of the lift, in CSS pixels. */
  readonly to: Point;
  /** How long it takes, seconds; 0.3 when left out. */
  readonly seconds?: number;
  /** `MouseLeft`, `MouseMiddle`, `Touch` and so on; `MouseMiddle` when left out. */
  readonly input?: Button;
  /** How long the pointer rests before it is lifted, seconds; 0.2 when left out, so that the map is not flung. */
  readonly rest?: number;
}

/** Two fingers, CSS pixels. */
export interface Pinch {
  /** The places where both fingers press, in CSS pixels. */
  readonly from: readonly [Point, Point];
  /** The places where both fingers lift, in CSS pixels. */
  readonly to: readonly [Point, Point];
  /** The duration in seconds. */
  readonly seconds?: number;
  /** Seconds without movement before the lift. */
  readonly rest?: number;
}
