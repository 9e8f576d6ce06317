/** Writes the JSON Schemas into the package. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { root } from './run.mjs';
import { cutsceneJsonSchema, sessionJsonSchema, settingsJsonSchema } from './schema.mjs';

export async function writeSchemas() {
  const dist = `${root}packages/zesty-kite/dist/`;
  mkdirSync(dist, { recursive: true });
  const schemas = { settings: settingsJsonSchema, session: sessionJsonSchema, cutscene: cutsceneJsonSchema };
  for (const [name, make] of Object.entries(schemas))
    writeFileSync(`${dist}${name}.schema.json`, `${JSON.stringify(await make(), null, 2)}\n`);
}
