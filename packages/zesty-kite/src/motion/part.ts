/** Kept values with their own copying. A fresh part is the reset. */
export interface Part {
  /** @param other a part of the same class */
  copyFrom(other: unknown): void;
}
