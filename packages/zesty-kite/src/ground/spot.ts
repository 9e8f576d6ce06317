/** A point in space, or a direction: world units. */
export interface Spot {
  x: number;
  y: number;
  /** Up. */
  height: number;
}
