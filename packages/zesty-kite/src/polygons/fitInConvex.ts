/** The greatest span at which four corners around the focus fit into a convex polygon. */
import type { Hint } from '../limits/index.ts';
import type { ConvexEdges } from './convexEdges.ts';
import { relaxUntilFeasible } from './halfPlanes.ts';
import { farthestCorner, learn, SLACK, takeCorners, worstEdge } from './worstEdge.ts';

/**
 * Returns the greatest span, at most `max`, at which all corners fit inside somewhere; 0 if there is none.
 *
 * @param hint the edges that limited the span for similar corners: they are tried first
 */
export function fitInConvex(
  convex: ConvexEdges,
  corners: Float64Array,
  margin: number,
  screenMargin: number,
  max: number,
  hint: Readonly<Hint> | null,
): number {
  const { known, inner, extent: middle, groups, groupBound, placed, search, focus, over } = convex;
  takeCorners(convex, corners);
  known.count = 0;
  // The span is -t.
  search.t = -max;
  search.slack = middle.high * SLACK;
  search.x = inner.x;
  search.y = inner.y;
  placed.slack = search.slack * 1e-3;
  if (hint !== null && hint.first >= 0) {
    learnToFit(convex, margin, screenMargin, hint.first);
    learnToFit(convex, margin, screenMargin, hint.second);
    if (hint.third >= 0) learnToFit(convex, margin, screenMargin, hint.third);
  } else {
    // Edges from all around give a first bound.
    for (let k = 0; k < FIRST_KNOWN; k++)
      learnToFit(convex, margin, screenMargin, groups[Math.floor((k * groupBound.length) / FIRST_KNOWN)] ?? 0);
  }
  search.first = search.second = search.third = -1;
  while (search.t < 0) {
    const { t } = search;
    relaxUntilFeasible(known, search, focus);
    // The edges that exclude each other bound t by themselves, and t only grows: so dropping the others cannot go in circles.
    if (search.t > t) keepTight(convex);
    placed.span = -search.t;
    placed.margin = margin + screenMargin * placed.span;
    if (worstEdge(convex, focus) < 0) break;
    let isNews = false;
    for (let k = 0; k < convex.overCount; k++)
      if (learnToFit(convex, margin, screenMargin, over[k] ?? 0)) isNews = true;
    if (!isNews) break;
  }
  leaveHint(convex);
  return Math.max(0, -search.t);
}

function leaveHint({ hint, knownEdges, search: { first, second, third } }: ConvexEdges): void {
  hint.first = first < 0 ? -1 : (knownEdges[first] ?? -1);
  hint.second = second < 0 ? -1 : (knownEdges[second] ?? -1);
  hint.third = third < 0 ? -1 : (knownEdges[third] ?? -1);
}

const FIRST_KNOWN = 8;

/** Drops the known edges, except those that made t what it is. */
function keepTight(convex: ConvexEdges): void {
  const { search, known } = convex;
  const { first, second, third } = search;
  const last = Math.max(first, second, third);
  let kept = 0;
  for (let i = 0; i <= last; i++) if (i === first || i === second || i === third) moveKnown(convex, i, kept++);
  known.count = kept;
  search.first = 0;
  search.second = 1;
  search.third = kept > 2 ? 2 : -1;
}

function moveKnown({ known, knownEdges }: ConvexEdges, from: number, to: number): void {
  const { normalX, normalY, room, gain } = known;
  knownEdges[to] = knownEdges[from] ?? 0;
  normalX[to] = normalX[from] ?? 0;
  normalY[to] = normalY[from] ?? 0;
  room[to] = room[from] ?? 0;
  gain[to] = gain[from] ?? 0;
}

function learnToFit(convex: ConvexEdges, margin: number, screenMargin: number, edge: number): boolean {
  if (!learn(convex, edge, 0)) return false;
  farthestCorner(convex, edge);
  // Written here: numbers that are passed on may be boxed.
  const { room, gain, count } = convex.known;
  room[count - 1] = (convex.edge[edge] ?? 0) + margin;
  gain[count - 1] = (convex.reach[edge] ?? 0) - screenMargin;
  return true;
}
