/** Outlines of the land at a height. */
import type { Ground } from './ground.ts';
import { ringsOf, type Spot } from './rings.ts';

/** World units between the points of an outline, at least. */
const STEP = 4;

/** Rings around all ground that lies at `level` or higher, world units. */
export function outlines(ground: Ground, level: number): Spot[][] {
  const skip = Math.max(1, Math.round(STEP / ground.step));
  const cell = ground.step * skip;
  const columns = Math.round(ground.width / cell) + 1;
  const rows = Math.round(ground.height / cell) + 1;
  const heights = new Float64Array(columns * rows).map((_, i) =>
    ground.sample((i % columns) * skip, Math.floor(i / columns) * skip),
  );
  return ringsOf({ heights, columns, left: 0, top: 0, cell }, level);
}
