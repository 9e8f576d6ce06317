/** The height field of Lemon Strait. */
import { decode } from 'fast-png';
import { terrainOfGrid, type Terrain } from 'zesty-kite';
import groundUrl from '../../data/lemon-strait/ground.json?url';
import coarseUrl from '../../data/lemon-strait/height-coarse.png?url';
import heightUrl from '../../data/lemon-strait/height.png?url';

interface GroundFile {
  readonly name: string;
  readonly width: number;
  readonly height: number;
  readonly samples: {
    readonly columns: number;
    readonly rows: number;
    readonly step: number;
    readonly lowest: number;
    readonly highest: number;
  };
}

export interface Ground {
  /** World units. */
  readonly width: number;
  readonly height: number;
  /** World units between samples. */
  readonly step: number;
  /** The height at a sample, world units; the nearest one's outside. */
  sample(column: number, row: number): number;
  /** The same for the camera: its height at a point is bilinear between samples. */
  readonly terrain: Terrain;
}

/** @param detail `coarse` is every fourth sample in a small file, for the first frame */
export async function loadGround(detail: 'coarse' | 'fine' = 'fine'): Promise<Ground> {
  const [description, image] = await Promise.all([fetch(groundUrl), fetch(detail === 'fine' ? heightUrl : coarseUrl)]);
  const { name, width, height, samples } = (await description.json()) as GroundFile;
  const { width: columns, height: rows, data } = decode(new Uint8Array(await image.arrayBuffer()));
  const { lowest, highest } = samples;
  const step = width / (columns - 1);
  const heights = Float64Array.from(data, (value) => lowest + (value / 65535) * (highest - lowest));
  const within = (value: number, max: number): number => Math.min(max, Math.max(0, value));
  const sample = (column: number, row: number): number =>
    heights[within(row, rows - 1) * columns + within(column, columns - 1)] ?? lowest;
  return { width, height, step, sample, terrain: terrainOfGrid({ id: name, columns, rows, step, heights }) };
}
