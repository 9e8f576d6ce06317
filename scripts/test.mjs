/**
 * Sets everything up and runs every test; arguments go to Jest. `npm test`
 *
 * With the name of a file of the core's tests it builds only what that needs: `npm test -- clock`
 */
import { readdirSync } from 'node:fs';
import { browser, VARIABLE } from './setup/browser.mjs';
import { buildIfChanged } from './setup/built.mjs';
import { engines } from './setup/engines.mjs';
import { installPackages } from './setup/packages.mjs';
import { root, run, say, tryRun } from './setup/run.mjs';
import { writeSchemas } from './setup/schemaFiles.mjs';

const names = process.argv.slice(2);
installPackages();
if (isOfCore(names)) {
  run(process.execPath, ['node_modules/typescript/bin/tsc', '-b', 'packages/zesty-kite']);
  await writeSchemas();
  test(['--selectProjects', 'core', '--testPathPatterns', ...names]);
} else {
  const executable = browser();
  const others = engines();
  say(`Browsers: ${[executable, ...Object.values(others)].join(', ')}`);
  buildIfChanged();
  say('Running the tests …');
  test(names, { [VARIABLE]: executable, ...others });
}

function test(args, env = {}) {
  process.exitCode = tryRun(process.execPath, ['node_modules/jest/bin/jest.js', ...args], env);
}

/** Whether each argument is the name of a test file of the core, which runs without a browser and a bundle. */
function isOfCore(args) {
  const files = readdirSync(`${root}packages/zesty-kite/test`);
  return args.length > 0 && args.every((name) => files.includes(`${name}.test.ts`));
}
