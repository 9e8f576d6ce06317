/** `zesty-kite schema`: the JSON Schemas of what the library and this tool read. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { Argument, Command } from 'commander';
import { print } from './print.ts';

const { resolve } = createRequire(import.meta.url);
const FILES: Readonly<Record<string, () => string>> = {
  settings: () => resolve('zesty-kite/settings.schema.json'),
  session: () => resolve('zesty-kite/session.schema.json'),
  terrain: () => resolve('../terrain.schema.json'),
};

export function schemaCommand(): Command {
  return new Command('schema')
    .description('Print a JSON Schema (2020-12): of settings, of the lines of a session, or of a terrain.')
    .addArgument(new Argument('<of>', 'what to describe').choices(Object.keys(FILES)))
    .addHelpText('after', '\nExample: zesty-kite schema settings > settings.schema.json')
    .action(async (of: string) => {
      const file = FILES[of];
      if (file !== undefined) await print('stdout', readFileSync(file(), 'utf8'));
    });
}
