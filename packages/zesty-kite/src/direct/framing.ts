/** The request and the answer of framing. */
import type { Insets, Point } from '../view/index.ts';

export interface FrameOptions {
  /** How much of the safe frame stays free at its sides, CSS pixels; 0 when left out. */
  readonly padding?: number | Insets;
  /** Degrees; as it is heading to when left out. */
  readonly heading?: number;
  /** Degrees; the pitch of the zoom, with the tilt of the player, by default. */
  readonly pitch?: number;
}

/** The pose. Heading and pitch are there if they were named. */
export interface Framed {
  /** The focus, in world units. */
  readonly x: number;
  /** The focus, in world units. */
  readonly y: number;
  /** The smallest span that shows everything, in world units. */
  readonly span: number;
  /** The heading that was asked for, in degrees. */
  readonly heading?: number;
  /** The pitch that was asked for, in degrees. */
  readonly pitch?: number;
}

export interface Framing {
  /** For `travel`, `camera.place` or `start`. */
  readonly to: Framed;
  /** Everything shows, with the padding, once the camera is there. */
  readonly fits: boolean;
  /**
   * The limits that kept the span from what everything needs, or the focus from its place: an end of the
   * `zoom`, the zoom `stops`, or the `bounds`.
   */
  readonly limitedBy: readonly ('zoom' | 'stops' | 'bounds')[];
  /** The corners of the ground around all things, world units: to draw the box that is framed. */
  readonly corners: readonly Point[];
}
