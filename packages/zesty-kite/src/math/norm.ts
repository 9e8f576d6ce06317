/** The length of a vector in plain IEEE arithmetic, so that every engine gives the same bits. */

/** √(x² + y²); infinite where a square is too large for a double. */
export function norm(x: number, y: number): number {
  return Math.sqrt(x * x + y * y);
}
