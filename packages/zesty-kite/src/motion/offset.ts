/**
 * The jump that a change of settings or ground would cause. Kept motion is inside the new limits at once; the picture is
 * that pose and this offset, which decays: so limits move in smoothly, whatever else moves meanwhile.
 */
import { exp2, log2 } from '../math/index.ts';
import type { Pose } from '../view/index.ts';
import type { Part } from './part.ts';
import type { ShownPose } from './shownPose.ts';
import { ANGLE_TOLERANCE, LENGTH_TOLERANCE, ZOOM_TOLERANCE } from './rest.ts';

/** Lengths in world units, and angles in degrees. */
const LENGTHS = ['x', 'y', 'focusHeight'] as const;
const ANGLES = ['heading', 'pitch', 'fieldOfView'] as const;
const PARTS = [...LENGTHS, ...ANGLES] as const;

export class Offset implements Part {
  /** There is some. */
  isOn = false;
  x = -0;
  y = -0;
  focusHeight = -0;
  /** log₂ of the ratio of the spans. */
  zoom = -0;
  heading = -0;
  pitch = -0;
  fieldOfView = -0;

  copyFrom(other: Offset): void {
    this.isOn = other.isOn;
    this.zoom = other.zoom;
    for (const part of PARTS) this[part] = other[part];
  }

  /** From one pose to another. */
  between(from: Readonly<Pose>, to: Readonly<Pose>): void {
    for (const part of PARTS) this[part] = to[part] - from[part];
    this.zoom = log2(to.span / from.span);
    this.#endSmall(from.span);
  }

  /** A step by which so much remains. */
  decay(remaining: number, span: number): void {
    this.zoom *= remaining;
    for (const part of PARTS) this[part] *= remaining;
    this.#endSmall(span);
  }

  /** Adds it to a pose. */
  addTo(pose: ShownPose): void {
    for (const part of PARTS) pose[part] += this[part];
    pose.span *= exp2(this.zoom);
  }

  end(): void {
    this.isOn = false;
    this.zoom = 0;
    for (const part of PARTS) this[part] = 0;
  }

  #endSmall(span: number): void {
    this.isOn = Math.abs(this.zoom) > ZOOM_TOLERANCE;
    for (const part of LENGTHS) this.isOn ||= Math.abs(this[part]) > LENGTH_TOLERANCE * span;
    for (const part of ANGLES) this.isOn ||= Math.abs(this[part]) > ANGLE_TOLERANCE;
    if (!this.isOn) this.end();
  }
}
