/** Builds the packages, the JSON Schema of the settings and the examples. `npm run build` */
import { writeFileSync } from 'node:fs';
import { objectOf } from './setup/schema.mjs';
import { root, run, say } from './setup/run.mjs';

say('Compiling the packages …');
run(process.execPath, ['node_modules/typescript/bin/tsc', '-b']);

const { toJsonSchema } = await import('@valibot/to-json-schema');
const { settingsSchema, descriptions } = await import(`${root}packages/zesty-kite/dist/settings/index.js`);
const schema = toJsonSchema(settingsSchema, { target: 'draft-2020-12', typeMode: 'input', ignoreActions: ['check'] });
schema.$schema = 'https://json-schema.org/draft/2020-12/schema';
schema.title = 'Settings of a Zesty Kite camera';
describe(schema, '');
writeFileSync(`${root}packages/zesty-kite/dist/settings.schema.json`, `${JSON.stringify(schema, null, 2)}\n`);

say('Building the examples …');
run(process.execPath, ['node_modules/vite/bin/vite.js', 'build', 'examples', '--logLevel', 'warn']);

/** Puts the descriptions in, and closes every object to keys that it does not name. */
function describe(node, path) {
  if (path !== '' && descriptions[path] === undefined) throw new Error(`settings/descriptions.ts lacks "${path}".`);
  if (path !== '') node.description = descriptions[path];
  const object = objectOf(node);
  if (!object) return;
  object.additionalProperties ??= false;
  for (const [name, child] of Object.entries(object.properties))
    describe(child, path === '' ? name : `${path}.${name}`);
}
