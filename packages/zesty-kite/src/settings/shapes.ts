/** Checks of bounds whose shape is neither a rectangle nor a circle. */
import type { Problems } from '../messages/index.ts';
import type { FullBounds } from './types.ts';

export interface ShapeChecks {
  /** The settings of `bounds` that have its shapes. */
  readonly names: readonly ('polygon' | 'area')[];
  /** Returns whether a shape has been checked before, without a problem. */
  isSound(shape: object): boolean;
  /** Checks the numbers of a list of corners. */
  checkCorners(corners: readonly unknown[], problems: Problems): void;
  /**
   * Checks that the shape of bounds is whole.
   *
   * @param farthest the greatest |coordinate|, and the message for one beyond it
   */
  check(bounds: FullBounds, farthest: { readonly most: number; readonly expected: string }, problems: Problems): void;
}

/** The kinds of shapes that are known; null checks none, as another context has checked them. */
export type KnownShapes = readonly ShapeChecks[] | null;
