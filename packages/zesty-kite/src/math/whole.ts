/** Parts that add up to whole ones, such as those of notches. */

/** Returns the parts after another one has come. A part of the other sign replaces them. */
export function added(parts: number, part: number): number {
  return parts * part < 0 ? part : parts + part;
}

/** Returns how many whole ones the parts make, rounding aside. */
export function wholeOf(parts: number): number {
  return Math.trunc(parts + Math.sign(parts) * 1e-9);
}
