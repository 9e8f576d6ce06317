/** Cuts a polygon off at the sides of a convex one (I. E. Sutherland and G. W. Hodgman, Communications of the ACM 17, 1974). */
import type { Point } from '../view/index.ts';

/** @param sides corners of a convex polygon, clockwise where y points down */
export function clip(polygon: readonly Point[], sides: readonly Point[]): readonly Point[] {
  let left = polygon;
  sides.forEach((from, i) => {
    const to = sides[(i + 1) % sides.length] ?? from;
    left = clipAt(left, from, to);
  });
  return left;
}

/** Whether a point is in a convex polygon; nothing is in one of no corners. */
export function isInside(point: Point, sides: readonly Point[]): boolean {
  return sides.length > 2 && sides.every((from, i) => right(point, from, sides[(i + 1) % sides.length] ?? from) >= 0);
}

/** How far a point lies to the right of the line from one point to another, as a multiple of its length. */
function right({ x, y }: Point, from: Point, to: Point): number {
  return (to.x - from.x) * (y - from.y) - (to.y - from.y) * (x - from.x);
}

/** Keeps what lies to the right of a line. */
function clipAt(polygon: readonly Point[], from: Point, to: Point): readonly Point[] {
  const kept: Point[] = [];
  polygon.forEach((point, i) => {
    const next = polygon[(i + 1) % polygon.length] ?? point;
    const here = right(point, from, to);
    const there = right(next, from, to);
    if (here >= 0) kept.push(point);
    if (here * there >= 0) return;
    const share = here / (here - there);
    kept.push({ x: point.x + (next.x - point.x) * share, y: point.y + (next.y - point.y) * share });
  });
  return kept;
}
