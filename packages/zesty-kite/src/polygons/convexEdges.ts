/** The edges of a convex polygon, in groups of neighbours, and the scratch of searches among them. */
import { norm } from '../math/index.ts';
import { Hint, type Extent } from '../limits/index.ts';
import { ScratchPoint } from '../view/index.ts';
import { HalfPlanes, Search } from './halfPlanes.ts';

/** A convex polygon by its edges, one after the other: the normals point outward. */
export class ConvexEdges {
  readonly normalX: Float64Array;
  readonly normalY: Float64Array;
  /** How far each edge is from the origin along its normal. */
  readonly edge: Float64Array;
  /** The beginning of each edge. */
  readonly cornerX: Float64Array;
  readonly cornerY: Float64Array;
  /** The first edge of each group, and the number of edges at the end. */
  readonly groups: Int32Array;
  /** 1 / cos of half the angle that the edges of each group turn by; 1 for one edge or two, which meet in one corner. */
  readonly turnFactor: Float64Array;
  /** The middle of its extent, and its size. */
  readonly extent: Extent;
  /** A point inside, and how far it is from the nearest edge: for the quick answer. */
  readonly inner = new ScratchPoint();
  innerRadius = Infinity;
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
  readonly placed = new Query();
  readonly search = new Search();
  readonly focus = new ScratchPoint();
  /** Scratch: the edges that `worstEdge` found the corners to be over, one a group. */
  readonly over: Int32Array;
  overCount = 0;
  readonly hint = new Hint();

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
    this.inner.x = this.cornerX.reduce((a, b) => a + b) / count;
    this.inner.y = this.cornerY.reduce((a, b) => a + b) / count;
    corners.forEach(([x, y], i) => {
      const [nextX, nextY] = corners[(i + 1) % count] ?? [x, y];
      const length = norm(nextX - x, nextY - y);
      const normalX = (nextY - y) / length;
      const normalY = (x - nextX) / length;
      this.normalX[i] = normalX;
      this.normalY[i] = normalY;
      this.edge[i] = normalX * x + normalY * y;
      this.innerRadius = Math.min(this.innerRadius, normalX * (x - this.inner.x) + normalY * (y - this.inner.y));
    });
    this.groups = groupsOf(this.normalX, this.normalY);
    this.turnFactor = this.#turnFactor();
    this.groupBound = new Float64Array(this.turnFactor.length);
    this.groupCorner = new Int32Array(this.turnFactor.length);
    this.over = new Int32Array(this.turnFactor.length);
    const left = this.cornerX.reduce((a, b) => Math.min(a, b));
    const right = this.cornerX.reduce((a, b) => Math.max(a, b));
    const top = this.cornerY.reduce((a, b) => Math.min(a, b));
    const bottom = this.cornerY.reduce((a, b) => Math.max(a, b));
    this.extent = { x: (left + right) / 2, y: (top + bottom) / 2, wide: right - left, high: bottom - top };
  }

  #turnFactor(): Float64Array {
    const { normalX, normalY, groups } = this;
    return Float64Array.from(groups.subarray(1), (end, g) => {
      const first = groups[g] ?? 0;
      if (end - first <= 2) return 1;
      const x = (normalX[first] ?? 0) + (normalX[end - 1] ?? 0);
      const y = (normalY[first] ?? 0) + (normalY[end - 1] ?? 0);
      return 2 / norm(x, y);
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

/** The input of `worstEdge`: corners round a focus, in spans; and their extent, world units. */
class Query {
  corners: Float64Array = new Float64Array(8);
  span = NaN;
  margin = NaN;
  /** Reaching out by no more than this is not reaching out. */
  slack = NaN;
  /** How far the worst edge that has been found is reached over. */
  most = NaN;
}
