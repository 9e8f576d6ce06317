/**
 * The jump that a change of settings or ground would cause. Kept motion is inside the new limits at once; the picture is
 * that pose and this offset, which decays: so limits move in smoothly, whatever else moves meanwhile.
 */
import { log2 } from '../math/index.ts';
import type { Pose } from '../view/index.ts';
import type { Part } from './part.ts';
import { ANGLE_TOLERANCE, LENGTH_TOLERANCE, ZOOM_TOLERANCE } from './rest.ts';

export class Offset implements Part {
  /** There is some. */
  isOn = false;
  /** World units. */
  x = -0;
  y = -0;
  focusHeight = -0;
  /** log₂ of the ratio of the spans. */
  zoom = -0;
  /** Degrees. */
  heading = -0;
  pitch = -0;
  fieldOfView = -0;

  copyFrom(other: Offset): void {
    this.isOn = other.isOn;
    this.x = other.x;
    this.y = other.y;
    this.focusHeight = other.focusHeight;
    this.zoom = other.zoom;
    this.heading = other.heading;
    this.pitch = other.pitch;
    this.fieldOfView = other.fieldOfView;
  }

  /** From one pose to another. */
  between(from: Readonly<Pose>, to: Readonly<Pose>): void {
    this.x = to.x - from.x;
    this.y = to.y - from.y;
    this.focusHeight = to.focusHeight - from.focusHeight;
    this.zoom = log2(to.span / from.span);
    this.heading = to.heading - from.heading;
    this.pitch = to.pitch - from.pitch;
    this.fieldOfView = to.fieldOfView - from.fieldOfView;
    this.endSmall(from.span);
  }

  /** A step by which so much remains. */
  decay(remaining: number, span: number): void {
    this.x *= remaining;
    this.y *= remaining;
    this.focusHeight *= remaining;
    this.zoom *= remaining;
    this.heading *= remaining;
    this.pitch *= remaining;
    this.fieldOfView *= remaining;
    this.endSmall(span);
  }

  end(): void {
    this.isOn = false;
    this.x = this.y = this.focusHeight = this.zoom = this.heading = this.pitch = this.fieldOfView = 0;
  }

  private endSmall(span: number): void {
    const length = LENGTH_TOLERANCE * span;
    const { x, y, focusHeight, zoom, heading, pitch, fieldOfView } = this;
    this.isOn =
      Math.abs(x) > length ||
      Math.abs(y) > length ||
      Math.abs(focusHeight) > length ||
      Math.abs(zoom) > ZOOM_TOLERANCE ||
      Math.abs(heading) > ANGLE_TOLERANCE ||
      Math.abs(pitch) > ANGLE_TOLERANCE ||
      Math.abs(fieldOfView) > ANGLE_TOLERANCE;
    if (!this.isOn) this.end();
  }
}
