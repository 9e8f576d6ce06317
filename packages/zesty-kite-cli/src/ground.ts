/** Terrain from a description and a 16-bit greyscale PNG beside it. */
import { readFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { decode } from 'fast-png';
import { terrainOfGrid, type Terrain } from 'zesty-kite';

interface Description {
  readonly name: string;
  readonly samples: {
    readonly file: string;
    readonly columns: number;
    readonly rows: number;
    readonly step: number;
    readonly lowest: number;
    readonly highest: number;
  };
}

/**
 * Reads `{"name": …, "samples": {"file", "columns", "rows", "step", "lowest", "highest"}}`: black is
 * the lowest height, white the highest.
 */
export async function readGround(file: string): Promise<Terrain> {
  try {
    const { name, samples } = description(JSON.parse(await readFile(file, 'utf8')));
    const { columns, rows, step, lowest, highest } = samples;
    const { data, depth, channels } = decode(await readFile(join(dirname(file), samples.file)));
    if (depth !== 16 || channels !== 1)
      throw new Error(
        `${samples.file}: found ${String(channels)} channels of ${String(depth)} bits; wanted 16-bit greyscale`,
      );
    const heights = Float64Array.from(data, (value) => lowest + (value / 65535) * (highest - lowest));
    return terrainOfGrid({ id: name, columns, rows, step, heights });
  } catch (error) {
    throw new Error(`${file}: ${error instanceof Error ? error.message : String(error)}`, { cause: error });
  }
}

function description(value: unknown): Description {
  const { name, samples } = (value ?? {}) as Partial<Description>;
  if (typeof name !== 'string') throw new Error(`name: found ${String(name)}; wanted the name of the ground`);
  const numbers = ['columns', 'rows', 'step', 'lowest', 'highest'] as const;
  const wrong = numbers.find((key) => typeof samples?.[key] !== 'number');
  if (samples === undefined || wrong !== undefined || typeof samples.file !== 'string')
    throw new Error(`samples.${wrong ?? 'file'}: found nothing that will do; wanted file, ${numbers.join(', ')}`);
  return { name, samples };
}
