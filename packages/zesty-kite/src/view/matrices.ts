/** 4×4 matrices of a view, for renderers that want them: column-major. */
import type { Depth } from './depth.ts';
import type { Spot } from './pose.ts';
import type { View } from './view.ts';

/** Which way is up: `y` for (x, height, y), `z` for (x, -y, height). Both are right-handed. */
export type UpAxis = 'y' | 'z';

/** The clip depth of the near and of the far plane. */
export type ClipDepth = '-1..1' | '0..1' | '1..0';

/**
 * What world points are counted from: the world's own origin, or the eye, which keeps float32 from
 * shaking far from the origin.
 */
export type CountedFrom = 'origin' | 'eye';

/** Sixteen numbers each, column by column. */
export interface Matrices {
  readonly up: UpAxis;
  readonly depth: ClipDepth;
  readonly from: CountedFrom;
  /** What to take from every world point before the matrices: three numbers, 0 or the eye. */
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

/** Matrices to be filled: `const matrices = createMatrices('z', '0..1', 'eye')`, once. */
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
 * Writes all of them. Near and far are fitted, so nothing of the ground is clipped.
 *
 * Projections as in the OpenGL 2.1 specification, §2.11.2 (`Frustum`, `Ortho`), with the depth range
 * as asked; the inverses are written out, not eliminated.
 */
export function fillMatrices(view: View, out: Matrices): Matrices {
  const { look, scale, width, height } = view;
  const { sinHeading, cosHeading, sinPitch, cosPitch, widening } = look;
  view.depth(depth);
  view.eye(eye);
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

  const v = out.view;
  v[0] = cosHeading;
  v[1] = upEast;
  v[2] = backEast;
  v[second * 4] = 0;
  v[second * 4 + 1] = cosPitch;
  v[second * 4 + 2] = sinPitch;
  v[third * 4] = rightSouth;
  v[third * 4 + 1] = upSouth;
  v[third * 4 + 2] = backSouth;
  const moveRight = -(cosHeading * east + rightSouth * ahead);
  const moveUp = -(upEast * east + cosPitch * rise + upSouth * ahead);
  const moveBack = -(backEast * east + sinPitch * rise + backSouth * ahead);
  v[12] = moveRight;
  v[13] = moveUp;
  v[14] = moveBack;
  v[15] = 1;

  const vi = out.viewInverse;
  vi[0] = cosHeading;
  vi[second] = 0;
  vi[third] = rightSouth;
  vi[4] = upEast;
  vi[4 + second] = cosPitch;
  vi[4 + third] = upSouth;
  vi[8] = backEast;
  vi[8 + second] = sinPitch;
  vi[8 + third] = backSouth;
  vi[12] = east;
  vi[12 + second] = rise;
  vi[12 + third] = ahead;
  vi[15] = 1;

  // Clip x = wide · X + shiftX · w, and so on; w = -Z under perspective, 1 without.
  const perspective = widening > 0;
  const zoom = perspective ? scale * depth.toFocus : scale;
  const wide = (2 * zoom) / width;
  const high = (2 * zoom) / height;
  const shiftX = (2 * look.middleX) / width - 1;
  const shiftY = 1 - (2 * look.middleY) / height;
  const deepen = perspective ? (near * nearClip - far * farClip) / (far - near) : (nearClip - farClip) / (far - near);
  const shiftZ = perspective ? near * (nearClip + deepen) : nearClip + near * deepen;

  const p = out.projection;
  p[0] = wide;
  p[5] = high;
  p[8] = perspective ? -shiftX : 0;
  p[9] = perspective ? -shiftY : 0;
  p[10] = deepen;
  p[11] = perspective ? -1 : 0;
  p[12] = perspective ? 0 : shiftX;
  p[13] = perspective ? 0 : shiftY;
  p[14] = shiftZ;
  p[15] = perspective ? 0 : 1;

  const vp = out.viewProjection;
  const back = perspective ? -1 : 0;
  for (let column = 0; column < 16; column += 4) {
    const whole = column === 12 ? 1 : 0;
    const X = v[column] ?? 0;
    const Y = v[column + 1] ?? 0;
    const Z = v[column + 2] ?? 0;
    const w = perspective ? back * Z : whole;
    vp[column] = wide * X + shiftX * w;
    vp[column + 1] = high * Y + shiftY * w;
    vp[column + 2] = deepen * Z + shiftZ * whole;
    vp[column + 3] = w;
  }

  const i = out.inverse;
  const unwide = 1 / wide;
  const unhigh = 1 / high;
  if (perspective) {
    // X = (x - shiftX·w) / wide; Z = -w; 1 = (z + deepen·w) / shiftZ
    const unshift = 1 / shiftZ;
    const wRow = deepen * unshift;
    for (let row = 0; row < 3; row++) {
      const X = vi[row] ?? 0;
      const Y = vi[4 + row] ?? 0;
      const Z = vi[8 + row] ?? 0;
      const at = vi[12 + row] ?? 0;
      i[row] = X * unwide;
      i[4 + row] = Y * unhigh;
      i[8 + row] = at * unshift;
      i[12 + row] = at * wRow - X * shiftX * unwide - Y * shiftY * unhigh - Z;
    }
    i[3] = 0;
    i[7] = 0;
    i[11] = unshift;
    i[15] = wRow;
    return out;
  }
  const undeepen = 1 / deepen;
  for (let row = 0; row < 3; row++) {
    const X = vi[row] ?? 0;
    const Y = vi[4 + row] ?? 0;
    const Z = vi[8 + row] ?? 0;
    const at = vi[12 + row] ?? 0;
    i[row] = X * unwide;
    i[4 + row] = Y * unhigh;
    i[8 + row] = Z * undeepen;
    i[12 + row] = at - X * shiftX * unwide - Y * shiftY * unhigh - Z * shiftZ * undeepen;
  }
  i[3] = 0;
  i[7] = 0;
  i[11] = 0;
  i[15] = 1;
  return out;
}

const depth: Depth = { near: 0, toFocus: 0, far: 0 };
const eye: Spot = { x: 0, y: 0, height: 0 };
