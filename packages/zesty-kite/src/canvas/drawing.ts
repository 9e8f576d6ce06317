/** A 2D canvas made ready for each frame: as large as its element in device pixels, cleared, and drawn on in world units. */
import { checkFunction, checkMade, checkObject, refuse, sentence, shown } from '../messages/index.ts';
import { aim, View, type Affine, type Pose } from '../view/index.ts';

/** The parts of a canvas that are used; an element has a style, too. */
export interface Canvas {
  /** The width of the buffer in pixels. */
  width: number;
  /** The height of the buffer in pixels. */
  height: number;
  /** The width on the page in CSS pixels; missing off the page. */
  readonly clientWidth?: number;
  /** The size on the page is written here. */
  readonly style?: { width: string; height: string; imageRendering?: string };
}

/** The parts of its context that are used; that of an OffscreenCanvas has them, too. */
export interface CanvasContext {
  /** The canvas that is drawn on. */
  readonly canvas: Canvas;
  /** False for sharp pixels. */
  imageSmoothingEnabled?: boolean;
  /** Sets the matrix from world units to pixels. */
  setTransform(a: number, b: number, c: number, d: number, e: number, f: number): void;
  /** Clears an area, in pixels. */
  clearRect(x: number, y: number, width: number, height: number): void;
}

export interface DrawingOptions {
  /**
   * Moves what is drawn, by half a device pixel at most, so that the world's origin lies on whole device pixels: pixel art
   * stays sharp. `at-rest` eases into it as the picture comes to rest; `never` is the default.
   */
  readonly snap?: 'never' | 'at-rest' | 'always';
  /**
   * Images are smoothed when they are scaled; `false` for pixel art. A context loses this when its canvas is resized, so it
   * is set in every frame. By default it is left alone.
   */
  readonly smoothing?: boolean;
  /** Pixels drawn per CSS pixel, computed in every frame, such as `densityByZoom` makes; that of the view by default. */
  readonly density?: (view: View) => number;
  /** How a canvas with fewer pixels than the screen is enlarged: `nearest` shows them as squares; `smooth` is the default. */
  readonly enlarge?: 'smooth' | 'nearest';
}

/** A canvas to draw on frame by frame. */
export interface Drawing {
  /**
   * Begins a frame: sizes and clears the canvas, and has the context draw in world units.
   *
   * @returns the view that is drawn: pick and label with it. It is the camera's own unless it had to be moved to whole pixels
   * @throws RangeError for a view that no 2D canvas can draw: a perspective that is not straight down
   */
  begin(view: View): View;
  /** From here on the context draws in CSS pixels from the top left: for labels. */
  inPixels(): void;
  /** From here on it draws in world units again. */
  inWorld(): void;
  /**
   * World units that cover a drawn pixel. Squares along the axes of the world that are drawn this much larger show no hairlines
   * between them: `context.fillRect(x, y, 64 + drawing.pixel, 64 + drawing.pixel)`.
   */
  readonly pixel: number;
  /** `false` while the drawing still eases to whole pixels. Draw on until it is true. */
  readonly settled: boolean;
}

/**
 * Returns a drawing of a 2D context. `begin` resizes and clears the canvas, and sets world units.
 *
 * ```ts
 * const drawing = createDrawing(context);
 * const view = drawing.begin(camera.advance(time));
 * context.fillRect(0, 0, 1024, 768); // world units
 * ```
 *
 * @throws TypeError for wrong options; `begin` throws RangeError for a tilted perspective
 */
export function createDrawing(context: CanvasContext, options: DrawingOptions = {}): Drawing {
  checkMade('createDrawing.context', context, 'setTransform', "a 2D context: canvas.getContext('2d')");
  checkObject('createDrawing.options', options, 'an object such as { snap }');
  const { snap = 'never', density: ask, enlarge = 'smooth', smoothing } = options;
  if (ask !== undefined)
    checkFunction('createDrawing.density', ask, 'a function of the view, such as densityByZoom makes');
  const known = ['never', 'at-rest', 'always'];
  if (!known.includes(snap)) refuse('createDrawing.snap', snap, `one of "${known.join('", "')}"`);
  const snapper = new Snapper();
  const affine: Affine = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };
  let density = 1;
  const inWorld = (): void => {
    const { a, b, c, d, e, f } = affine;
    context.setTransform(a * density, b * density, c * density, d * density, e * density, f * density);
  };
  return {
    begin: (view) => {
      const drawn = snap === 'never' ? view : snap === 'always' ? snapper.snap(view) : snapper.ease(view);
      density = densityOf(ask?.(view) ?? view.density);
      if (view.projection.invFocal > 0 && view.projection.cosPitch !== 0) refuseTilted(view);
      drawn.affine(affine);
      fit(context.canvas, view, density);
      if (smoothing !== undefined) context.imageSmoothingEnabled = smoothing;
      if (context.canvas.style !== undefined && ask !== undefined)
        context.canvas.style.imageRendering = enlarge === 'nearest' ? 'pixelated' : 'auto';
      context.setTransform(1, 0, 0, 1, 0, 0);
      context.clearRect(0, 0, context.canvas.width, context.canvas.height);
      inWorld();
      return drawn;
    },
    inPixels: () => {
      context.setTransform(density, 0, 0, density, 0, 0);
    },
    inWorld,
    get pixel() {
      return (ROUNDED * overlapOf(affine)) / density;
    },
    get settled() {
      return snapper.settled;
    },
  };
}

function refuseTilted({ fieldOfView, pitch }: View): never {
  throw new RangeError(
    sentence({
      path: 'createDrawing',
      got: `a field of view of ${String(fieldOfView)} at a pitch of ${String(pitch)}`,
      expected:
        'an orthographic lens (lens.fieldOfView null), a pitch of 90, or a 3D renderer with aimThree of zesty-kite/three, or fillMatrices',
    }),
  );
}

/**
 * How far squares along the axes of the world have to overlap, so that every pixel on an edge is inside of one of them: the
 * extent of a pixel along the normal of the edge, |nₓ| + |nᵧ|, in world units.
 */
function overlapOf({ a, b, c, d }: Affine): number {
  return Math.max(Math.abs(a) + Math.abs(b), Math.abs(c) + Math.abs(d)) / Math.abs(a * d - b * c);
}

/** Browsers round edges to a sixteenth of a pixel. */
const ROUNDED = 17 / 16;

/** More pixels for each CSS pixel are no use, and no browser has them. */
const MOST = 16;

/** @throws RangeError for a density that no canvas can have */
function densityOf(density: number): number {
  if (density > 0 && density <= MOST) return density;
  throw new RangeError(
    sentence({
      path: 'createDrawing.density',
      got: shown(density),
      expected: `a number above 0, up to ${String(MOST)}`,
    }),
  );
}

/** Gives a canvas as many pixels as are drawn; its element keeps its size. */
function fit(canvas: Canvas, { width, height }: View, density: number): void {
  const wide = Math.max(1, Math.round(width * density));
  const high = Math.max(1, Math.round(height * density));
  if (canvas.width === wide && canvas.height === high) return;
  const before = canvas.clientWidth;
  canvas.width = wide;
  canvas.height = high;
  // An element that no style gives a size would grow with its pixels.
  if (canvas.style === undefined || canvas.clientWidth === before) return;
  canvas.style.width = `${String(width)}px`;
  canvas.style.height = `${String(height)}px`;
}

/** Device pixels a frame: a picture that moves by less is at rest, one that moves by more is not. */
const RESTS = 0.02;
const MOVES = 1;
/** The share of the way to whole pixels that a frame goes, and how near counts as there, in device pixels. */
const EASES = 0.15;
const THERE = 1e-3;

/** Moves views to whole device pixels. */
class Snapper {
  /** The drawing is at its place. */
  settled = true;
  readonly #snapped = new View();
  readonly #affine: Affine = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };
  /** The view of the frame before. */
  readonly #before = new View();
  /** Scratch. */
  readonly #pose = { x: 0, y: 0, focusHeight: 0, span: 1, heading: 0, pitch: 90, fieldOfView: 0 };
  readonly #at = { x: 0, y: 0, depth: 0, inFront: true };
  /** How far the picture is moved, device pixels. */
  #right = 0;
  #down = 0;

  /** The same view, moved at once so that the world's origin is on whole device pixels. */
  snap(view: View): View {
    this.#right = this.#down = 0;
    return this.#towardWhole(view, 1, 1);
  }

  /** The same, as far as the picture is at rest, eased from frame to frame. */
  ease(view: View): View {
    return this.#towardWhole(view, this.#restOf(view), EASES);
  }

  #towardWhole(view: View, rest: number, share: number): View {
    const { a, b, c, d, e, f } = view.affine(this.#affine);
    const { density } = view;
    const right = rest * (Math.round(e * density) - e * density);
    const down = rest * (Math.round(f * density) - f * density);
    this.#right = near(this.#right + share * (right - this.#right), right);
    this.#down = near(this.#down + share * (down - this.#down), down);
    this.settled = this.#right === right && this.#down === down;
    if (this.#right === 0 && this.#down === 0) return view;
    const size = (a * d - b * c) * density;
    const x = view.x - (d * this.#right - c * this.#down) / size;
    const y = view.y - (a * this.#down - b * this.#right) / size;
    return aim(this.#snapped, this.#moved(view, x, y), view, view.ground, view.projection);
  }

  /** The pose of a view from another focus. */
  #moved({ focusHeight, span, heading, pitch, fieldOfView }: View, x: number, y: number): Pose {
    const pose = this.#pose;
    pose.x = x;
    pose.y = y;
    pose.focusHeight = focusHeight;
    pose.span = span;
    pose.heading = heading;
    pose.pitch = pitch;
    pose.fieldOfView = fieldOfView;
    return pose;
  }

  /** How much at rest the picture is since the last frame, 0 … 1. */
  #restOf(view: View): number {
    const before = this.#before;
    const { middleX, middleY } = view.projection;
    const at = view.toScreen(before.x, before.y, before.focusHeight, this.#at);
    const turned = (Math.abs(view.heading - before.heading) * Math.PI) / 180 + Math.abs(view.scale / before.scale - 1);
    const moved = (Math.abs(at.x - middleX) + Math.abs(at.y - middleY) + (turned * view.width) / 2) * view.density;
    aim(before, view, view, view.ground, view.projection);
    return Math.min(1, Math.max(0, (MOVES - moved) / (MOVES - RESTS)));
  }
}

function near(value: number, goal: number): number {
  return Math.abs(value - goal) < THERE ? goal : value;
}
