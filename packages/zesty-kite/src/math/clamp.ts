/** `value`, moved into `low … high`; `low` when the two cross. NaN stays NaN. */
export function clamp(value: number, low: number, high: number): number {
  return value > high ? (high < low ? low : high) : value < low ? low : value;
}

/** `value` when it is finite and `fallback` otherwise; never -0, which JSON cannot keep. */
export function finite(value: number, fallback: number): number {
  return Number.isFinite(value) ? value + 0 : fallback;
}
