/**
 * The projection of heading, pitch, lens and safe frame on a screen, independent of the focus and of the
 * span.
 *
 * Screen points are given in safe-frame heights from its middle: u to the right, v down. With
 * S, C = sin, cos of the pitch and q = 1 / focal length in safe-frame heights (0: orthographic), a ray
 * through (u, v) meets the level plane that lies z above the focus at
 *
 *     (u·(span·S - q·z), span·v + z·(C - q·v·S)) / (S + q·v·C)
 *
 * along (screen right, toward the viewer), counted from the focus: the intersection of a line and a
 * plane, and the same formula for both lenses.
 */
import { Angle } from '../math/index.ts';
import type { Ground, Insets, Point, Pose, Screen } from './pose.ts';
import { FrameOutline } from './outline.ts';

/** Near the horizon hands hold what lies this many spans beyond the focus. */
export const GRIP_LIMIT_SPANS = 4;
/** Culling and picks reach this many spans beyond the focus. */
export const VIEW_LIMIT_SPANS = 64;
/** Bounds guard the view up to this many spans beyond the focus; at a flat pitch, ground farther away may be off the map. */
export const GUARD = 2;
/** Spans before the eye. */
const NEAREST = 1e-3;
/** The least share of the screen's width, and of its height, that insets leave to the safe frame. */
const MIN_FRAME = 0.1;

/** The height of the safe frame, CSS pixels. */
export function frameHeightOf(height: number, top: number, bottom: number): number {
  return height - Math.min(top + bottom, height * (1 - MIN_FRAME));
}

export class Projection {
  heading = NaN;
  pitch = NaN;
  fieldOfView = NaN;
  sinHeading = NaN;
  cosHeading = NaN;
  sinPitch = NaN;
  cosPitch = NaN;
  /** 1 / focal length, in safe-frame heights: how much the view widens with depth. 0: not at all. */
  invFocal = NaN;

  /** The screen, CSS pixels. */
  width = NaN;
  height = NaN;
  /** The middle and the size of the safe frame, CSS pixels from the screen's top left. */
  middleX = NaN;
  middleY = NaN;
  frameWidth = NaN;
  frameHeight = NaN;
  /** Safe-frame heights a CSS pixel. */
  perPixel = NaN;

  readonly #angle = new Angle();
  /** The outline of the safe frame on the focus plane. */
  readonly outline = new FrameOutline(this);

  /** Takes a screen and the insets of its safe frame. */
  frame(screen: Screen, left: number, top: number, right: number, bottom: number): void {
    if (
      screen.width !== this.width ||
      screen.height !== this.height ||
      left !== this.left ||
      top !== this.top ||
      right !== this.right ||
      bottom !== this.bottom
    )
      this.#layFrame(screen.width, screen.height, left, top, right, bottom);
  }

  /** How far panels reach in from each side, CSS pixels. */
  left = NaN;
  top = NaN;
  right = NaN;
  bottom = NaN;
  /** Half the safe frame's width, in its heights. */
  halfWide = NaN;

  #layFrame(width: number, height: number, left: number, top: number, right: number, bottom: number): void {
    const across = left + right > 0 ? Math.min(1, (width * (1 - MIN_FRAME)) / (left + right)) : 0;
    this.frameHeight = frameHeightOf(height, top, bottom);
    const down = top + bottom > 0 ? (height - this.frameHeight) / (top + bottom) : 0;
    this.left = left;
    this.top = top;
    this.right = right;
    this.bottom = bottom;
    this.width = width;
    this.height = height;
    this.frameWidth = width - (left + right) * across;
    this.perPixel = 1 / this.frameHeight;
    this.halfWide = (this.frameWidth * this.perPixel) / 2;
    this.middleX = left * across + this.frameWidth / 2;
    this.middleY = top * down + this.frameHeight / 2;
    this.#widen();
  }

  /** Takes the angles of a pose. */
  turn({ heading, pitch, fieldOfView }: Pick<Pose, 'heading' | 'pitch' | 'fieldOfView'>): void {
    if (heading === this.heading && pitch === this.pitch && fieldOfView === this.fieldOfView) return;
    const angle = this.#angle;
    if (heading !== this.heading) {
      this.heading = heading;
      angle.degrees = heading;
      angle.compute();
      this.sinHeading = angle.sine;
      this.cosHeading = angle.cosine;
    }
    if (pitch !== this.pitch) {
      this.pitch = pitch;
      angle.degrees = pitch;
      angle.compute();
      this.sinPitch = angle.sine;
      this.cosPitch = angle.cosine;
    }
    if (fieldOfView !== this.fieldOfView) {
      this.fieldOfView = fieldOfView;
      angle.degrees = fieldOfView * 0.5;
      angle.compute();
      this.#halfTangent = angle.sine / angle.cosine;
    }
    this.#widen();
  }

  /** The tangent of half the field of view. */
  #halfTangent = NaN;

  /** Counts up whenever anything changes. */
  version = 0;

  #widen(): void {
    this.version += 1;
    this.invFocal = 2 * this.#halfTangent * (this.frameHeight / this.height);
  }

  /** How steeply the lines of sight through a screen line fall: 1 / the depth of the focus plane there, up to a factor. 0 at the horizon. */
  steepness(v: number): number {
    return this.sinPitch + this.invFocal * v * this.cosPitch;
  }

  /** v of the screen line on which the focus plane lies `GRIP_LIMIT_SPANS` spans beyond the focus. */
  get reachV(): number {
    return this.invFocal === 0 ? -Infinity : this.#lineAt(GRIP_LIMIT_SPANS);
  }

  /** v of the screen line above which bounds guard nothing. */
  get guardV(): number {
    return this.#lineAt(GUARD);
  }

  #lineAt(spans: number): number {
    const { sinPitch, cosPitch, invFocal } = this;
    return (-spans * sinPitch) / (1 + spans * invFocal * cosPitch);
  }

  /** A screen point's u: CSS pixels → safe-frame heights from the middle. */
  u(x: number): number {
    return (x - this.middleX) * this.perPixel;
  }

  v(y: number): number {
    return (y - this.middleY) * this.perPixel;
  }

  /** Whether hands can hold the focus plane at a screen line: CSS pixels from the top. */
  isInReach(y: number): boolean {
    return this.v(y) > this.reachV;
  }

  /** Sets `out` to the hit of a ray, held within reach, with the plane that lies `rise` above the focus: world units from the focus. */
  meet(u: number, v: number, span: number, rise: number, out: Point): void {
    this.cast(u, Math.max(v, this.reachV), span, rise, out);
  }

  /** The same without a reach: the one place with this formula. */
  cast(u: number, v: number, span: number, rise: number, out: Point): void {
    const { sinPitch, cosPitch, invFocal } = this;
    const perDepth = 1 / this.steepness(v);
    const right = u * (span * sinPitch - invFocal * rise) * perDepth;
    const toward = (span * v + rise * (cosPitch - invFocal * v * sinPitch)) * perDepth;
    this.toWorld(right, toward, out);
  }

  /** Sets `out` to a step along the screen's right and toward the viewer, along the world's axes. */
  toWorld(right: number, toward: number, out: Point): void {
    out.x = right * this.cosHeading - toward * this.sinHeading;
    out.y = right * this.sinHeading + toward * this.cosHeading;
  }

  /**
   * Sets `out` to the screen point of (east, south, rise) from the focus, in safe-frame heights from the middle.
   * A point beside or behind the eye shows as if it were a thousandth of a span before it.
   */
  project(span: number, east: number, south: number, rise: number, out: Point): void {
    const { sinHeading, cosHeading, sinPitch, cosPitch, invFocal } = this;
    const right = east * cosHeading + south * sinHeading;
    const toward = south * cosHeading - east * sinHeading;
    const depth = Math.max(NEAREST, 1 - (invFocal * (toward * cosPitch + rise * sinPitch)) / span) * span;
    out.x = right / depth;
    out.y = (toward * sinPitch - rise * cosPitch) / depth;
  }

  /** How deep a point lies before the eye, in spans: below 0 behind it. */
  depthOf(span: number, east: number, south: number, rise: number): number {
    const toward = south * this.cosHeading - east * this.sinHeading;
    return 1 - (this.invFocal * (toward * this.cosPitch + rise * this.sinPitch)) / span;
  }

  /** Sets `out` to the ground below the eye, counted from the focus; to the focus if the lens has no eye. */
  meetBelowEye(span: number, out: Point): void {
    const toward = this.invFocal > 0 ? (span * this.cosPitch) / this.invFocal : 0;
    out.x = -toward * this.sinHeading;
    out.y = toward * this.cosHeading;
  }
}

/** A pose with its look, over a ground: what depths and picks need of a view. */
export interface Viewpoint extends Pick<Pose, 'x' | 'y' | 'focusHeight' | 'span'> {
  /** Of the screen, CSS pixels. */
  readonly height: number;
  readonly ground: Ground;
  readonly projection: Projection;
}

/** No panels. */
export const NO_INSETS: Insets = { left: 0, top: 0, right: 0, bottom: 0 };
