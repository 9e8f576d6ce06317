/** 4×4 matrices of a view, for renderers: column-major. */
import { checkMade, checkView } from '../messages/index.ts';
import { fitDepth, placeEye } from './depth.ts';
import { ScratchDepth, ScratchSpot } from './scratch.ts';
import { View } from './view.ts';

/** Which way is up: `y` for (x, height, y), `z` for (x, -y, height). Both are right-handed. */
export type UpAxis = 'y' | 'z';

/** The clip depth of the near and of the far plane. */
export type ClipDepth = '-1..1' | '0..1' | '1..0';

/**
 * The origin of world points: the world's own, or the eye, which keeps float32 from
 * shaking far from the origin.
 */
export type CountedFrom = 'origin' | 'eye';

/** Sixteen numbers each, column by column. */
export interface Matrices {
  /** The axis that points up. */
  readonly up: UpAxis;
  /** The range of depth in clip space. */
  readonly depth: ClipDepth;
  /** The place that positions are counted from. */
  readonly from: CountedFrom;
  /** Three numbers to subtract from every world point before the matrices: 0 or the eye. */
  readonly origin: Float64Array;
  /** World → eye. */
  readonly view: Float64Array;
  /** Eye → clip. */
  readonly projection: Float64Array;
  /** World → clip. */
  readonly viewProjection: Float64Array;
  /** Eye → world. */
  readonly viewInverse: Float64Array;
  /** Clip → world. */
  readonly inverse: Float64Array;
}

/**
 * Returns matrices for `fillMatrices`. Make them once.
 *
 * ```ts
 * const matrices = createMatrices('z', '0..1', 'eye');
 * ```
 *
 * @param up the up axis: 'y' for (x, height, y), 'z' for (x, −y, height)
 * @param depth the clip depth of the near and the far plane
 * @param from the origin of world points: the world's, or the eye
 */
export function createMatrices(up: UpAxis = 'y', depth: ClipDepth = '-1..1', from: CountedFrom = 'origin'): Matrices {
  return {
    up,
    depth,
    from,
    origin: new Float64Array(3),
    view: new Float64Array(16),
    projection: new Float64Array(16),
    viewProjection: new Float64Array(16),
    viewInverse: new Float64Array(16),
    inverse: new Float64Array(16),
  };
}

/**
 * Fills matrices: view, projection, their product and their inverses, column-major. Near and far fit the ground, so nothing on it is
 * clipped. Projections as in the OpenGL 2.1 specification, §2.11.2 (`Frustum`, `Ortho`).
 *
 * ```ts
 * const matrices = createMatrices('z', '0..1', 'eye');
 * fillMatrices(camera.advance(time), matrices);
 * gl.uniformMatrix4fv(location, false, new Float32Array(matrices.viewProjection));
 * ```
 */
export function fillMatrices(view: View, out: Matrices): Matrices {
  if (!(view instanceof View)) checkView('fillMatrices', view);
  if ((out as Matrices | null)?.viewProjection === undefined)
    checkMade('fillMatrices.out', out, 'viewProjection', 'what createMatrices made');
  const { projection, scale, width, height } = view;
  const { sinHeading, cosHeading, sinPitch, cosPitch, invFocal } = projection;
  fitDepth(view, depth, out.from === 'eye');
  placeEye(view, depth, eye);
  const { near, far } = depth;
  const nearClip = out.depth === '-1..1' ? -1 : out.depth === '0..1' ? 0 : 1;
  const farClip = out.depth === '1..0' ? 0 : 1;

  // The axes of the eye among the world's, and the eye: rows of (east, up, south).
  const yUp = out.up === 'y';
  const second = yUp ? 1 : 2; // up
  const third = yUp ? 2 : 1; // south, or north where z is up
  const side = yUp ? 1 : -1;
  const south = side * eye.y;
  const upEast = sinPitch * sinHeading;
  const upSouth = -side * sinPitch * cosHeading;
  const backEast = -cosPitch * sinHeading;
  const backSouth = side * cosPitch * cosHeading;
  const rightSouth = side * sinHeading;
  const atEye = out.from === 'eye';
  const { origin } = out;
  origin[0] = atEye ? eye.x : 0;
  origin[second] = atEye ? eye.height : 0;
  origin[third] = atEye ? south : 0;
  const east = atEye ? 0 : eye.x;
  const rise = atEye ? 0 : eye.height;
  const ahead = atEye ? 0 : south;

  const upHeight = cosPitch;
  const backHeight = sinPitch;
  const rightEast = cosHeading;
  const moveRight = -(rightEast * east + rightSouth * ahead);
  const moveUp = -(upEast * east + upHeight * rise + upSouth * ahead);
  const moveBack = -(backEast * east + backHeight * rise + backSouth * ahead);
  const up = second * 4;
  const down = third * 4;

  const v = out.view;
  v[0] = rightEast;
  v[1] = upEast;
  v[2] = backEast;
  v[up] = 0;
  v[up + 1] = upHeight;
  v[up + 2] = backHeight;
  v[down] = rightSouth;
  v[down + 1] = upSouth;
  v[down + 2] = backSouth;
  v[12] = moveRight;
  v[13] = moveUp;
  v[14] = moveBack;
  v[15] = 1;

  const vi = out.viewInverse;
  vi[0] = rightEast;
  vi[second] = 0;
  vi[third] = rightSouth;
  vi[4] = upEast;
  vi[4 + second] = upHeight;
  vi[4 + third] = upSouth;
  vi[8] = backEast;
  vi[8 + second] = backHeight;
  vi[8 + third] = backSouth;
  vi[12] = east;
  vi[12 + second] = rise;
  vi[12 + third] = ahead;
  vi[15] = 1;

  // Clip x = wide · X + shiftX · w, and so on; w = -Z under perspective, 1 without.
  const perspective = invFocal > 0;
  const zoom = perspective ? scale * depth.toFocus : scale;
  const wide = (2 * zoom) / width;
  const high = (2 * zoom) / height;
  const shiftX = (2 * projection.middleX) / width - 1;
  const shiftY = 1 - (2 * projection.middleY) / height;
  const thick = 1 / (far - near);
  const deepen = perspective ? (near * nearClip - far * farClip) * thick : (nearClip - farClip) * thick;
  const shiftZ = perspective ? near * (nearClip + deepen) : nearClip + near * deepen;
  // The part of Z in w, and the constant part of w.
  const wZ = perspective ? -1 : 0;
  const w1 = perspective ? 0 : 1;

  const p = out.projection;
  p[0] = wide;
  p[5] = high;
  p[8] = shiftX * wZ;
  p[9] = shiftY * wZ;
  p[10] = deepen;
  p[11] = wZ;
  p[12] = shiftX * w1;
  p[13] = shiftY * w1;
  p[14] = shiftZ;
  p[15] = w1;

  const vp = out.viewProjection;
  const xZ = shiftX * wZ;
  const yZ = shiftY * wZ;
  vp[0] = wide * rightEast + xZ * backEast;
  vp[1] = high * upEast + yZ * backEast;
  vp[2] = deepen * backEast;
  vp[3] = wZ * backEast;
  vp[up] = xZ * backHeight;
  vp[up + 1] = high * upHeight + yZ * backHeight;
  vp[up + 2] = deepen * backHeight;
  vp[up + 3] = wZ * backHeight;
  vp[down] = wide * rightSouth + xZ * backSouth;
  vp[down + 1] = high * upSouth + yZ * backSouth;
  vp[down + 2] = deepen * backSouth;
  vp[down + 3] = wZ * backSouth;
  vp[12] = wide * moveRight + xZ * moveBack + shiftX * w1;
  vp[13] = high * moveUp + yZ * moveBack + shiftY * w1;
  vp[14] = deepen * moveBack + shiftZ;
  vp[15] = wZ * moveBack + w1;

  // X = (x - shiftX · w) / wide. Under perspective Z = -w and 1 = (z + deepen · w) / shiftZ; without,
  // Z = (z - shiftZ) / deepen.
  const i = out.inverse;
  const byX = 1 / wide;
  const byY = 1 / high;
  const z1 = perspective ? 1 / shiftZ : 0;
  const zZ = perspective ? 0 : 1 / deepen;
  const wEye = perspective ? deepen * z1 : 1;
  const wX = -shiftX * byX;
  const wY = -shiftY * byY;
  const wBack = perspective ? -1 : -shiftZ * zZ;
  i[0] = rightEast * byX;
  i[second] = 0;
  i[third] = rightSouth * byX;
  i[3] = 0;
  i[4] = upEast * byY;
  i[4 + second] = upHeight * byY;
  i[4 + third] = upSouth * byY;
  i[7] = 0;
  i[8] = backEast * zZ + east * z1;
  i[8 + second] = backHeight * zZ + rise * z1;
  i[8 + third] = backSouth * zZ + ahead * z1;
  i[11] = z1;
  i[12] = rightEast * wX + upEast * wY + backEast * wBack + east * wEye;
  i[12 + second] = upHeight * wY + backHeight * wBack + rise * wEye;
  i[12 + third] = rightSouth * wX + upSouth * wY + backSouth * wBack + ahead * wEye;
  i[15] = wEye;
  return out;
}

const depth = new ScratchDepth();
const eye = new ScratchSpot();
