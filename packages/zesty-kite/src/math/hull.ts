/** The convex hull of points: A. M. Andrew's monotone chain, Information Processing Letters 9 (1979). */

/** @returns the corners of the hull, clockwise where y points down, none of them on a straight side */
export function convexHull(points: readonly (readonly [number, number])[]): [number, number][] {
  const sorted = points.toSorted(([ax, ay], [bx, by]) => ax - bx || ay - by);
  const half = (list: readonly (readonly [number, number])[]): [number, number][] => {
    const chain: [number, number][] = [];
    for (const [x, y] of list) {
      while (chain.length > 1 && turn(chain.at(-2), chain.at(-1), x, y) <= 0) chain.pop();
      chain.push([x, y]);
    }
    chain.pop();
    return chain;
  };
  return [...half(sorted), ...half(sorted.toReversed())];
}

type Corner = readonly [number, number] | undefined;

function turn(a: Corner, b: Corner, x: number, y: number): number {
  if (a === undefined || b === undefined) return 0;
  return (b[0] - a[0]) * (y - a[1]) - (b[1] - a[1]) * (x - a[0]);
}
