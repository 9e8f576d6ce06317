/**
 * The borders of several polygons: the edges that no two of them share. Corners that lie on another
 * polygon's edge (T-junctions) split it; what occurs twice, such as a shared border or a spike, cancels out.
 */
import { Corners } from './corners.ts';
import type { Box } from './grid.ts';
import { coverOf } from './overlap.ts';
import { Pieces } from './pieces.ts';
import type { PlacedRing } from './rings.ts';

/** Two polygons that cover the same ground, and where. */
export interface Overlap {
  readonly one: string;
  readonly other: string;
  readonly x: number;
  readonly y: number;
}

export interface Borders {
  /** Two ends an edge: x1, y1, x2, y2. */
  readonly ends: Float64Array;
  readonly overlap: Overlap | null;
}

/** Corners nearer to each other, or to an edge, than this are on it, as a share of the greatest coordinate: 4e-5° of a globe. */
const TOUCHES = 2.5e-7;

export function bordersOf(rings: readonly PlacedRing[]): Borders {
  const numbers = new Map<string, number>();
  for (const { polygon } of rings) if (!numbers.has(polygon)) numbers.set(polygon, numbers.size);
  const names = [...numbers.keys()];
  const box = boxOf(rings);
  const most = rings.reduce((sum, { ring }) => sum + ring.length, 0);
  const touches = TOUCHES * Math.max(...[box.left, box.right, box.top, box.bottom].map(Math.abs));
  const corners = new Corners(box, most, touches);
  const outlines = rings.map(({ ring }) => Int32Array.from(ring, (corner) => corners.add(corner[0], corner[1])));
  const pieces = new Pieces(corners);
  outlines.forEach((outline, i) => {
    const polygon = numbers.get(rings[i]?.polygon ?? '') ?? -1;
    let from = outline.at(-1) ?? -1;
    for (const to of outline) {
      if (from !== to) pieces.add(from, to, polygon);
      from = to;
    }
  });
  const cover = names.length > 1 ? coverOf(pieces, box) : null;
  return {
    ends: endsOf(pieces),
    overlap: cover && { ...cover, one: names[cover.one] ?? '', other: names[cover.other] ?? '' },
  };
}

function endsOf({ corners: { xs, ys }, from, to, polygons, count }: Pieces): Float64Array {
  const ends = new Float64Array(4 * count);
  let length = 0;
  for (let piece = 0; piece < count; piece++) {
    if ((polygons[piece]?.length ?? 0) % 2 === 0) continue;
    const begin = from[piece] ?? -1;
    const end = to[piece] ?? -1;
    ends[length++] = xs[begin] ?? NaN;
    ends[length++] = ys[begin] ?? NaN;
    ends[length++] = xs[end] ?? NaN;
    ends[length++] = ys[end] ?? NaN;
  }
  return ends.slice(0, length);
}

function boxOf(rings: readonly PlacedRing[]): Box {
  const box = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };
  for (const { ring } of rings)
    for (const corner of ring) {
      box.left = Math.min(box.left, corner[0]);
      box.top = Math.min(box.top, corner[1]);
      box.right = Math.max(box.right, corner[0]);
      box.bottom = Math.max(box.bottom, corner[1]);
    }
  return box;
}
