/** Builds the packages, the JSON Schemas of settings, sessions and cutscenes, the examples and the documentation. `npm run build` */
import { writeFileSync } from 'node:fs';
import { stampBuild } from './setup/built.mjs';
import { bundleCli } from './setup/bundleCli.mjs';
import { bundleDrawing } from './setup/bundleDrawing.mjs';
import { bundlePanel } from './setup/bundlePanel.mjs';
import { bundleLibrary } from './setup/bundleLibrary.mjs';
import { guideText } from './setup/programs.mjs';
import { buildSite } from './setup/site.mjs';
import { writeSchemas } from './setup/schemaFiles.mjs';
import { root, run, say } from './setup/run.mjs';

say('Compiling the packages …');
run(process.execPath, ['node_modules/typescript/bin/tsc', '-b']);
await bundleLibrary();
await writeSchemas();
await bundleDrawing();
await bundleCli();
await bundlePanel();
// The guide is in the package, as one file.
writeFileSync(`${root}packages/zesty-kite/dist/guide.md`, guideText());

say('Building the examples …');
const vite = ['node_modules/vite/bin/vite.js', 'build', 'examples', '--logLevel', 'warn'];
run(process.execPath, vite);
run(process.execPath, [...vite, '--mode', 'worker']);

say('Building the documentation …');
await buildSite();
stampBuild();
