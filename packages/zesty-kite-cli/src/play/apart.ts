/** How far two motions are apart on the screen. */
import type { PoseAt } from './poses.ts';

/** CSS pixels: what is nearer nobody sees. */
const PARTS = 0.01;

/** How far the pictures of one time are apart. */
export interface Apart {
  readonly seconds: number;
  readonly pixels: number;
}

export interface Parted {
  /** The time at which the pictures are first a hundredth of a pixel apart; null if they never are. */
  readonly parts: number | null;
  readonly most: Apart;
  readonly atEnd: number;
}

/** Sums up how far two motions are apart from frame to frame. */
export function partedOf(apart: readonly Apart[]): Parted {
  return {
    parts: apart.find(({ pixels }) => pixels > PARTS)?.seconds ?? null,
    most: apart.reduce((worst, one) => (one.pixels > worst.pixels ? one : worst), { seconds: 0, pixels: 0 }),
    atEnd: apart.at(-1)?.pixels ?? 0,
  };
}

/**
 * By how much two pictures differ at most, about: how far the focus lies from the other's, and what zoom and turn do to the edge
 * of a screen that is as wide as high.
 */
export function pixelsBetween(a: PoseAt, b: PoseAt, height: number): number {
  const scale = height / a.span;
  const turned = (360 * Math.round((a.heading - b.heading) / 360) - (a.heading - b.heading)) * (Math.PI / 180);
  const tilted = (a.pitch - b.pitch) * (Math.PI / 180);
  const zoomed = Math.abs(a.span / b.span - 1);
  return Math.hypot(a.x - b.x, a.y - b.y) * scale + (Math.abs(turned) + Math.abs(tilted) + zoomed) * (height / 2);
}
