/** The terrain of a game, from the JavaScript module that makes it. */
import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { terrainOf, terrainOfGrid, type HeightFunction, type HeightGrid, type Terrain } from 'zesty-kite';
import { inFile, refusal } from '../failure.ts';

const WANTED =
  'a module that exports its terrain as `terrain` or by default: a terrain, a grid of heights, or a formula';

/** Whether a file is a module, by its name. */
export function isModule(file: string): boolean {
  return /\.m?js$/i.test(file);
}

/** Runs a module, and returns the terrain that it exports. @throws Failure */
export async function terrainIn(file: string): Promise<Terrain> {
  try {
    const module = (await import(pathToFileURL(resolve(file)).href)) as Readonly<Record<string, unknown>>;
    const made = module['terrain'] ?? module['default'];
    if (typeof made !== 'object' || made === null)
      throw refusal(file, `exports ${Object.keys(module).join(', ')}`, WANTED);
    if ('sampleEnvelopeInto' in made) return made as Terrain;
    return 'heights' in made ? terrainOfGrid(made as HeightGrid) : terrainOf(made as HeightFunction);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code === 'ERR_MODULE_NOT_FOUND')
      throw refusal(file, (error as Error).message.split(' imported')[0] ?? '', WANTED, error);
    throw inFile(file, error);
  }
}
