/** Where the camera is, on what it is shown: plain data. */

/** A point: of the ground in world units, or of the screen in CSS pixels from its top left. */
export interface Point {
  x: number;
  y: number;
}

/** All that says where the camera is. */
export interface Pose {
  /** The focus: world units to the right. */
  x: number;
  /** The focus: world units toward the bottom of the unturned screen. */
  y: number;
  /** World units from the top to the bottom of the screen, through the focus. */
  span: number;
}

/** The size of what is drawn on, in CSS pixels. */
export interface Screen {
  readonly width: number;
  readonly height: number;
}

/** The range of heights of everything on the ground, in world units. */
export interface Heights {
  readonly lowest: number;
  readonly highest: number;
}
