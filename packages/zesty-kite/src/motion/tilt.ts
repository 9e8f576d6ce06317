/** The pitch: that of the zoom and the tilt of the player, eased. Degrees. */
import type { Decay } from '../math/index.ts';
import type { Part } from './part.ts';
import { ANGLE_TOLERANCE } from './rest.ts';

export class Tilt implements Part {
  /** The player's tilt, on top of the pitch of the zoom. */
  offset = -0;
  pitch = NaN;
  /** The last request of zoom and player, inside the limits. */
  target = NaN;
  /** The side on which the switch by zoom is. */
  isFar = false;
  /** It has not arrived. */
  isActive = false;
  /** It eases to where it was tilted. */
  isTilted = false;
  /** How fast held keys tilt, degrees per second. */
  rate = -0;
  /** The pitch at the beginning of the present step. */
  before = NaN;

  copyFrom(other: Tilt): void {
    this.offset = other.offset;
    this.pitch = other.pitch;
    this.target = other.target;
    this.isFar = other.isFar;
    this.isActive = other.isActive;
    this.isTilted = other.isTilted;
    this.rate = other.rate;
    this.before = other.before;
  }

  /**
   * Eases on by a step toward a target. One that moved is taken to have moved evenly during the step (see `Decay.left`).
   *
   * @param moves it is on a curve that the zoom goes along; else, unless keys tilt, it has jumped
   */
  step(target: number, moves: boolean, decay: Decay): void {
    const moved = moves || this.rate !== 0 ? target - this.target : 0;
    const left = decay.left(this.pitch - target + moved, moved);
    this.target = target;
    this.isActive = Math.abs(left) >= ANGLE_TOLERANCE;
    this.isTilted &&= this.isActive || this.rate !== 0;
    this.pitch = this.isActive ? target + left : target;
  }

  /** Is where it is asked to be. */
  arriveAt(target: number): void {
    this.pitch = this.target = target;
  }

  /** The target has jumped, by the player or not: it eases there from where it is. */
  easeTo(target: number, isTilted: boolean): void {
    this.target = target;
    this.isActive = true;
    if (isTilted) this.isTilted = true;
  }
}
