/** The grips: points of the ground, held under screen points by fingers, or by a zoom or a turn. */
import type { Part } from './part.ts';

/** A point of the ground, world units, and the CSS pixels where it is held. */
export class HeldPoint implements Part {
  x = -0;
  y = -0;
  height = -0;
  screenX = -0;
  screenY = -0;

  copyFrom(other: HeldPoint): void {
    this.x = other.x;
    this.y = other.y;
    this.height = other.height;
    this.screenX = other.screenX;
    this.screenY = other.screenY;
  }
}

export class Hold implements Part {
  /** How many fingers of a hand hold, 0 … 2. */
  fingers = 0;
  /** A zoom or a turn holds the first point, and no hand does. */
  isGrip = false;
  /** It holds the ground below the eye. */
  isBelowEye = false;
  /** An orbit holds it. */
  isOrbit = false;
  /** Two fingers may zoom, and turn. */
  mayZoom = true;
  mayTurn = true;
  /** Fingers are too close to each other to say anything but where. */
  isTooClose = false;
  /** Of the two spans at which two points on a steep hill can be held, it is the lesser. */
  isLesserRoot = false;
  /** By how much two fingers were nearer to each other than what they hold shows, when they took hold: 0 unless it lies behind the horizon. */
  distanceOffset = -0;
  /** Two fingers have zoomed, and pitch or lens are not yet where the zoom wants them: they ease, even where they follow at once. */
  isPinched = false;

  copyFrom(other: Hold): void {
    this.fingers = other.fingers;
    this.isGrip = other.isGrip;
    this.isBelowEye = other.isBelowEye;
    this.isOrbit = other.isOrbit;
    this.mayZoom = other.mayZoom;
    this.mayTurn = other.mayTurn;
    this.isTooClose = other.isTooClose;
    this.isLesserRoot = other.isLesserRoot;
    this.distanceOffset = other.distanceOffset;
    this.isPinched = other.isPinched;
  }

  /** Ends the grip of a zoom or a turn: from now on they keep the focus in place. */
  drop(): void {
    this.isGrip = this.isOrbit = this.isBelowEye = false;
  }
}
