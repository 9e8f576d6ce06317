export interface Warning {
  /** The setting that it is about. */
  readonly path: string;
  /** What will happen, with numbers, and what would do. */
  readonly message: string;
}
