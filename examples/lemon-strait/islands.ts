/** Outlines of the land at a height, as rings of points: marching squares over the height field, joined. */
import type { Ground } from './ground.ts';

type Spot = readonly [x: number, y: number];

/** World units between the points of an outline, at least. */
const STEP = 4;

/** Rings around all ground that lies at `level` or higher, world units. */
export function outlines(ground: Ground, level: number): Spot[][] {
  const skip = Math.max(1, Math.round(STEP / ground.step));
  const size = ground.step * skip;
  const columns = Math.round(ground.width / size);
  const rows = Math.round(ground.height / size);
  // With a rim around the grid that is below.
  const wide = columns + 3;
  const above = new Float64Array(wide * (rows + 3)).fill(-1);
  for (let row = 0; row <= rows; row++)
    for (let column = 0; column <= columns; column++)
      above[(row + 1) * wide + column + 1] = ground.sample(column * skip, row * skip) - level;
  const inside = (column: number, row: number): number => above[(row + 1) * wide + column + 1] ?? -1;
  /** The pieces of outline, by the edge of the grid that each begins on. */
  const next = new Map<string, { readonly at: Spot; readonly to: string }>();
  const cross = (c1: number, r1: number, c2: number, r2: number): { readonly at: Spot; readonly key: string } => {
    const [a, b] = [inside(c1, r1), inside(c2, r2)];
    const share = a / (a - b);
    const at: Spot = [(c1 + (c2 - c1) * share) * size, (r1 + (r2 - r1) * share) * size];
    return { at, key: `${String(Math.min(c1, c2))},${String(Math.min(r1, r2))},${c1 === c2 ? 'v' : 'h'}` };
  };
  for (let row = -1; row <= rows; row++)
    for (let column = -1; column <= columns; column++) {
      const isIn = inside(column, row) >= 0;
      const [isNextIn, isBelowIn] = [inside(column + 1, row) >= 0, inside(column, row + 1) >= 0];
      if (isIn === isNextIn && isIn === isBelowIn && isIn === inside(column + 1, row + 1) >= 0) continue;
      const corners: readonly Spot[] = [
        [column, row],
        [column + 1, row],
        [column + 1, row + 1],
        [column, row + 1],
      ];
      // Each side that the outline leaves through follows one that it came in by, land to the right.
      const sides = corners.map(([c, r], i) => {
        const [c2, r2] = corners[(i + 1) % 4] ?? [c, r];
        const [from, to] = [inside(c, r) >= 0, inside(c2, r2) >= 0];
        return from === to ? null : { leaves: from, ...cross(c, r, c2, r2) };
      });
      sides.forEach((side, i) => {
        if (side?.leaves !== true) return;
        const into = [1, 2, 3].map((step) => sides[(i + step) % 4]).find((other) => other?.leaves === false);
        if (into) next.set(side.key, { at: side.at, to: into.key });
      });
    }
  const rings: Spot[][] = [];
  for (let [first] = next.keys(); first !== undefined; [first] = next.keys()) {
    const ring: Spot[] = [];
    for (let key = first, piece = next.get(key); piece; key = piece.to, piece = next.get(key)) {
      ring.push(piece.at);
      next.delete(key);
    }
    rings.push(ring);
  }
  return rings;
}
