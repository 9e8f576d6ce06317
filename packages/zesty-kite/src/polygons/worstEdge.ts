/** The edge of a convex polygon that four corners reach over by the most. */
import type { Point } from '../view/index.ts';
import type { ConvexEdges } from './convexEdges.ts';
import type { HalfPlanes } from './halfPlanes.ts';

/** Tolerance: rounding may leave a focus this far outside, in spans. */
export const SLACK = 1e-9;

/** Takes other corners. The normals of a group lie between those of its first and its last edge, so a corner that is the farthest for both is the farthest for all. */
export function takeCorners(convex: ConvexEdges, corners: Float64Array): void {
  const { groups, groupBound, groupCorner, placed } = convex;
  placed.corners = corners;
  for (let g = 0; g < groupBound.length; g++) {
    const corner = farthestCorner(convex, groups[g] ?? 0);
    groupCorner[g] = farthestCorner(convex, (groups[g + 1] ?? 0) - 1) === corner ? corner : -1;
  }
}

/** Sets `reach` of an edge, and returns the corner that reaches the farthest along its normal: 0, 2, 4 or 6. */
export function farthestCorner({ normalX, normalY, reach, placed: { corners } }: ConvexEdges, edge: number): number {
  const x = normalX[edge] ?? 0;
  const y = normalY[edge] ?? 0;
  let farthest = 0;
  let most = -Infinity;
  for (let k = 0; k < 8; k += 2) {
    const far = x * (corners[k] ?? 0) + y * (corners[k + 1] ?? 0);
    if (far <= most) continue;
    most = far;
    farthest = k;
  }
  reach[edge] = most;
  return farthest;
}

/** Returns the edge over which the corners of `placed` reach by the most, seen from a focus; -1 when over none. Sets `over`. */
export function worstEdge(convex: ConvexEdges, focus: Readonly<Point>): number {
  const { groupBound, over, placed } = convex;
  const next = boundGroups(convex, focus);
  convex.overCount = 0;
  placed.most = placed.slack;
  let worst = -1;
  for (let g = -1; g < groupBound.length; g++) {
    // The most promising group comes first, so that few others are left.
    const group = g < 0 ? next : g;
    if (g === next || !((groupBound[group] ?? 0) > placed.most)) continue;
    const most = placed.most;
    const own = worstOfGroup(convex, group, focus);
    if (own < 0) continue;
    over[convex.overCount++] = own;
    if (placed.most > most) worst = own;
  }
  return worst;
}

/** Returns the edge of a group over which the corners reach by the most, -1 when over none; sets `most` if that is more. */
function worstOfGroup(convex: ConvexEdges, group: number, { x, y }: Readonly<Point>): number {
  const { normalX, normalY, edge, reach, groups, groupCorner, placed } = convex;
  const { span, margin, corners } = placed;
  const end = groups[group + 1] ?? 0;
  const corner = groupCorner[group] ?? 0;
  const cornerX = corners[corner] ?? 0;
  const cornerY = corners[corner + 1] ?? 0;
  let worst = -1;
  let most = placed.slack;
  for (let i = groups[group] ?? 0; i < end; i++) {
    const nx = normalX[i] ?? 0;
    const ny = normalY[i] ?? 0;
    if (corner < 0) farthestCorner(convex, i);
    const far = corner < 0 ? (reach[i] ?? 0) : nx * cornerX + ny * cornerY;
    const beyond = nx * x + ny * y + span * far - (edge[i] ?? 0) - margin;
    if (beyond <= most) continue;
    most = beyond;
    worst = i;
  }
  placed.most = Math.max(placed.most, most);
  return worst;
}

/**
 * Sets how far the corners reach over the edges of each group at most: by as much as over the lines through one corner of
 * its own along its first and its last edge, as every other normal of the group lies between those two.
 *
 * @returns the group for which that is the most
 */
function boundGroups(convex: ConvexEdges, { x, y }: Readonly<Point>): number {
  const { normalX, normalY, cornerX, cornerY, reach, groups, groupBound, turnFactor, placed } = convex;
  const { span, margin } = placed;
  let next = 0;
  for (let g = 0; g < groupBound.length; g++) {
    const first = groups[g] ?? 0;
    const last = (groups[g + 1] ?? 0) - 1;
    const middle = (first + last + 1) >> 1;
    const awayX = x - (cornerX[middle] ?? 0);
    const awayY = y - (cornerY[middle] ?? 0);
    const overFirst = (normalX[first] ?? 0) * awayX + (normalY[first] ?? 0) * awayY + span * (reach[first] ?? 0);
    const overLast = (normalX[last] ?? 0) * awayX + (normalY[last] ?? 0) * awayY + span * (reach[last] ?? 0);
    const over = Math.max(overFirst, overLast);
    groupBound[g] = over * (over > 0 ? (turnFactor[g] ?? 1) : 1) - margin;
    if ((groupBound[g] ?? 0) > (groupBound[next] ?? 0)) next = g;
  }
  return next;
}

/**
 * Adds an edge to those that are known to matter; `false` when it is among them: rounding puts it over the edge.
 *
 * @param kind 0 for the corners, the number of edges for the focus
 */
export function learn({ normalX, normalY, known, knownEdges }: ConvexEdges, edge: number, kind: number): boolean {
  for (let i = 0; i < known.count; i++) if (knownEdges[i] === edge + kind) return false;
  knownEdges[known.count] = edge + kind;
  known.normalX[known.count] = normalX[edge] ?? 0;
  known.normalY[known.count] = normalY[edge] ?? 0;
  known.count += 1;
  return true;
}

/** The room and the gain of the edge that was added last. */
export function addRoom({ room, gain, count }: HalfPlanes, distance: number, perT: number): void {
  room[count - 1] = distance;
  gain[count - 1] = perT;
}
