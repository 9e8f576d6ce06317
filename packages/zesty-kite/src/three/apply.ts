/**
 * Puts a view on a camera of the three package. It takes every object with the fields of one, and imports
 * nothing: the renderer is that of the page.
 */
import { checkMade, checkView } from '../messages/index.ts';
import { angleDegrees } from '../math/index.ts';
import { ScratchDepth, ScratchSpot, type View } from '../view/index.ts';

interface Placed {
  readonly position: { set(x: number, y: number, z: number): unknown };
  readonly quaternion: { set(x: number, y: number, z: number, w: number): unknown };
  near: number;
  far: number;
  zoom: number;
  setViewOffset(fullWidth: number, fullHeight: number, x: number, y: number, width: number, height: number): void;
  updateMatrixWorld(): void;
}

/** The parts of a perspective camera that are used: angles in degrees. */
export interface PerspectiveLike extends Placed {
  /** True for a perspective camera. */
  readonly isPerspectiveCamera: boolean;
  /** The vertical angle of view, in degrees. */
  fov: number;
  /** The width over the height. */
  aspect: number;
}

/** The parts of an orthographic camera that are used. */
export interface OrthographicLike extends Placed {
  /** True for an orthographic camera. */
  readonly isOrthographicCamera: boolean;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** The parts of a renderer that are used. */
export interface RendererLike {
  /** The canvas. */
  readonly domElement: { readonly width: number; readonly height: number };
  /** Returns buffer pixels a CSS pixel. */
  getPixelRatio(): number;
  /** Sets buffer pixels a CSS pixel. */
  setPixelRatio(ratio: number): void;
  /** Sets the size in CSS pixels. */
  setSize(width: number, height: number, style: boolean): void;
}

/**
 * Sets the fields of a camera of the three package: x to the right, y up, z toward the bottom of the unturned screen. The renderer
 * and its picking work as usual.
 *
 * ```ts
 * aimThree(camera.advance(time), perspective, renderer);
 * ```
 *
 * @param renderer keeps the size and the density of the view
 * @throws TypeError for a camera with the other kind of lens
 */
export function aimThree(view: View, camera: PerspectiveLike | OrthographicLike, renderer?: RendererLike): void {
  checkView('aimThree', view);
  if (renderer !== undefined) fit(renderer, view);
  checkMade('aimThree.camera', camera, 'position', 'a PerspectiveCamera or an OrthographicCamera');
  const { projection, width, height, scale } = view;
  const perspective = projection.invFocal > 0;
  if (perspective !== 'isPerspectiveCamera' in camera)
    throw new TypeError(
      perspective
        ? `aimThree: expected a PerspectiveCamera, or settings with lens.fieldOfView null, got an orthographic camera for a field of view of ${String(view.fieldOfView)}`
        : 'aimThree: expected an OrthographicCamera, or settings with lens.fieldOfView, got a perspective camera for an orthographic view',
    );
  view.eye(eye);
  view.depth(depth);
  camera.position.set(eye.x, eye.height, eye.y);
  turn(view, camera);
  camera.near = depth.near;
  camera.far = depth.far;
  camera.zoom = 1;
  // The screen is a part of a larger one whose middle is that of the safe frame.
  const wide = 2 * Math.max(projection.middleX, width - projection.middleX);
  const high = 2 * Math.max(projection.middleY, height - projection.middleY);
  if ('isPerspectiveCamera' in camera) {
    camera.fov = 2 * angleDegrees(high / 2, scale * depth.toFocus);
    camera.aspect = wide / high;
  } else {
    camera.right = wide / 2 / scale;
    camera.left = -camera.right;
    camera.top = high / 2 / scale;
    camera.bottom = -camera.top;
  }
  camera.setViewOffset(wide, high, wide / 2 - projection.middleX, high / 2 - projection.middleY, width, height);
  camera.updateMatrixWorld();
}

function fit(renderer: RendererLike, { width, height, density }: View): void {
  checkMade('aimThree.renderer', renderer, 'setSize', 'a renderer, such as a WebGLRenderer');
  if (renderer.getPixelRatio() !== density) renderer.setPixelRatio(density);
  const { domElement } = renderer;
  // The renderer rounds down, too.
  if (domElement.width !== Math.floor(width * density) || domElement.height !== Math.floor(height * density))
    renderer.setSize(width, height, false);
}

/** First down by the pitch, about the camera's right; then by the heading, about the world's up. */
function turn({ projection }: View, camera: Placed): void {
  const halfTurn = half(projection.sinHeading, projection.cosHeading);
  const turnSine = halfTurn.sine;
  const turnCosine = halfTurn.cosine;
  const halfTilt = half(projection.sinPitch, projection.cosPitch);
  // A quaternion about up by -heading, times one about right by -pitch.
  camera.quaternion.set(
    -halfTilt.sine * turnCosine,
    -turnSine * halfTilt.cosine,
    -turnSine * halfTilt.sine,
    turnCosine * halfTilt.cosine,
  );
}

const halved = { sine: 0, cosine: 1 };

/** Sine and cosine of half an angle in -180 … 180, from those of the whole: the half-angle formulas. */
function half(sine: number, cosine: number): typeof halved {
  halved.cosine = Math.sqrt(Math.max(0, (1 + cosine) / 2));
  halved.sine = Math.sqrt(Math.max(0, (1 - cosine) / 2)) * (sine < 0 ? -1 : 1);
  return halved;
}

const eye = new ScratchSpot();
const depth = new ScratchDepth();
