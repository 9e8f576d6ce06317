/** The pose of the camera, and the screen and ground that it is for: plain data. */
import type { Spot, Terrain } from '../ground/index.ts';

export type { Spot };

/** A point: of the ground in world units, or of the screen in CSS pixels from its top left. */
export interface Point {
  x: number;
  y: number;
}

/** The screen point of a point in space. */
export interface ScreenPoint extends Point {
  /**
   * World units along the view direction: from the eye, or from the focus where the lens is
   * orthographic.
   */
  depth: number;
  /** Not behind the eye. */
  inFront: boolean;
}

/** Distances from the eye along the view direction, world units: 0 < near < far. */
export interface Depth {
  /** The distance of the near plane, in world units. */
  near: number;
  /** The distance of the focus, in world units. */
  toFocus: number;
  /** The distance of the far plane, in world units. */
  far: number;
}

/** The pose: all numbers of the camera's place. */
export interface Pose {
  /** The focus: world units to the right of an unturned screen. */
  x: number;
  /** The focus: world units toward the bottom of an unturned screen. */
  y: number;
  /** The height of the focus, world units; 0 on flat ground. */
  focusHeight: number;
  /** World units from the top to the bottom of the safe frame, through the focus, square to the view. */
  span: number;
  /** Degrees clockwise, seen from above; 0 has screen-up along -y. Not wrapped. */
  heading: number;
  /** Degrees that it looks down, 1 … 90; 90 is straight down. */
  pitch: number;
  /** Vertical field of view of the whole screen in degrees, below 179; 0 for an orthographic lens. */
  fieldOfView: number;
}

/** A pose as it is written down: what is left out is 0, and the pitch 90. */
export type PoseInput = Pick<Pose, 'x' | 'y' | 'span'> & Partial<Pose>;

/** The size of what is drawn on, in CSS pixels. */
export interface Screen {
  readonly width: number;
  readonly height: number;
  /** Device pixels per CSS pixel; 1 by default. Only zoom stops in device pixels use it. */
  readonly density?: number;
}

/** How far panels reach in from each side of the screen, in CSS pixels. */
export interface Insets {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** The ground of a view. */
export interface Ground {
  /** The least height of anything on it, world units. */
  readonly lowest: number;
  /** The greatest height of anything on it, world units. */
  readonly highest: number;
  /** Its heights; flat when left out. */
  readonly terrain?: Terrain | null;
  /** The period of the world, in world units; 0 or left out for none. */
  readonly periodX?: number;
  readonly periodY?: number;
}

/** A map from level ground to CSS pixels, in the form that a 2D canvas takes. */
export interface Affine {
  a: number;
  b: number;
  c: number;
  d: number;
  e: number;
  f: number;
}

/** A line of sight: all points `start + t · along`, t ≥ 0; `along` is one unit long. */
export interface Ray {
  /** The eye, or a place on its plane. */
  readonly start: Spot;
  /** The direction, of length 1. */
  readonly along: Spot;
}

/** Four corners of ground, x and y by turns, from the top left of the screen clockwise. */
export type Footprint = Float64Array;
