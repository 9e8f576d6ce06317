/** `zesty-kite terrain MODULE`: writes the description of a game's terrain, for every command that takes one. */
import { basename } from 'node:path';
import { Command, InvalidArgumentError, Option } from 'commander';
import { terrainOf, type Terrain } from 'zesty-kite';
import { forceOption } from '../options.ts';
import { oneLine, refusal } from '../failure.ts';
import { readGround } from '../read/ground.ts';
import { columns as table } from '../write/columns.ts';
import { print } from '../write/print.ts';
import { WholeFile } from '../write/wholeFile.ts';

interface TerrainOptions {
  readonly area: Area;
  readonly step: number;
  readonly to: string;
  readonly force: boolean;
}

interface Area {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** 4096 × 4096. */
const MAX_SAMPLES = 1 << 24;

export function terrainCommand(): Command {
  return new Command('terrain')
    .description('Write the description of a terrain, sampled on a grid, for --terrain of other commands.')
    .argument('<file>', 'a JavaScript module that exports `terrain`, or a description')
    .addOption(
      new Option('--area <left,top,right,bottom>', 'the part to sample, world units')
        .argParser(areaOf)
        .makeOptionMandatory(),
    )
    .addOption(
      new Option('--step <units>', 'the distance between samples, world units').argParser(stepOf).makeOptionMandatory(),
    )
    .addOption(
      new Option('--to <file>', 'the file to write; its heights are beside it, in a .f64 file').default('ground.json'),
    )
    .addOption(forceOption())
    .addHelpText('after', '\nExample: zesty-kite terrain src/hills.js --area 0,0,1024,768 --step 4 --to ground.json')
    .action(async (file: string, { area, step, to, force }: TerrainOptions) => {
      const description = new WholeFile(to, force);
      const beside = `${to.replace(/\.json$/, '')}.f64`;
      const floats = new WholeFile(beside, force);
      const { columns, rows } = sizeOf(area, step);
      const terrain = await readGround(file);
      const { left, top } = area;
      const samples = { file: basename(beside), columns, rows, step, left, top };
      for (let row = 0; row < rows; row++) floats.write(rowOf(terrain, area, step, columns, row));
      description.write(`${JSON.stringify({ name: terrain.id, samples }, null, 2)}\n`);
      floats.finish();
      description.finish();
      const said = terrainOf(
        { ...terrain, heightAt: (x, y) => terrain.heightAt(x, y) },
        { columns, rows, step, left, top },
      );
      await print(
        'stdout',
        `${oneLine(to)}: "${oneLine(terrain.id)}" ${said.digest}\n${table([
          ['samples', `${String(columns)} × ${String(rows)}`],
          ['heights', `${String(said.lowest)} … ${String(said.highest)}`],
        ])}`,
      );
    });
}

function sizeOf({ left, top, right, bottom }: Area, step: number): { columns: number; rows: number } {
  const columns = Math.round((right - left) / step) + 1;
  const rows = Math.round((bottom - top) / step) + 1;
  if (columns < 2 || rows < 2 || columns * rows > MAX_SAMPLES)
    throw refusal('--step', `${String(columns)} × ${String(rows)} samples`, `2 × 2 to ${String(MAX_SAMPLES)} of them`);
  return { columns, rows };
}

/** The heights of a row: 64-bit floats, little-endian. */
function rowOf(terrain: Terrain, { left, top }: Area, step: number, columns: number, row: number): Buffer {
  const bytes = Buffer.alloc(8 * columns);
  for (let i = 0; i < columns; i++) bytes.writeDoubleLE(terrain.heightAt(left + i * step, top + row * step), 8 * i);
  return bytes;
}

function areaOf(text: string): Area {
  const [left = NaN, top = NaN, right = NaN, bottom = NaN, ...more] = text.split(',').map(Number);
  if (
    more.length === 0 &&
    right > left &&
    bottom > top &&
    Math.max(...[left, top, right, bottom].map(Math.abs)) <= 1e12
  )
    return { left, top, right, bottom };
  throw new InvalidArgumentError(`expected four numbers such as 0,0,1024,768, got "${text}".`);
}

function stepOf(text: string): number {
  const step = Number(text);
  if (step > 0 && step <= 1e12) return step;
  throw new InvalidArgumentError(`expected world units above 0, such as 4, got "${text}".`);
}
