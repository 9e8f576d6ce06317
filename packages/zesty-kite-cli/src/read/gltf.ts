/** An animated glTF 2.0 camera as lenses over time. World (x, y, height) is glTF (x, height, y). */
import { Failure, refusal } from '../failure.ts';

const NO_ANIMATION = 'expected an animation that moves or rotates the camera, got none';

/** The parts of a glTF camera that are read. */
export interface LensAt {
  readonly seconds: number;
  readonly eye: readonly [number, number, number];
  readonly turn: readonly [number, number, number, number];
  /** Radians; null for an orthographic lens. */
  readonly yfov: number | null;
  /** World units from top to bottom of the picture; null for a perspective. */
  readonly high: number | null;
}

export interface Gltf {
  readonly asset?: { readonly version?: unknown };
  readonly cameras?: readonly {
    readonly perspective?: { readonly yfov: number };
    readonly orthographic?: { readonly ymag: number };
  }[];
  readonly nodes?: readonly {
    readonly camera?: number;
    readonly translation?: readonly number[];
    readonly rotation?: readonly number[];
    readonly children?: readonly number[];
    readonly matrix?: readonly number[];
  }[];
  readonly animations?: readonly {
    readonly channels: readonly {
      readonly sampler: number;
      readonly target: {
        readonly node?: number;
        readonly path: string;
        readonly extensions?: { readonly KHR_animation_pointer?: { readonly pointer: string } };
      };
    }[];
    readonly samplers: readonly { readonly input: number; readonly output: number; readonly interpolation?: string }[];
  }[];
  readonly buffers?: readonly { readonly uri?: string }[];
  readonly accessors?: readonly { readonly count?: unknown; readonly sparse?: { readonly count?: unknown } }[];
}

/** The first animated camera of a glTF file, at each of its times. @throws Failure for what is none */
export async function lensesOf(gltf: Gltf): Promise<LensAt[]> {
  if (gltf.asset?.version !== '2.0')
    throw refusal('asset.version', JSON.stringify(gltf.asset?.version ?? null), '"2.0"');
  const index = gltf.nodes?.findIndex(({ camera }) => camera !== undefined) ?? -1;
  const node = gltf.nodes?.[index];
  const lens = gltf.cameras?.[node?.camera ?? -1];
  if (node === undefined || lens === undefined) throw new Failure('expected a node with a camera, got none');
  if (node.matrix !== undefined || gltf.nodes?.some(({ children }) => children?.includes(index)) === true)
    throw new Failure('expected a camera without a parent node, got one with a parent');
  const [animation] = gltf.animations ?? [];
  if (animation === undefined) throw new Failure(NO_ANIMATION);
  const numbers = await accessorsOf(gltf);
  const track = (path: string, pointer: string): { times: Float32Array; values: Float32Array } | null => {
    const channel = animation.channels.find(({ target }) => {
      const pointed = target.extensions?.KHR_animation_pointer?.pointer;
      return (target.node === index && target.path === path) || pointed?.endsWith(pointer) === true;
    });
    const found = channel === undefined ? undefined : animation.samplers[channel.sampler];
    if (found === undefined) return null;
    if ((found.interpolation ?? 'LINEAR') !== 'LINEAR')
      throw new Failure(`animation: expected interpolation "LINEAR", got "${found.interpolation ?? ''}"`);
    return { times: numbers(found.input), values: numbers(found.output) };
  };
  const places = track('translation', '/translation');
  const turns = track('rotation', '/rotation');
  const fovs = track('', 'perspective/yfov');
  const mags = track('', 'orthographic/ymag');
  const times = [...new Set([places, turns, fovs, mags].flatMap((one) => [...(one?.times ?? [])]))].sort(
    (a, b) => a - b,
  );
  if (times.length === 0) throw new Failure(NO_ANIMATION);
  const fixed = { place: node.translation ?? [0, 0, 0], turn: node.rotation ?? [0, 0, 0, 1] };
  return times.map((seconds) => {
    const eye = at(places, seconds, 3) ?? fixed.place;
    const turn = at(turns, seconds, 4) ?? fixed.turn;
    const length = Math.hypot(...turn) || 1;
    const [x = 0, y = 0, z = 0, w = 1] = turn;
    const ymag = at(mags, seconds, 1)?.[0] ?? lens.orthographic?.ymag ?? null;
    return {
      seconds,
      eye: [eye[0] ?? 0, eye[1] ?? 0, eye[2] ?? 0] as const,
      turn: [x / length, y / length, z / length, w / length] as const,
      yfov: at(fovs, seconds, 1)?.[0] ?? lens.perspective?.yfov ?? null,
      high: ymag === null ? null : 2 * ymag,
    };
  });
}

/** The first of rising times that is not before another: by halving. */
function firstFrom(times: Float32Array, seconds: number): number {
  let low = 0;
  let high = times.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((times[middle] ?? 0) < seconds) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** A track between its times, evenly; before the first and after the last it stays. */
function at(
  track: { readonly times: Float32Array; readonly values: Float32Array } | null,
  seconds: number,
  size: number,
): number[] | null {
  if (track === null) return null;
  const { times, values } = track;
  const next = Math.min(firstFrom(times, seconds), times.length - 1);
  const before = Math.max(0, (times[next] ?? 0) > seconds ? next - 1 : next);
  const [from = 0, to = 0] = [times[before], times[next]];
  const share = to > from ? (seconds - from) / (to - from) : 0;
  return Array.from({ length: size }, (_, i) => {
    const [a = 0, b = 0] = [values[before * size + i], values[next * size + i]];
    return a + (b - a) * share;
  });
}

/** The numbers of each accessor of a file that has its buffer inside. */
async function accessorsOf(json: Gltf): Promise<(index: number) => Float32Array> {
  if (json.buffers?.some(({ uri }) => uri?.startsWith('data:') !== true))
    throw new Failure('buffers: expected a data URI, got a reference to another file');
  checkAccessors(json);
  const { Logger, NodeIO } = await import('@gltf-transform/core');
  const document = await new NodeIO()
    .setLogger(new Logger(Logger.Verbosity.SILENT))
    .readJSON({ json: json as never, resources: {} });
  const accessors = document.getRoot().listAccessors();
  return (index) => Float32Array.from((accessors[index]?.getArray() ?? []) as ArrayLike<number>);
}

/** Numbers of one accessor: an hour at 250 frames a second. */
const MOST_ELEMENTS = 1e6;

/** Looks at how many numbers a file says it has, before anything is made for them. @throws Failure */
function checkAccessors({ accessors = [] }: Gltf): void {
  accessors.forEach(({ count, sparse }, i) => {
    for (const [path, value, most] of [
      [`accessors[${String(i)}].count`, count, MOST_ELEMENTS],
      [`accessors[${String(i)}].sparse.count`, sparse?.count ?? 0, Number(count)],
    ] as const)
      if (!(Number.isInteger(value) && Number(value) >= 0 && Number(value) <= most))
        throw refusal(path, JSON.stringify(value), `a whole number, at most ${String(most)}`);
  });
}
