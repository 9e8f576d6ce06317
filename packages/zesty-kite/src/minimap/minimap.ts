/** A small map of the ground: the pixels of its points, the outline of the view, and the ground under a pixel. */
import { checkMade, checkObject, refuse } from '../messages/index.ts';
import { outlinesOf } from '../limits/index.ts';
import { polygonOutlines } from '../polygons/index.ts';
import { Angle, finite, norm } from '../math/index.ts';
import type { CameraLike } from '../cameraLike.ts';
import { canonical, nearestCopy, type Affine, type Point } from '../view/index.ts';
import { clip } from './clip.ts';

/** World units. */
export interface Area {
  /** The left edge of the map, in world units. */
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** The size of the map: CSS pixels of an element. */
export interface MinimapRegion {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

export interface MinimapOptions {
  /** The ground that it shows, all of it; the box around the camera's bounds when left out. */
  readonly area?: Area;
  /** Shows the ground around the focus instead: world units from its middle to its nearest side. */
  readonly around?: number;
  /** The top of the map is the top of the view; by default it is north, -y. */
  readonly turns?: boolean;
  /** It is a disc in the middle of its region. */
  readonly round?: boolean;
  /** The outline: of the whole `screen` (the default), or of the `safe-frame` without panels. */
  readonly outlineOf?: 'screen' | 'safe-frame';
}

/** Of a world that repeats itself: the nearest, and its neighbours. */
const COPIES = [0, -1, 1];
/** Corners that a disc is clipped with. */
const CORNERS = 64;

/**
 * A small map: it converts between ground and pixels, and returns the outline of the view. It draws nothing.
 *
 * ```ts
 * const minimap = new Minimap(camera, { area: { left: 0, top: 0, right: 1024, bottom: 768 } });
 * path.setAttribute('d', minimap.outlinePath()); // in each frame
 * ```
 */
export class Minimap {
  /** The camera that the minimap shows. */
  readonly camera: CameraLike;
  readonly #area: Area;
  readonly #around: number;
  readonly #turns: boolean;
  readonly #round: boolean;
  readonly #outlineOf: 'screen' | 'safe-frame';
  /** The size of the map; `listenToMinimap` keeps it up to date with its element. */
  region: MinimapRegion = { left: 0, top: 0, width: 200, height: 200 };
  readonly #corners = new Float64Array(8);

  /** @throws TypeError without an area, bounds or a distance */
  constructor(camera: CameraLike, options: MinimapOptions = {}) {
    checkMade('minimap.camera', camera, 'view', 'a camera');
    checkObject('minimap', options, 'an object such as { area }');
    const { area, around = 0, turns = false, round = false, outlineOf = 'screen' } = options;
    if (area !== undefined) checkObject('minimap.area', area, 'an area {left, top, right, bottom}');
    if (typeof around !== 'number') refuse('minimap.around', around, 'world units');
    this.camera = camera;
    const { bounds } = camera.settings;
    this.#area = area ?? boxAround(bounds === null ? [] : outlinesOf(bounds, [polygonOutlines]).flat());
    const { left, top, right, bottom } = this.#area;
    if (!(around > 0 && around < Infinity) && !(right > left && bottom > top && right - left + bottom - top < Infinity))
      refuse(
        'minimap',
        { area, around },
        'an area {left, top, right, bottom} with left < right and top < bottom, or around above 0',
      );
    this.#around = around;
    this.#turns = turns;
    this.#round = round;
    if (!['screen', 'safe-frame'].includes(outlineOf))
      refuse('minimap.outlineOf', outlineOf, '"screen" or "safe-frame"');
    this.#outlineOf = outlineOf;
  }

  /** World units to pixels of the element: for a canvas, an SVG or a CSS transform. */
  transform(out: Affine = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 }): Affine {
    const { left, top } = this.region;
    // Without a size, as if it had a pixel.
    const width = this.region.width > 0 ? this.region.width : 1;
    const height = this.region.height > 0 ? this.region.height : 1;
    const { view } = this.camera;
    const area = this.#area;
    const wide = area.right - area.left;
    const high = area.bottom - area.top;
    const free = this.#turns || this.#round;
    const scale =
      this.#around > 0
        ? Math.min(width, height) / 2 / this.#around
        : free
          ? Math.min(width, height) / norm(wide, high)
          : Math.min(width / wide, height / high);
    const middle = this.#middle;
    out.a = this.#turns ? scale * view.projection.cosHeading : scale;
    out.c = this.#turns ? scale * view.projection.sinHeading : 0;
    out.b = -out.c;
    out.d = out.a;
    out.e = left + width / 2 - out.a * middle.x - out.c * middle.y;
    out.f = top + height / 2 - out.b * middle.x - out.d * middle.y;
    return out;
  }

  /** The ground in the middle. */
  get #middle(): Point {
    const { left, top, right, bottom } = this.#area;
    return this.#around > 0 ? this.camera.view : { x: (left + right) / 2, y: (top + bottom) / 2 };
  }

  /** The pixel of a ground point in the element; of a world that repeats itself, the copy nearest to the middle. */
  toMinimap(east: number, south: number): Point {
    const x = finite(east, this.camera.view.x);
    const y = finite(south, this.camera.view.y);
    const { periodX = 0, periodY = 0 } = this.camera.view.ground;
    const middle = this.#middle;
    return apply(this.transform(), {
      x: middle.x + nearestCopy(x - middle.x, periodX),
      y: middle.y + nearestCopy(y - middle.y, periodY),
    });
  }

  /** The ground under a pixel of the element; beyond its sides too. */
  toGround(right: number, down: number): Point {
    const { a, b, c, d, e, f } = this.transform();
    const x = finite(right, this.region.left);
    const y = finite(down, this.region.top);
    const { periodX, periodY } = this.camera.view.ground;
    const size = a * d - b * c;
    return {
      x: canonical((d * (x - e) - c * (y - f)) / size, periodX),
      y: canonical((a * (y - f) - b * (x - e)) / size, periodY),
    };
  }

  /** Whether a pixel of the element is in it. */
  has(x: number, y: number): boolean {
    const { left, top, width, height } = this.region;
    const right = x - left - width / 2;
    const down = y - top - height / 2;
    if (!(width > 0 && height > 0)) return false;
    if (this.#round) return norm(right, down) <= Math.min(width, height) / 2;
    return Math.abs(right) <= width / 2 && Math.abs(down) <= height / 2;
  }

  /**
   * The outline of the view: a convex polygon in pixels of the element, cut at its sides; empty if it is all outside. In a world
   * that repeats itself, the copy nearest to the middle.
   */
  outline(): readonly Point[] {
    return this.#outlineAt(0, 0);
  }

  /** The same with every copy of a world that repeats itself: over a seam an outline has several parts. */
  outlines(): readonly (readonly Point[])[] {
    const { periodX = 0, periodY = 0 } = this.camera.view.ground;
    const parts: (readonly Point[])[] = [];
    for (const east of COPIES)
      for (const south of COPIES) {
        if ((east !== 0 && periodX === 0) || (south !== 0 && periodY === 0)) continue;
        const part = this.#outlineAt(east * periodX, south * periodY);
        if (part.length > 2) parts.push(part);
      }
    return parts;
  }

  /** The copy that lies so far from the one nearest to the middle. */
  #outlineAt(east: number, south: number): readonly Point[] {
    const { view } = this.camera;
    const { periodX = 0, periodY = 0 } = view.ground;
    const corners = this.#outlineOf === 'screen' ? view.footprint(this.#corners) : view.frameFootprint(this.#corners);
    const affine = this.transform();
    const middle = this.#middle;
    const toX = middle.x + nearestCopy(view.x - middle.x, periodX) - view.x + east;
    const toY = middle.y + nearestCopy(view.y - middle.y, periodY) - view.y + south;
    const whole = [0, 2, 4, 6].map((i) =>
      apply(affine, { x: (corners[i] ?? 0) + toX, y: (corners[i + 1] ?? 0) + toY }),
    );
    return clip(whole, this.#sides());
  }

  /** `outlines` for the `d` of an SVG path. */
  outlinePath(): string {
    return this.outlines()
      .map((part) => `M${part.map(({ x, y }) => `${x.toFixed(2)} ${y.toFixed(2)}`).join('L')}Z`)
      .join('');
  }

  /** `outlines` as a path of a 2D canvas: `minimap.traceOutline(context); context.stroke();`. */
  traceOutline(context: Pick<CanvasRenderingContext2D, 'beginPath' | 'moveTo' | 'lineTo' | 'closePath'>): void {
    context.beginPath();
    for (const [first, ...others] of this.outlines()) {
      if (first === undefined) continue;
      context.moveTo(first.x, first.y);
      for (const { x, y } of others) context.lineTo(x, y);
      context.closePath();
    }
  }

  /** Its corners, clockwise. */
  #sides(): readonly Point[] {
    const { left, top, width, height } = this.region;
    const middleX = left + width / 2;
    const middleY = top + height / 2;
    const radius = Math.min(width, height) / 2;
    const angle = new Angle();
    if (this.#round)
      return Array.from({ length: CORNERS }, (_, i) => {
        angle.degrees = (i / CORNERS) * 360;
        angle.compute();
        return { x: middleX + radius * angle.cosine, y: middleY + radius * angle.sine };
      });
    return [
      { x: left, y: top },
      { x: left + width, y: top },
      { x: left + width, y: top + height },
      { x: left, y: top + height },
    ];
  }
}

function apply({ a, b, c, d, e, f }: Affine, { x, y }: Point): Point {
  return { x: a * x + c * y + e, y: b * x + d * y + f };
}

function boxAround(points: readonly Point[]): Area {
  const box = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };
  for (const { x, y } of points) {
    box.left = Math.min(box.left, x);
    box.top = Math.min(box.top, y);
    box.right = Math.max(box.right, x);
    box.bottom = Math.max(box.bottom, y);
  }
  return box;
}
