/** Terrain from a description with its heights beside it, a 16-bit greyscale PNG or 64-bit floats; or from a module of a game. */
import { dirname, join } from 'node:path';
import { inflateSync } from 'node:zlib';
import { terrainOfGrid, type Terrain } from 'zesty-kite';
import { Failure, inFile, refusal } from '../failure.ts';
import { readJson, readWhole } from './files.ts';
import { isModule, terrainIn } from './gameModule.ts';

interface Grid {
  readonly columns: number;
  readonly rows: number;
  readonly step: number;
  readonly left: number;
  readonly top: number;
}

interface Picture extends Grid {
  readonly file: string;
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
 * Reads `{"name": …, "samples": {"file", "columns", "rows", "step", "lowest", "highest"}}`: black is the lowest height, white the
 * highest. A file that ends in `.f64` has the heights themselves, 64-bit floats, little-endian. A module of a game exports its terrain.
 */
export async function readGround(file: string): Promise<Terrain> {
  if (isModule(file)) return terrainIn(file);
  const { name, samples } = description(file, await readJson(file, MAX_DESCRIPTION, WANTED));
  const heights = await heightsBeside(file, samples);
  try {
    const { columns, rows, step, left, top } = samples;
    return terrainOfGrid({ id: name, columns, rows, step, left, top, heights });
  } catch (error) {
    throw inFile(file, error);
  }
}

async function heightsBeside(file: string, samples: Picture): Promise<Float64Array> {
  const picture = join(dirname(file), samples.file);
  if (isFloats(samples.file)) return floatsOf(picture, samples);
  const png = await readWhole(picture, maxBytes(samples), 'a height image (16-bit greyscale PNG)');
  return heightsOf(picture, png, samples);
}

/** Whether a file has heights as numbers, by its name. */
function isFloats(file: string): boolean {
  return file.endsWith('.f64');
}

async function floatsOf(file: string, { columns, rows }: Picture): Promise<Float64Array> {
  const size = 8 * columns * rows;
  const bytes = await readWhole(file, size, 'heights (64-bit floats)');
  if (bytes.length !== size)
    throw refusal(
      file,
      `${String(bytes.length)} bytes`,
      `${String(size)} bytes, a 64-bit float for each of columns · rows`,
    );
  return Float64Array.from({ length: columns * rows }, (_, i) => bytes.readDoubleLE(8 * i));
}

/** Two bytes a sample and one a row; what does not compress at all is a little more. */
function rawBytes({ columns, rows }: Picture): number {
  return rows * (1 + 2 * columns);
}

function maxBytes(samples: Picture): number {
  return Math.ceil(rawBytes(samples) * 1.1) + 100_000;
}

async function heightsOf(file: string, png: Buffer, samples: Picture): Promise<Float64Array> {
  const { columns, rows, lowest, highest } = samples;
  const refuse = (got: string, cause?: unknown): never => {
    throw new Failure(
      `${file}: expected a 16-bit greyscale PNG of ${String(columns)} × ${String(rows)} pixels, got ${got}`,
      { cause },
    );
  };
  try {
    measure(png, samples, refuse);
    // Calls without ground do not wait for it to load.
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
function measure(png: Buffer, samples: Picture, refuse: (got: string) => never): void {
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

function description(file: string, value: unknown): { name: string; samples: Picture } {
  const refuse = (path: string, got: unknown, expected: string): never => {
    const shown = got === undefined ? 'nothing' : JSON.stringify(got).slice(0, 60);
    throw new Failure(`${file}: ${path}: expected ${expected}, got ${shown}`);
  };
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return refuse('the whole', value, WANTED);
  const { name, samples } = value as Partial<Record<string, unknown>>;
  if (typeof name !== 'string') return refuse('name', name, 'the name of the ground, in quotes');
  if (typeof samples !== 'object' || samples === null) return refuse('samples', samples, 'an object');
  const given = samples as Partial<Record<string, unknown>>;
  const { file: picture, columns, rows, step, left = 0, top = 0, lowest, highest } = given;
  if (typeof picture !== 'string' || picture === '')
    return refuse('samples.file', picture, 'the name of a PNG beside it');
  const count = (path: string, got: unknown): number =>
    typeof got === 'number' && Number.isInteger(got) && got >= 2 && got <= MAX_SAMPLES
      ? got
      : refuse(path, got, 'a whole number, at least 2');
  const number = (path: string, got: unknown): number =>
    typeof got === 'number' && Math.abs(got) <= 1e12 ? got : refuse(path, got, 'a number');
  const read: Grid = {
    columns: count('samples.columns', columns),
    rows: count('samples.rows', rows),
    step: number('samples.step', step),
    left: number('samples.left', left),
    top: number('samples.top', top),
  };
  if (read.columns * read.rows > MAX_SAMPLES)
    refuse(
      'samples',
      `${String(read.columns)} × ${String(read.rows)}`,
      `at most ${String(MAX_SAMPLES)} samples, such as 4096 × 4096`,
    );
  if (!(read.step > 0)) refuse('samples.step', read.step, 'world units above 0');
  if (isFloats(picture)) return { name, samples: { ...read, file: picture, lowest: 0, highest: 0 } };
  const black = number('samples.lowest', lowest);
  const white = number('samples.highest', highest);
  if (white < black) refuse('samples.highest', white, `at least samples.lowest, ${String(black)}`);
  return { name, samples: { ...read, file: picture, lowest: black, highest: white } };
}
