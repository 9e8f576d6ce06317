/** The convex hull of points: A. M. Andrew's monotone chain, Information Processing Letters 9 (1979). */

type Point = readonly [x: number, y: number, ...rest: unknown[]];

/** @returns the points at the corners of the hull, clockwise where y points down, none of them on a straight side */
export function convexHull<P extends Point>(points: readonly P[]): P[] {
  // Patterns that take points apart are slow until the engine knows the function well.
  const sorted = points.toSorted((a, b) => a[0] - b[0] || a[1] - b[1]);
  return [...chain(sorted), ...chain(sorted.reverse())];
}

/** Half of the hull of sorted points, without its last corner. */
function chain<P extends Point>(sorted: readonly P[]): P[] {
  const corners: P[] = [];
  for (const point of sorted) {
    while (corners.length > 1 && turn(corners.at(-2), corners.at(-1), point) <= 0) corners.pop();
    corners.push(point);
  }
  corners.pop();
  return corners;
}

function turn(a: Point | undefined, b: Point | undefined, c: Point): number {
  if (a === undefined || b === undefined) return 0;
  return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);
}
