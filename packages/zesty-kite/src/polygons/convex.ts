/**
 * Keeping a convex shape of ground, seen around the focus, inside a convex polygon.
 *
 * Few edges of a polygon matter to one answer. So the answer is found for those alone that are known to
 * matter, and the edge that it is over the farthest joins them, until there is none (J. E. Kelley's cutting
 * planes, Journal of the SIAM 8, 1960). Whole groups of neighbouring edges are ruled out at once.
 */
import type { Extent, Outline, Shape } from '../limits/index.ts';
import { ScratchPoint, type Point } from '../view/index.ts';
import { HalfPlanes, loosen, pin, Search } from './halfPlanes.ts';

/** A convex polygon by its edges, one after the other: the normals point outward. */
export class Convex implements Shape {
  readonly slides = false;
  readonly normalX: Float64Array;
  readonly normalY: Float64Array;
  /** How far each edge is from the origin along its normal. */
  readonly edge: Float64Array;
  /** Where each edge begins. */
  readonly cornerX: Float64Array;
  readonly cornerY: Float64Array;
  /** The first edge of each group, and the number of edges at the end. */
  readonly groups: Int32Array;
  /** 1 / cos of half the angle that the edges of each group turn by; 1 for one edge or two, which meet in one corner. */
  readonly roundness: Float64Array;
  /** The middle of its extent, and its size. */
  readonly extent: Extent;
  /** A point inside, and how far it is from the nearest edge: for the quick answer. */
  readonly inner: ScratchPoint;
  readonly innerRadius: number;
  /** Scratch: the edges that matter to an answer; counted on from the number of edges, those that matter to the focus. */
  readonly known: HalfPlanes;
  readonly knownEdges: Int32Array;
  /** Scratch: how far the corners reach along a normal, in spans, as of the last time that it was measured. */
  readonly reach: Float64Array;
  /** Scratch: the corner that reaches the farthest over all edges of a group; -1 if it is not the same one for all. */
  readonly groupCorner: Int32Array;
  /** Scratch: no edge of a group is reached over by more than this. */
  readonly groupBound: Float64Array;
  /** Scratch: the corners, the search, and its focus. */
  readonly placed = new Placed();
  readonly search = new Search();
  readonly focus = new ScratchPoint();
  /** Scratch: the edges that `worstEdge` found the corners to be over, one a group. */
  readonly over: Int32Array;
  overCount = 0;

  /** @param corners of a convex polygon, clockwise where y points down */
  constructor(corners: readonly (readonly [number, number])[]) {
    const count = corners.length;
    this.normalX = new Float64Array(count);
    this.normalY = new Float64Array(count);
    this.edge = new Float64Array(count);
    this.cornerX = Float64Array.from(corners, ([x]) => x);
    this.cornerY = Float64Array.from(corners, ([, y]) => y);
    this.known = new HalfPlanes(2 * count);
    this.knownEdges = new Int32Array(2 * count);
    this.reach = new Float64Array(count);
    this.inner = new ScratchPoint();
    this.inner.x = this.cornerX.reduce((a, b) => a + b) / count;
    this.inner.y = this.cornerY.reduce((a, b) => a + b) / count;
    let innerRadius = Infinity;
    corners.forEach(([x, y], i) => {
      const [nextX, nextY] = corners[(i + 1) % count] ?? [x, y];
      const length = Math.sqrt((nextX - x) * (nextX - x) + (nextY - y) * (nextY - y));
      const normalX = (nextY - y) / length;
      const normalY = (x - nextX) / length;
      this.normalX[i] = normalX;
      this.normalY[i] = normalY;
      this.edge[i] = normalX * x + normalY * y;
      innerRadius = Math.min(innerRadius, normalX * (x - this.inner.x) + normalY * (y - this.inner.y));
    });
    this.innerRadius = innerRadius;
    this.groups = groupsOf(this.normalX, this.normalY);
    this.roundness = this.#roundness();
    this.groupBound = new Float64Array(this.roundness.length);
    this.groupCorner = new Int32Array(this.roundness.length);
    this.over = new Int32Array(this.roundness.length);
    const left = this.cornerX.reduce((a, b) => Math.min(a, b));
    const right = this.cornerX.reduce((a, b) => Math.max(a, b));
    const top = this.cornerY.reduce((a, b) => Math.min(a, b));
    const bottom = this.cornerY.reduce((a, b) => Math.max(a, b));
    this.extent = { x: (left + right) / 2, y: (top + bottom) / 2, wide: right - left, high: bottom - top };
  }

  keep(outline: Outline, span: number, margin: number, desired: Readonly<Point>, _: Readonly<Point>, out: Point): void {
    // A point with room all around is its own answer.
    const east = desired.x - this.inner.x;
    const south = desired.y - this.inner.y;
    const room = this.innerRadius - Math.sqrt(east * east + south * south);
    if (outline.isWithin((room + margin) / span)) {
      out.x = desired.x;
      out.y = desired.y;
    } else keepInConvex(this, outline.corners, span, margin, desired, out);
  }

  maxSpan({ corners }: Outline, margin: number, screenMargin: number, max: number, hint: number): number {
    return fitInConvex(this, corners, margin, screenMargin, max, hint);
  }

  /** The edges that limited the span, as the digits of one number. */
  hint = NaN;

  maxSpanAt({ corners }: Outline, x: number, y: number, margin: number, screenMargin: number): number {
    const { normalX, normalY, edge } = this;
    let span = Infinity;
    for (let i = 0; i < edge.length; i++) {
      const nx = normalX[i] ?? 0;
      const ny = normalY[i] ?? 0;
      const room = Math.max(0, (edge[i] ?? 0) + margin - nx * x - ny * y);
      for (let k = 0; k < 8; k += 2) {
        const reach = nx * (corners[k] ?? 0) + ny * (corners[k + 1] ?? 0) - screenMargin;
        if (reach > 0) span = Math.min(span, room / reach);
      }
    }
    return span;
  }

  #roundness(): Float64Array {
    const { normalX, normalY, groups } = this;
    return Float64Array.from(groups.subarray(1), (end, g) => {
      const first = groups[g] ?? 0;
      if (end - first <= 2) return 1;
      const x = (normalX[first] ?? 0) + (normalX[end - 1] ?? 0);
      const y = (normalY[first] ?? 0) + (normalY[end - 1] ?? 0);
      return 2 / Math.sqrt(x * x + y * y);
    });
  }
}

/** More than two edges of a group turn by less than this angle in all: its cosine. */
const GROUP_TURN = 0.97;

/** Groups of about as many edges as there are groups, or fewer. */
function groupsOf(normalX: Float64Array, normalY: Float64Array): Int32Array {
  const most = Math.max(2, Math.sqrt(normalX.length));
  const groups: number[] = [];
  normalX.forEach((x, i) => {
    const first = groups.at(-1) ?? -1;
    const turns = x * (normalX[first] ?? 0) + (normalY[i] ?? 0) * (normalY[first] ?? 0);
    if (first < 0 || i - first >= most || (i - first >= 2 && !(turns > GROUP_TURN))) groups.push(i);
  });
  return Int32Array.from([...groups, normalX.length]);
}

/** Tolerance: rounding may leave a focus this far outside, in spans. */
const SLACK = 1e-9;

/**
 * The point nearest to `desired` from which all corners stay inside. If there is none, every edge gives way to the corners
 * by the same distance, the shortest that will do; none gives way to the focus.
 */
function keepInConvex(
  convex: Convex,
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
function keepFrom(convex: Convex, margin: number, out: Point): void {
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
    loosen(known, search, out);
  }
  pin(known, search, out);
}

/** The room and the gain of the edge that was added last. */
function addRoom({ room, gain, count }: HalfPlanes, distance: number, perT: number): void {
  room[count - 1] = distance;
  gain[count - 1] = perT;
}

/** The edge over which a focus is by the most; -1 when over none. */
function worstForFocus(
  { normalX, normalY, edge, placed }: Convex,
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

/**
 * Returns the greatest span, at most `max`, at which all corners fit inside somewhere; 0 if there is none.
 *
 * @param hint the edges that limited the span for similar corners: they are tried first
 */
function fitInConvex(
  convex: Convex,
  corners: Float64Array,
  margin: number,
  screenMargin: number,
  max: number,
  hint: number,
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
  for (let digits = hint; digits > 0; digits = Math.floor(digits / MOST_EDGES))
    learnToFit(convex, margin, screenMargin, (digits % MOST_EDGES) - 1);
  // Edges from all around give a first bound.
  for (let k = 0; !(hint > 0) && k < FIRST_KNOWN; k++)
    learnToFit(convex, margin, screenMargin, groups[Math.floor((k * groupBound.length) / FIRST_KNOWN)] ?? 0);
  search.first = search.second = search.third = -1;
  while (search.t < 0) {
    const { t } = search;
    loosen(known, search, focus);
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
  convex.hint = hintOf(convex);
  return Math.max(0, -search.t);
}

/** The base of hints: three edges of fewer are exact in a float64. */
const MOST_EDGES = 131_072;

function hintOf({ knownEdges, search, edge }: Convex): number {
  const { first, second, third } = search;
  if (first < 0 || edge.length >= MOST_EDGES) return NaN;
  const digit = (i: number): number => (i < 0 ? 0 : (knownEdges[i] ?? 0) + 1);
  return digit(first) + MOST_EDGES * (digit(second) + MOST_EDGES * digit(third));
}

const FIRST_KNOWN = 8;

/** Drops the known edges, except those that made t what it is. */
function keepTight(convex: Convex): void {
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

function moveKnown({ known, knownEdges }: Convex, from: number, to: number): void {
  const { normalX, normalY, room, gain } = known;
  knownEdges[to] = knownEdges[from] ?? 0;
  normalX[to] = normalX[from] ?? 0;
  normalY[to] = normalY[from] ?? 0;
  room[to] = room[from] ?? 0;
  gain[to] = gain[from] ?? 0;
}

function learnToFit(convex: Convex, margin: number, screenMargin: number, edge: number): boolean {
  if (!learn(convex, edge, 0)) return false;
  farthestCorner(convex, edge);
  addRoom(convex.known, (convex.edge[edge] ?? 0) + margin, (convex.reach[edge] ?? 0) - screenMargin);
  return true;
}

/**
 * Adds an edge to those that are known to matter; `false` when it is among them: rounding puts it over the edge.
 *
 * @param kind 0 for the corners, the number of edges for the focus
 */
function learn({ normalX, normalY, known, knownEdges }: Convex, edge: number, kind: number): boolean {
  for (let i = 0; i < known.count; i++) if (knownEdges[i] === edge + kind) return false;
  knownEdges[known.count] = edge + kind;
  known.normalX[known.count] = normalX[edge] ?? 0;
  known.normalY[known.count] = normalY[edge] ?? 0;
  known.count += 1;
  return true;
}

/** What `worstEdge` looks at: corners round a focus, in spans; and by how much they may reach out, world units. */
class Placed {
  corners: Float64Array = new Float64Array(8);
  span = NaN;
  margin = NaN;
  /** Reaching out by no more than this is not reaching out. */
  slack = NaN;
  /** How far the worst edge that has been found is reached over. */
  most = NaN;
}

/** Takes other corners. The normals of a group lie between those of its first and its last edge, so a corner that is the farthest for both is the farthest for all. */
function takeCorners(convex: Convex, corners: Float64Array): void {
  const { groups, groupBound, groupCorner, placed } = convex;
  placed.corners = corners;
  for (let g = 0; g < groupBound.length; g++) {
    const corner = farthestCorner(convex, groups[g] ?? 0);
    groupCorner[g] = farthestCorner(convex, (groups[g + 1] ?? 0) - 1) === corner ? corner : -1;
  }
}

/** Sets `reach` of an edge, and returns the corner that reaches the farthest along its normal: 0, 2, 4 or 6. */
function farthestCorner({ normalX, normalY, reach, placed: { corners } }: Convex, edge: number): number {
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
function worstEdge(convex: Convex, focus: Readonly<Point>): number {
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
function worstOfGroup(convex: Convex, group: number, { x, y }: Readonly<Point>): number {
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
function boundGroups(convex: Convex, { x, y }: Readonly<Point>): number {
  const { normalX, normalY, cornerX, cornerY, reach, groups, groupBound, roundness, placed } = convex;
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
    groupBound[g] = over * (over > 0 ? (roundness[g] ?? 1) : 1) - margin;
    if ((groupBound[g] ?? 0) > (groupBound[next] ?? 0)) next = g;
  }
  return next;
}
