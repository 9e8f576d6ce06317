/** `zesty-kite schema`: the JSON Schemas of what the library and this tool read. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { fileURLToPath } from 'node:url';
import { Argument, Command } from 'commander';
import { Camera } from 'zesty-kite';
import { PlayerSettings, type JsonSchema, type Offers } from 'zesty-kite/players';
import { Failure, inFile } from '../failure.ts';
import { PACKAGE } from '../packageFolder.ts';
import { readJson } from '../read/files.ts';
import { print } from '../write/print.ts';

const { resolve } = createRequire(import.meta.url);
const FILES: Readonly<Record<string, () => string>> = {
  settings: () => resolve('zesty-kite/settings.schema.json'),
  session: () => resolve('zesty-kite/session.schema.json'),
  cutscene: () => resolve('zesty-kite/cutscene.schema.json'),
  terrain: () => fileURLToPath(new URL('terrain.schema.json', PACKAGE)),
};
const MAX_OFFERS = 1e6;

export function schemaCommand(): Command {
  return new Command('schema')
    .description('Print a JSON Schema (2020-12) of settings, player settings, session lines, cutscenes or terrains.')
    .addArgument(new Argument('<of>', 'the format').choices([...Object.keys(FILES), 'players']))
    .option('--offers <file>', 'for players: the offered settings (JSON), {"pan.speed": {"min": 0.5, "max": 2}, …}')
    .addHelpText('after', '\nExample: zesty-kite schema settings > settings.schema.json')
    .action(async (of: string, { offers }: { readonly offers?: string }) => {
      const file = FILES[of];
      if (file !== undefined && offers !== undefined)
        throw new Failure(`--offers: expected the schema "players", got "${of}"`);
      await print('stdout', file === undefined ? await playersSchema(offers) : readFileSync(file(), 'utf8'));
    });
}

async function playersSchema(offers: string | undefined): Promise<string> {
  if (offers === undefined)
    throw new Failure('--offers: expected a file that says what players may change, got nothing');
  const given = (await readJson(offers, MAX_OFFERS, 'what players may change (JSON)')) as Offers;
  if (typeof given !== 'object' || Array.isArray(given))
    throw new Failure(`${offers}: expected an object, got ${JSON.stringify(given).slice(0, 60)}`);
  const schema = JSON.parse(readFileSync(resolve('zesty-kite/settings.schema.json'), 'utf8')) as JsonSchema;
  try {
    return `${JSON.stringify(new PlayerSettings(new Camera(), schema, given).jsonSchema, null, 2)}\n`;
  } catch (error) {
    throw inFile(offers, error);
  }
}
