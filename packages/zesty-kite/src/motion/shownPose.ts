/** A pose in an object whose fields begin as fractions, so that no number is boxed. */
import type { Pose } from '../view/index.ts';

export class ShownPose implements Pose {
  x = -0;
  y = -0;
  focusHeight = -0;
  span = NaN;
  heading = -0;
  pitch = NaN;
  fieldOfView = -0;
}
