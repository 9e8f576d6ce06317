/** The grips: points of the ground, held under screen points by fingers, or by a zoom or a turn. */
import type { Part } from './part.ts';
import { PIXEL_TOLERANCE } from './rest.ts';

/** A point of the ground, world units, and the CSS pixels where it is held: at a pointer, and a lag from there. */
export class HeldPoint implements Part {
  x = -0;
  y = -0;
  height = -0;
  pointerX = -0;
  pointerY = -0;
  /** Two fingers that left the zone of pinch and twist get back under them what they touched. */
  lagX = -0;
  lagY = -0;

  copyFrom(other: HeldPoint): void {
    this.x = other.x;
    this.y = other.y;
    this.height = other.height;
    this.pointerX = other.pointerX;
    this.pointerY = other.pointerY;
    this.lagX = other.lagX;
    this.lagY = other.lagY;
  }

  get screenX(): number {
    return this.pointerX + this.lagX;
  }

  get screenY(): number {
    return this.pointerY + this.lagY;
  }

  get lags(): boolean {
    return this.lagX !== 0 || this.lagY !== 0;
  }

  /** The pointer is here. */
  moveTo(x: number, y: number): void {
    this.pointerX = x;
    this.pointerY = y;
  }

  /** It is held here, wherever the pointer is. */
  holdAt(x: number, y: number): void {
    this.lagX = x - this.pointerX;
    this.lagY = y - this.pointerY;
  }

  /** It is held where the pointer is. */
  endLag(): void {
    this.lagX = this.lagY = 0;
  }

  /** A step toward the pointer, after which so much of the lag remains. */
  catchUp(remaining: number): void {
    this.lagX *= remaining;
    this.lagY *= remaining;
    if (Math.abs(this.lagX) + Math.abs(this.lagY) < PIXEL_TOLERANCE) this.endLag();
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
