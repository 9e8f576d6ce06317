/** A camera, as abilities read it and move it. */
import type { FullSettings } from '../settings/index.ts';
import type { Cause } from './ends.ts';

export interface MovedCamera {
  /** The focus, world units. */
  readonly x: number;
  readonly y: number;
  /** The height of the focus, world units. */
  readonly focusHeight: number;
  /** The shown zoom: world units from the top to the bottom of the safe frame, at the focus. */
  readonly span: number;
  /** Degrees clockwise. */
  readonly heading: number;
  /** Degrees below the horizon. */
  readonly pitch: number;
  /** The settings in force. */
  readonly settings: FullSettings;
  /** Held keys, an edge or a stick pan, turn, tilt or zoom. */
  readonly isDriven: boolean;
  /** A hand holds the ground. */
  readonly isHeld: boolean;
  /** In `move`: adds to the way of the focus in this step, world units. */
  moveBy(east: number, south: number): void;
  /** In `aim`: puts the focus at a point, or at the nearest that the bounds allow. */
  putAt(x: number, y: number): void;
  /** In `aim`: turns at once, as far as the range allows. */
  turnTo(heading: number): void;
  /** In `aim`: tilts at once, as far as the range allows. */
  tiltTo(pitch: number): void;
  /** In `aim`: zooms at once, as far as range and bounds allow. */
  zoomTo(span: number): void;
  /** In `receive`: ends what a cause of the table ends; `mover` for most abilities. */
  interrupt(cause: Cause): void;
}
