/**
 * Puts a view on containers of the pixi.js package: one for the ground, and upright sprites that stand on it. It takes every object
 * with the fields of a container or a sprite, and imports nothing: the renderer is that of the page.
 */
import { checkMade, checkNumber, checkObject, checkView, refuse } from '../messages/index.ts';
import { angleDegrees, norm } from '../math/index.ts';
import type { Affine, View } from '../view/index.ts';

/** Two numbers that belong together. */
export interface Pair {
  /** Sets both numbers. */
  set(x: number, y: number): unknown;
}

/** The parts of a container for the ground that are used. */
export interface ContainerLike {
  /** The place of the world's origin, in pixels. */
  readonly position: Pair;
  /** Pixels a world unit along both axes. */
  readonly scale: Pair;
  /** The slant of both axes, in radians. */
  readonly skew: Pair;
  /** The turn, in radians. */
  rotation: number;
}

/** The parts of a sprite that are used. */
export interface SpriteLike {
  /** The place of the anchor, in pixels. */
  readonly position: Pair;
  /** The size against the picture's own. */
  readonly scale: Pair;
  /** The order of drawing: nearer sprites are drawn later. */
  zIndex: number;
  /** False off the screen. */
  visible: boolean;
}

/** Of the tiles that a picture was drawn for: the width of the diamond in pixels, and the side in world units (1 when left out). */
export interface TileSize {
  /** The width of the diamond, in pixels. */
  readonly width: number;
  readonly side?: number;
}

export interface UprightOptions {
  /** How large it is, as a factor of its picture when a world unit is a pixel; 1 when left out. */
  readonly size?: number;
  /** The tiles that its picture was drawn for, as `tiles` takes them, in place of `size`: shown at their size, it has its own. */
  readonly art?: TileSize;
  /** It stands on whole device pixels: pixel art stays sharp. `false` when left out. */
  readonly wholePixels?: boolean;
  /** The extent around its place, world units, so that parts that reach into the screen still show; 10 by default. */
  readonly reach?: number;
}

const RADIANS = 0.017453292519943295;

/**
 * Sets a container on the ground: its children are drawn in world units.
 *
 * ```ts
 * aimPixi(camera.advance(time), container);
 * ```
 *
 * @param height of the level plane, world units; that of the focus by default
 * @throws RangeError for a tilted perspective: a container has no such transform
 */
export function aimPixi(view: View, container: ContainerLike, height?: number): void {
  checkView('aimPixi', view);
  checkMade('aimPixi.container', container, 'position', 'a container');
  if (view.projection.invFocal > 0 && view.projection.cosPitch !== 0)
    throw new RangeError(
      `aimPixi: expected an orthographic lens (lens.fieldOfView null), or a pitch of 90, got a field of view of ${String(view.fieldOfView)} at a pitch of ${String(view.pitch)}`,
    );
  const { a, b, c, d, e, f } = view.affine(affine, height);
  container.position.set(e, f);
  container.rotation = 0;
  container.scale.set(norm(a, b), norm(c, d));
  container.skew.set(angleDegrees(c, d) * RADIANS, angleDegrees(b, a) * RADIANS);
}

/**
 * Sets a sprite on a ground point, upright on the screen, smaller with distance, drawn over things behind it, and hidden if it does
 * not show. Its parent has `sortableChildren`, and is not the ground's container.
 *
 * ```ts
 * standUpright(view, sprite, barge.x, barge.y, 0, { art: { width: 64, side: 16 } });
 * ```
 *
 * @returns true if it shows
 */
export function standUpright(
  view: View,
  sprite: SpriteLike,
  x: number,
  y: number,
  height?: number,
  options: UprightOptions = {},
): boolean {
  checkView('standUpright', view);
  checkMade('standUpright.sprite', sprite, 'position', 'a sprite');
  if (typeof x !== 'number') refuse('standUpright.x', x, 'world units');
  if (typeof y !== 'number') refuse('standUpright.y', y, 'world units');
  if (height !== undefined && typeof height !== 'number') refuse('standUpright.height', height, 'world units');
  checkObject('standUpright.options', options, 'an object such as { size: 1 }');
  const { art, size = art === undefined ? 1 : sizeOf(art), wholePixels = false, reach = 10 } = options;
  const { projection, span, width, height: high, density, scale } = view;
  const at = view.toScreen(x, y, height);
  const toward = view.depthKey(x, y);
  const deep =
    1 -
    (projection.invFocal *
      (toward * projection.cosPitch + ((height ?? view.focusHeight) - view.focusHeight) * projection.sinPitch)) /
      span;
  const pixels = scale / deep;
  const beyond = reach * pixels;
  const shows = at.inFront && at.x > -beyond && at.y > -beyond && at.x < width + beyond && at.y < high + beyond;
  sprite.visible = shows;
  if (!shows) return false;
  const whole = wholePixels ? density : 0;
  sprite.position.set(
    whole > 0 ? Math.round(at.x * whole) / whole : at.x,
    whole > 0 ? Math.round(at.y * whole) / whole : at.y,
  );
  sprite.scale.set(size * pixels, size * pixels);
  sprite.zIndex = toward;
  return true;
}

/** @throws TypeError */
function sizeOf({ width, side = 1 }: TileSize): number {
  checkNumber('standUpright.options.art.width', width, 1e-9);
  checkNumber('standUpright.options.art.side', side, 1e-9);
  // A tile that is turned by 45 degrees is √2 sides wide.
  return (side * Math.SQRT2) / width;
}

const affine: Affine = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };
