export interface Warning {
  /** The setting that it is about. */
  readonly path: string;
  /** The effect, with numbers, and a cure. */
  readonly message: string;
}
