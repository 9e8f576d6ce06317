/** A pose of a camera path, and the numbers that it may have. */
import { KEYFRAME_SCHEMA } from 'zesty-kite/direct';

export interface PathPose {
  readonly at: number;
  readonly x: number;
  readonly y: number;
  readonly span: number;
  readonly heading?: number;
  readonly pitch?: number;
}

const { at, x, y, heading, pitch } = KEYFRAME_SCHEMA.properties;
const span = { ...at, minimum: 1e-6, maximum: 1e12 };
/** The longest path, seconds. */
export const LONGEST = at.maximum;
/** The least and the greatest of each number of a keyframe. */
const RANGES: Readonly<Record<string, typeof at>> = { at, x, y, span, heading, pitch };

/** The allowed values of a number of a keyframe; null if it is allowed. */
export function faultOf(name: string, value: number): string | null {
  const { minimum, maximum } = RANGES[name] ?? at;
  if (value >= minimum && value <= maximum) return null;
  return `expected a number from ${String(minimum)} to ${String(maximum)}, got ${String(value)}`;
}
