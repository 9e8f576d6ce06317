/**
 * Sine and cosine of degrees in plain IEEE arithmetic, so that every engine gives the same
 * bits.
 *
 * Kernels: `k_sin.c`, `k_cos.c`, fdlibm 5.3. Copyright (C) 1993 by
 * Sun Microsystems, Inc. All rights reserved. Permission to use, copy, modify, and distribute that
 * software is freely granted, provided that this notice is preserved.
 */
import { atan2 } from './atan2.ts';

const RADIANS_PER_DEGREE = 0.017453292519943295;
const DEGREES_PER_RADIAN = 57.29577951308232;

const S1 = -1.66666666666666324348e-1;
const S2 = 8.33333333332248946124e-3;
const S3 = -1.98412698298579493134e-4;
const S4 = 2.75573137070700676789e-6;
const S5 = -2.50507602534068634195e-8;
const S6 = 1.58969099521155010221e-10;

const C1 = 4.16666666666666019037e-2;
const C2 = -1.38888888888741095749e-3;
const C3 = 2.48015872894767294178e-5;
const C4 = -2.75573143513906633035e-7;
const C5 = 2.0875723212981748279e-9;
const C6 = -1.13596475577881948265e-11;

/** The sine and the cosine of an angle, computed together. */
export class Angle {
  degrees = NaN;
  sine = NaN;
  cosine = NaN;

  /** Computes them from the degrees: exact at every multiple of 90; NaN for an angle that is not finite. */
  compute(): void {
    const { degrees } = this;
    // Reducing degrees is exact.
    const quarters = Math.round(degrees * (1 / 90));
    const rad = (degrees - quarters * 90) * RADIANS_PER_DEGREE;
    // Both kernels, for |rad| ≤ π/4.
    const z = rad * rad;
    const sine = rad + rad * z * (S1 + z * (S2 + z * (S3 + z * (S4 + z * (S5 + z * S6)))));
    const half = 0.5 * z;
    const rest = 1 - half;
    const cosine = rest + (1 - rest - half + z * (z * (C1 + z * (C2 + z * (C3 + z * (C4 + z * (C5 + z * C6)))))));
    const quadrant = quarters - 4 * Math.floor(quarters * 0.25);
    const odd = quadrant === 1 || quadrant === 3;
    const along = odd ? cosine : sine;
    const across = odd ? sine : cosine;
    this.sine = quadrant < 2 ? along : 0 - along;
    this.cosine = quadrant === 0 || quadrant === 3 ? across : 0 - across;
  }
}

/** The angle from the positive x axis to (x, y), in degrees, -180 … 180. */
export function angleDegrees(y: number, x: number): number {
  return atan2(y, x) * DEGREES_PER_RADIAN;
}
