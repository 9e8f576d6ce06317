/** Terrain from a description and a 16-bit greyscale PNG beside it. */
import { dirname, join } from 'node:path';
import { inflateSync } from 'node:zlib';
import { terrainOfGrid, type Terrain } from 'zesty-kite';
import { Failure, inFile } from '../failure.ts';
import { readJson, readWhole } from './files.ts';

interface Samples {
  readonly file: string;
  readonly columns: number;
  readonly rows: number;
  readonly step: number;
  readonly lowest: number;
  readonly highest: number;
}

/** A description is a few lines. */
const MAX_DESCRIPTION = 1e6;
/** 4096 × 4096. */
const MAX_SAMPLES = 1 << 24;
const WANTED =
  'a description of the ground, {"name": …, "samples": {"file", "columns", "rows", "step", "lowest", "highest"}}';

/**
 * Reads `{"name": …, "samples": {"file", "columns", "rows", "step", "lowest", "highest"}}`: black is
 * the lowest height, white the highest.
 */
export async function readGround(file: string): Promise<Terrain> {
  const { name, samples } = description(file, await readJson(file, MAX_DESCRIPTION, WANTED));
  const picture = join(dirname(file), samples.file);
  const heights = await heightsOf(
    picture,
    await readWhole(picture, maxBytes(samples), 'a height image (16-bit greyscale PNG)'),
    samples,
  );
  try {
    const { columns, rows, step } = samples;
    return terrainOfGrid({ id: name, columns, rows, step, heights });
  } catch (error) {
    throw inFile(file, error);
  }
}

/** Two bytes a sample and one a row; what does not compress at all is a little more. */
function rawBytes({ columns, rows }: Samples): number {
  return rows * (1 + 2 * columns);
}

function maxBytes(samples: Samples): number {
  return Math.ceil(rawBytes(samples) * 1.1) + 100_000;
}

async function heightsOf(file: string, png: Buffer, samples: Samples): Promise<Float64Array> {
  const { columns, rows, lowest, highest } = samples;
  const refuse = (found: string, cause?: unknown): never => {
    throw new Failure(
      `${file}: found ${found}; wanted a 16-bit greyscale PNG of ${String(columns)} × ${String(rows)} pixels`,
      { cause },
    );
  };
  try {
    measure(png, samples, refuse);
    // Whoever has no ground does not wait for it to load.
    const { decode } = await import('fast-png');
    const { data, depth, channels } = decode(png);
    if (depth !== 16 || channels !== 1) refuse(`${String(channels)} channels of ${String(depth)} bits`);
    return Float64Array.from(data, (value) => lowest + (value / 65535) * (highest - lowest));
  } catch (error) {
    if (error instanceof Failure) throw error;
    return refuse('no picture that can be decoded', error);
  }
}

const SIGNATURE = '89504e470d0a1a0a';

/** Looks at what a picture says of itself before anything of it is decoded (PNG, third edition, 5 and 11.2). */
function measure(png: Buffer, samples: Samples, refuse: (found: string) => never): void {
  if (png.subarray(0, 8).toString('hex') !== SIGNATURE || png.length < 33) refuse('no PNG');
  const [width, height] = [png.readUInt32BE(16), png.readUInt32BE(20)];
  if (width !== samples.columns || height !== samples.rows) refuse(`${String(width)} × ${String(height)} pixels`);
  if (png[24] !== 16 || png[25] !== 0) refuse(`colour type ${String(png[25])} of ${String(png[24])} bits`);
  if (png[28] !== 0) refuse('an interlaced picture');
  const data: Buffer[] = [];
  for (let at = 8; at + 12 <= png.length; ) {
    const length = png.readUInt32BE(at);
    if (png.toString('latin1', at + 4, at + 8) === 'IDAT') data.push(png.subarray(at + 8, at + 8 + length));
    at += 12 + length;
  }
  try {
    const size = rawBytes(samples);
    if (inflateSync(Buffer.concat(data), { maxOutputLength: size }).length !== size) refuse('too few pixels');
  } catch (error) {
    if (error instanceof Failure) throw error;
    refuse(
      (error as NodeJS.ErrnoException).code === 'ERR_BUFFER_TOO_LARGE'
        ? 'more pixels than it declares'
        : 'broken pixels',
    );
  }
}

function description(file: string, value: unknown): { name: string; samples: Samples } {
  const refuse = (path: string, found: unknown, wanted: string): never => {
    const shown = found === undefined ? 'nothing' : JSON.stringify(found).slice(0, 60);
    throw new Failure(`${file}: ${path}: found ${shown}; wanted ${wanted}`);
  };
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return refuse('the whole', value, WANTED);
  const { name, samples } = value as Partial<Record<string, unknown>>;
  if (typeof name !== 'string') return refuse('name', name, 'the name of the ground, in quotes');
  if (typeof samples !== 'object' || samples === null) return refuse('samples', samples, 'an object in braces');
  const { file: picture, columns, rows, step, lowest, highest } = samples as Partial<Record<string, unknown>>;
  if (typeof picture !== 'string' || picture === '')
    return refuse('samples.file', picture, 'the name of a PNG beside it');
  const count = (path: string, found: unknown): number =>
    typeof found === 'number' && Number.isInteger(found) && found >= 2 && found <= MAX_SAMPLES
      ? found
      : refuse(path, found, 'a whole number, at least 2');
  const number = (path: string, found: unknown): number =>
    typeof found === 'number' && Math.abs(found) <= 1e12 ? found : refuse(path, found, 'a number');
  const read: Samples = {
    file: picture,
    columns: count('samples.columns', columns),
    rows: count('samples.rows', rows),
    step: number('samples.step', step),
    lowest: number('samples.lowest', lowest),
    highest: number('samples.highest', highest),
  };
  if (read.columns * read.rows > MAX_SAMPLES)
    refuse(
      'samples',
      `${String(read.columns)} × ${String(read.rows)}`,
      `at most ${String(MAX_SAMPLES)} samples, such as 4096 × 4096`,
    );
  if (!(read.step > 0)) refuse('samples.step', read.step, 'world units above 0');
  if (read.highest < read.lowest)
    refuse('samples.highest', read.highest, `at least samples.lowest, ${String(read.lowest)}`);
  return { name, samples: read };
}
