/** The lens: its vertical field of view for the whole screen, eased. Degrees; 0 for an orthographic one. */
import type { Decay } from '../math/index.ts';
import type { Part } from './part.ts';
import { ANGLE_TOLERANCE } from './rest.ts';

export class Lens implements Part {
  fieldOfView = -0;
  /** The last request of the zoom. */
  target = -0;
  /** The side on which the switch by zoom is. */
  isFar = false;
  /** It has not arrived. */
  isActive = false;

  copyFrom(other: Lens): void {
    this.fieldOfView = other.fieldOfView;
    this.target = other.target;
    this.isFar = other.isFar;
    this.isActive = other.isActive;
  }

  /** Eases on by a step, as `Tilt.step` does. */
  step(target: number, moves: boolean, decay: Decay): void {
    const moved = moves ? target - this.target : 0;
    const left = decay.left(this.fieldOfView - target + moved, moved);
    this.target = target;
    this.isActive = Math.abs(left) >= ANGLE_TOLERANCE;
    this.fieldOfView = this.isActive ? target + left : target;
  }

  /** Is where it is asked to be. */
  arriveAt(target: number): void {
    this.fieldOfView = this.target = target;
  }

  /** The target has jumped: it eases there from where it is. */
  easeTo(target: number): void {
    this.target = target;
    this.isActive = true;
  }
}
