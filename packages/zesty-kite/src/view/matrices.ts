/** 4×4 matrices of a view, for renderers that want them: column-major. */
import type { View } from './view.ts';

/** Which way is up: `y` for (x, height, y), `z` for (x, -y, height). Both are right-handed. */
export type UpAxis = 'y' | 'z';

/** The clip depth of the near and of the far plane. */
export type ClipDepth = '-1..1' | '0..1' | '1..0';

/** Sixteen numbers each, column by column. What is zero for this axis and depth is never written. */
export interface Matrices {
  readonly up: UpAxis;
  readonly depth: ClipDepth;
  /** World → eye. */
  readonly view: Float64Array;
  /** Eye → clip. */
  readonly projection: Float64Array;
  /** World → clip. */
  readonly viewProjection: Float64Array;
  /** Clip → world. */
  readonly inverse: Float64Array;
}

/** Matrices to be filled: `const matrices = createMatrices('z', '0..1')`, once. */
export function createMatrices(up: UpAxis = 'y', depth: ClipDepth = '-1..1'): Matrices {
  return {
    up,
    depth,
    view: new Float64Array(16),
    projection: new Float64Array(16),
    viewProjection: new Float64Array(16),
    inverse: new Float64Array(16),
  };
}

/**
 * Writes all four. Near and far are fitted to the heights of the ground, so nothing is clipped.
 *
 * Straight down, the eye stands one span above the highest ground; screen right is +x, screen up is
 * -y, and the depth grows downward. Orthographic projection as in the OpenGL 2.1 specification,
 * §2.11.2, with the depth range as asked.
 */
export function fillMatrices(view: View, out: Matrices): Matrices {
  const { x, y, span } = view;
  const tall = view.highest - view.lowest;
  const eye = view.highest + span;
  const near = span / 2;
  const depth = span + tall; // far - near
  const nearClip = out.depth === '-1..1' ? -1 : out.depth === '0..1' ? 0 : 1;
  const clips = (out.depth === '1..0' ? 0 : 1) - nearClip;
  const unclip = 1 / clips; // exact: ±1 or ½

  // Eye z runs from -near to -far; clip z = deepen · z + shift.
  const deepen = -clips / depth;
  const shift = nearClip + deepen * near;
  const halfHigh = span / 2;
  const halfWide = view.width / 2 / view.scale;
  const heighten = 1 / halfHigh;
  const widen = 1 / halfWide;

  // Where "down the screen" and "up from the ground" lie among the world's axes, and which way.
  const ground = out.up === 'y' ? 2 : 1;
  const height = out.up === 'y' ? 1 : 2;
  const side = out.up === 'y' ? -1 : 1; // screen-up along the ground axis

  const m = out.view;
  m[0] = 1;
  m[ground * 4 + 1] = side;
  m[height * 4 + 2] = 1;
  m[12] = -x;
  m[13] = y;
  m[14] = -eye;
  m[15] = 1;

  const p = out.projection;
  p[0] = widen;
  p[5] = heighten;
  p[10] = deepen;
  p[14] = shift;
  p[15] = 1;

  const vp = out.viewProjection;
  vp[0] = widen;
  vp[ground * 4 + 1] = side * heighten;
  vp[height * 4 + 2] = deepen;
  vp[12] = -x * widen;
  vp[13] = y * heighten;
  vp[14] = shift - eye * deepen;
  vp[15] = 1;

  const i = out.inverse;
  i[0] = halfWide;
  i[4 + ground] = side * halfHigh;
  i[8 + height] = -depth * unclip;
  i[12] = x;
  i[12 + ground] = -side * y;
  i[12 + height] = eye + shift * depth * unclip;
  i[15] = 1;
  return out;
}
