/** Rings around high ground in a grid of heights: marching squares, joined. */

export type Spot = readonly [x: number, y: number];

export interface Grid {
  /** Row by row, world units. */
  readonly heights: Float64Array;
  readonly columns: number;
  /** The place of the first height, and the distance of neighbours, world units. */
  readonly left: number;
  readonly top: number;
  readonly cell: number;
}

/** All around the grid the ground is so low that rings run along its sides. */
const BELOW = -1e9;

/** Returns rings of points around all that lies at `level` or higher; holes run the other way round. */
export function ringsOf({ heights, columns, left, top, cell }: Grid, level: number): Spot[][] {
  const rows = heights.length / columns;
  const wide = columns + 2;
  const above = new Float64Array(wide * (rows + 2)).fill(BELOW);
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++)
      above[(row + 1) * wide + column + 1] = (heights[row * columns + column] ?? BELOW) - level;
  const isIn = (i: number): boolean => (above[i] ?? BELOW) >= 0;
  /** For the edge where a piece of a ring begins, the edge where it ends. The edges of point i are 2 i (right) and 2 i + 1 (down). */
  const next = new Int32Array(2 * above.length).fill(-1);
  const link = (corners: readonly number[], edges: readonly number[]): void => {
    for (let from = 0; from < 4; from++) {
      if (!isIn(corners[from] ?? 0) || isIn(corners[(from + 1) % 4] ?? 0)) continue;
      let to = from + 1;
      while (!isIn(corners[(to + 1) % 4] ?? 0)) to += 1;
      next[edges[from] ?? 0] = edges[to % 4] ?? 0;
    }
  };
  for (let i = 0; i < above.length - wide; i++) {
    if (i % wide === wide - 1) continue;
    const below = i + wide;
    const count = Number(isIn(i)) + Number(isIn(i + 1)) + Number(isIn(below + 1)) + Number(isIn(below));
    if (count % 4 !== 0) link([i, i + 1, below + 1, below], [2 * i, 2 * i + 3, 2 * below, 2 * i + 1]);
  }
  const crossing = (edge: number): Spot => {
    const i = edge >> 1;
    const isDown = edge % 2 === 1;
    const from = above[i] ?? BELOW;
    const share = from / (from - (above[isDown ? i + wide : i + 1] ?? BELOW));
    const column = (i % wide) - 1 + (isDown ? 0 : share);
    const row = Math.floor(i / wide) - 1 + (isDown ? share : 0);
    return [left + column * cell, top + row * cell];
  };
  const rings: Spot[][] = [];
  next.forEach((to, first) => {
    if (to < 0) return;
    const ring: Spot[] = [];
    for (let edge = first; edge >= 0; ) {
      ring.push(crossing(edge));
      const after = next[edge] ?? -1;
      next[edge] = -1;
      edge = after;
    }
    // The last edge is the first one.
    ring.pop();
    rings.push(ring);
  });
  return rings;
}
