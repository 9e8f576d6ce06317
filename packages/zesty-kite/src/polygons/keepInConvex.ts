/** Keeping four corners around the focus inside a convex polygon. */
import type { Point } from '../view/index.ts';
import type { ConvexEdges } from './convexEdges.ts';
import { relaxUntilFeasible, vertexOf } from './halfPlanes.ts';
import { addRoom, farthestCorner, learn, SLACK, takeCorners, worstEdge } from './worstEdge.ts';

/**
 * The point nearest to `desired` from which all corners stay inside. If there is none, every edge gives way to the corners
 * by the same distance, the shortest that will do; none gives way to the focus.
 */
export function keepInConvex(
  convex: ConvexEdges,
  corners: Float64Array,
  span: number,
  margin: number,
  desired: Readonly<Point>,
  out: Point,
): void {
  const { x, y } = desired;
  const { extent: middle, placed, search } = convex;
  out.x = x;
  out.y = y;
  placed.span = span;
  placed.margin = margin;
  placed.slack = 0;
  takeCorners(convex, corners);
  if (worstEdge(convex, out) < 0) return;
  placed.slack = span * SLACK * 1e-3;
  search.slack = span * SLACK;
  search.t = 0;
  search.x = x;
  search.y = y;
  // Beyond so many spans and heights of the polygon, only the way there counts: or coordinates would be coarser than the answer.
  const east = x - middle.x;
  const south = y - middle.y;
  const share = (FARTHEST * (span + middle.high)) / Math.max(Math.abs(east), Math.abs(south));
  if (share < 1) {
    search.x = middle.x + east * share;
    search.y = middle.y + south * share;
  }
  keepFrom(convex, margin, out);
  // From very far away the first answer is as coarse as its coordinates; from there it is fine.
  if (Math.abs(x - out.x) + Math.abs(y - out.y) < FAR * span) return;
  search.x = out.x;
  search.y = out.y;
  keepFrom(convex, margin, out);
}

/** In spans. */
const FAR = 1e3;
const FARTHEST = 1e5;

/** From where `search` begins. */
function keepFrom(convex: ConvexEdges, margin: number, out: Point): void {
  const { known, edge, reach, placed, search } = convex;
  const focusMargin = Math.max(0, margin);
  known.count = 0;
  search.third = -1;
  out.x = search.x;
  out.y = search.y;
  for (;;) {
    placed.margin = margin + search.t;
    const worst = worstEdge(convex, out);
    if (worst >= 0 && learn(convex, worst, 0)) {
      farthestCorner(convex, worst);
      addRoom(known, (edge[worst] ?? 0) + margin - placed.span * (reach[worst] ?? 0), 1);
    } else {
      // The focus of a view that fits is inside as it is.
      const over = search.t === 0 ? -1 : worstForFocus(convex, out, focusMargin);
      if (over < 0 || !learn(convex, over, edge.length)) break;
      addRoom(known, (edge[over] ?? 0) + focusMargin, 0);
    }
    relaxUntilFeasible(known, search, out);
  }
  vertexOf(known, search, out);
}

/** The edge over which a focus is by the most; -1 when over none. */
function worstForFocus(
  { normalX, normalY, edge, placed }: ConvexEdges,
  { x, y }: Readonly<Point>,
  focusMargin: number,
): number {
  let worst = -1;
  let most = placed.slack;
  for (let i = 0; i < edge.length; i++) {
    const beyond = (normalX[i] ?? 0) * x + (normalY[i] ?? 0) * y - (edge[i] ?? 0) - focusMargin;
    if (beyond <= most) continue;
    most = beyond;
    worst = i;
  }
  return worst;
}
