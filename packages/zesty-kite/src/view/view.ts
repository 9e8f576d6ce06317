/** The geometry of one pose on one screen. */
import { fitDepth, placeEye } from './depth.ts';
import { fillAffine } from './affine.ts';
import { setCorner } from './footprint.ts';
import { Projection } from './projection.ts';
import { pick } from './pick.ts';
import { ScratchDepth, ScratchScreenPoint, ScratchSpot } from './scratch.ts';
import { canonical, nearestCopy } from './copies.ts';
import type { Affine, Depth, Footprint, Ground, Point, Pose, Ray, ScreenPoint, Spot } from './pose.ts';

/** Flat ground without an end. */
export const FLAT: Ground = { lowest: 0, highest: 0 };

/**
 * The geometry of one pose on one screen. It is read-only: a camera returns one view, and aims it again at each `advance`.
 *
 * ```ts
 * const under = view.toGround(event.offsetX, event.offsetY);
 * const { x, y } = view.toScreen(barge.x, barge.y, 0);
 * ```
 */
export class View implements Pose {
  readonly x: number = 0;
  readonly y: number = 0;
  /** The height of the ground at the focus, in world units. */
  readonly focusHeight: number = 0;
  /** The vertical length that is shown at the focus, in world units. */
  readonly span: number = 1;
  /** The direction that is up on the screen, in degrees. */
  readonly heading: number = 0;
  /** The angle to the ground in degrees: 90 looks straight down. */
  readonly pitch: number = 90;
  /** The vertical angle of view in degrees; 0 is without perspective. */
  readonly fieldOfView: number = 0;
  /** The screen, CSS pixels, > 0. */
  readonly width: number = 1;
  readonly height: number = 1;
  /** Device pixels per CSS pixel. */
  readonly density: number = 1;
  /** CSS pixels per world unit at the focus, square to the view. */
  readonly scale: number = 1;
  /** The ground that the view lies on. */
  readonly ground: Ground = FLAT;
  /** The sines and such that all of it is made of. */
  readonly projection: Projection = new Projection();

  /**
   * The screen point of a point in space, in CSS pixels from the top left of the screen. In a world that
   * repeats itself, the copy nearest to the focus counts.
   *
   * @param height world units; on flat ground it can be left out
   */
  toScreen(
    x: number,
    y: number,
    height: number = this.focusHeight,
    out: ScreenPoint = new ScratchScreenPoint(),
  ): ScreenPoint {
    const { periodX = 0, periodY = 0 } = this.ground;
    return this.toScreenFromFocus(nearestCopy(x - this.x, periodX), nearestCopy(y - this.y, periodY), height, out);
  }

  /** The screen point of a point at an offset from the focus, world units: in a world that repeats itself, any copy of it. */
  toScreenFromFocus(
    east: number,
    south: number,
    height: number = this.focusHeight,
    out: ScreenPoint = new ScratchScreenPoint(),
  ): ScreenPoint {
    const { projection, span, scale } = this;
    const right = east * projection.cosHeading + south * projection.sinHeading;
    const toward = south * projection.cosHeading - east * projection.sinHeading;
    const rise = height - this.focusHeight;
    const ahead = -toward * projection.cosPitch - rise * projection.sinPitch;
    const invFocal = 1 + (projection.invFocal * ahead) / span;
    const shrunk = scale / (Math.abs(invFocal) > 1e-12 ? invFocal : 1e-12);
    out.x = projection.middleX + right * shrunk;
    out.y = projection.middleY + (toward * projection.sinPitch - rise * projection.cosPitch) * shrunk;
    out.depth = projection.invFocal > 0 ? ahead + span / projection.invFocal : ahead;
    out.inFront = invFocal > 0;
    return out;
  }

  /**
   * The point of the ground that shows at a screen point given in CSS pixels from the top left: on
   * the terrain, or on the level plane through the focus if there is none.
   *
   * @returns `out`, or null if only sky shows
   */
  toGround(x: number, y: number, out: Spot = new ScratchSpot()): Spot | null {
    if (this.ground.terrain) return pick(this, this.ground.terrain, x, y, out);
    out.height = this.focusHeight;
    return this.toLevel(x, y, this.focusHeight, out) === null ? null : out;
  }

  /**
   * The hit of the line of sight through a screen point with the level plane of a height: the sea, a roof.
   *
   * @returns `out`, or null if there is none
   */
  toLevel<T extends Point>(x: number, y: number, height: number, out: T): T | null {
    const { projection, span } = this;
    const rise = height - this.focusHeight;
    const v = projection.v(y);
    const steepness = projection.steepness(v);
    const below = span * projection.sinPitch - projection.invFocal * rise; // the plane, seen from the eye
    // No number is no place.
    if (!(below / span >= 1e-9 && steepness > 1e-9 && Math.abs(x) < Infinity && Math.abs(v) < Infinity)) return null;
    projection.cast(projection.u(x), v, span, rise, out);
    out.x = canonical(this.x + out.x, this.ground.periodX);
    out.y = canonical(this.y + out.y, this.ground.periodY);
    return out;
  }

  /** The line of sight through a screen point. It starts in the eye, or before all ground. */
  ray(x: number, y: number, out: Ray = { start: new ScratchSpot(), along: new ScratchSpot() }): Ray {
    const { projection, scale } = this;
    const { start, along } = out;
    const right = (x - projection.middleX) / scale;
    const down = (y - projection.middleY) / scale;
    this.eye(start);
    this.forward(along);
    if (projection.invFocal === 0) {
      this.#shift(start, right, down);
      return out;
    }
    const far = this.span / projection.invFocal;
    this.#shift(along, right / far, down / far);
    const length = Math.sqrt(along.x * along.x + along.y * along.y + along.height * along.height);
    along.x /= length;
    along.y /= length;
    along.height /= length;
    return out;
  }

  /** Moves a spot along the screen. */
  #shift(spot: Spot, right: number, down: number): void {
    const { sinHeading, cosHeading, sinPitch, cosPitch } = this.projection;
    spot.x += right * cosHeading - down * sinPitch * sinHeading;
    spot.y += right * sinHeading + down * sinPitch * cosHeading;
    spot.height -= down * cosPitch;
  }

  /** The eye; for an orthographic lens, a point before all ground. */
  eye(out: Spot = new ScratchSpot()): Spot {
    return placeEye(this, fitDepth(this, depth), out);
  }

  /** The view direction, one unit long. */
  forward(out: Spot = new ScratchSpot()): Spot {
    const { sinHeading, cosHeading, sinPitch, cosPitch } = this.projection;
    out.x = cosPitch * sinHeading;
    out.y = -cosPitch * cosHeading;
    out.height = -sinPitch;
    return out;
  }

  /** The direction of screen-right, one unit long and level. */
  right(out: Spot = new ScratchSpot()): Spot {
    out.x = this.projection.cosHeading;
    out.y = this.projection.sinHeading;
    out.height = 0;
    return out;
  }

  /** The direction of screen-up, one unit long. */
  up(out: Spot = new ScratchSpot()): Spot {
    const { sinHeading, cosHeading, sinPitch, cosPitch } = this.projection;
    out.x = sinPitch * sinHeading;
    out.y = -sinPitch * cosHeading;
    out.height = cosPitch;
    return out;
  }

  /** How far the near plane, the focus and the far plane lie from the eye: nothing of the ground is clipped. */
  depth(out: Depth = new ScratchDepth()): Depth {
    return fitDepth(this, out);
  }

  /**
   * The ground that shows, for culling and minimap frames: the four corners of the screen on a level
   * plane. Beyond 64 spans from the focus it is cut. Around the focus it is whole, also where the
   * world repeats itself.
   */
  footprint(out: Footprint = new Float64Array(8), height: number = this.focusHeight): Footprint {
    return this.footprintOf(0, 0, this.width, this.height, out, height);
  }

  /** The same of a part of the screen, CSS pixels: left ≤ right, top ≤ bottom. */
  footprintOf(
    left: number,
    top: number,
    right: number,
    bottom: number,
    out: Footprint = new Float64Array(8),
    height: number = this.focusHeight,
  ): Footprint {
    setCorner(out, 0, this, left, top, height);
    setCorner(out, 2, this, right, top, height);
    setCorner(out, 4, this, right, bottom, height);
    setCorner(out, 6, this, left, bottom, height);
    return out;
  }

  /** The same of the safe frame. */
  frameFootprint(out: Footprint = new Float64Array(8), height: number = this.focusHeight): Footprint {
    const { middleX, middleY, frameWidth, frameHeight } = this.projection;
    const left = middleX - frameWidth / 2;
    const top = middleY - frameHeight / 2;
    return this.footprintOf(left, top, left + frameWidth, top + frameHeight, out, height);
  }

  /** CSS pixels per world unit at a point in space, square to the view; 0 behind the eye. */
  scaleAt(x: number, y: number, height: number = this.focusHeight): number {
    const { projection, span, scale } = this;
    const toward = this.#toward(x, y);
    const ahead = -toward * projection.cosPitch - (height - this.focusHeight) * projection.sinPitch;
    const invFocal = 1 + (projection.invFocal * ahead) / span;
    return invFocal > 0 ? scale / invFocal : 0;
  }

  /**
   * Sorts upright sprites by where they stand on the ground: those with a greater key are nearer and
   * drawn later. World units toward the viewer, from the focus.
   */
  depthKey(x: number, y: number): number {
    return this.#toward(x, y);
  }

  #toward(x: number, y: number): number {
    const { projection, ground } = this;
    const east = nearestCopy(x - this.x, ground.periodX ?? 0);
    const south = nearestCopy(y - this.y, ground.periodY ?? 0);
    return south * projection.cosHeading - east * projection.sinHeading;
  }

  /**
   * The transform from a level plane to CSS pixels: `context.setTransform(view.affine())`.
   *
   * @throws RangeError for a perspective lens that is not straight down: there is no such transform
   */
  affine(out: Affine = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 }, height: number = this.focusHeight): Affine {
    return fillAffine(this, out, height);
  }
}

const depth = new ScratchDepth();
