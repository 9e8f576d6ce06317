/** Builds the packages, the JSON Schemas of settings, sessions and cutscenes, and the examples. `npm run build` */
import { copyFileSync, writeFileSync } from 'node:fs';
import { bundleCli } from './setup/bundleCli.mjs';
import { bundlePanel } from './setup/bundlePanel.mjs';
import { bundleEntries } from './setup/standalone.mjs';
import { cutsceneJsonSchema, sessionJsonSchema, settingsJsonSchema } from './setup/schema.mjs';
import { root, run, say } from './setup/run.mjs';

say('Compiling the packages …');
run(process.execPath, ['node_modules/typescript/bin/tsc', '-b']);
write('settings', await settingsJsonSchema());
write('session', await sessionJsonSchema());
write('cutscene', await cutsceneJsonSchema());
await bundleEntries();
await bundleCli();
await bundlePanel();
// The guide is in the package.
copyFileSync(`${root}docs/guide.md`, `${root}packages/zesty-kite/dist/guide.md`);

say('Building the examples …');
run(process.execPath, ['node_modules/vite/bin/vite.js', 'build', 'examples', '--logLevel', 'warn']);

function write(name, schema) {
  writeFileSync(`${root}packages/zesty-kite/dist/${name}.schema.json`, `${JSON.stringify(schema, null, 2)}\n`);
}
