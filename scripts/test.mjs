/** Sets everything up and runs every test; arguments go to Jest. `npm test`, `npm test -- clock` */
import { browser, VARIABLE } from './setup/browser.mjs';
import { engines } from './setup/engines.mjs';
import { installPackages } from './setup/packages.mjs';
import { run, say, tryRun } from './setup/run.mjs';

installPackages();
const executable = browser();
const others = engines();
say(`Browsers: ${[executable, ...Object.values(others)].join(', ')}`);
run(process.execPath, ['scripts/build.mjs']);
say('Running the tests …');
process.exitCode = tryRun(
  process.execPath,
  [
    '--disable-warning=ExperimentalWarning',
    '--experimental-vm-modules',
    'node_modules/jest/bin/jest.js',
    ...process.argv.slice(2),
  ],
  { [VARIABLE]: executable, ...others },
);
