/** A browser of the Chromium family: found, or installed where that is allowed. */
import { delimiter, join } from 'node:path';
import { isExecutable, mayUseApt } from './engines.mjs';
import { say, stop, tryRun } from './run.mjs';

/** Names the executable to use. */
export const VARIABLE = 'ZESTY_KITE_BROWSER';

const NAMES = [
  'chromium',
  'chromium-browser',
  'google-chrome',
  'google-chrome-stable',
  'chrome',
  'msedge',
  'microsoft-edge',
  'brave-browser',
];
const PLACES = [
  '/usr/bin/chromium',
  '/snap/bin/chromium',
  '/opt/google/chrome/chrome',
  '/Applications/Google Chrome.app/Contents/MacOS/Google Chrome',
  '/Applications/Chromium.app/Contents/MacOS/Chromium',
  '/Applications/Microsoft Edge.app/Contents/MacOS/Microsoft Edge',
  ...['ProgramFiles', 'ProgramFiles(x86)', 'LocalAppData']
    .map((name) => process.env[name])
    .filter(Boolean)
    .flatMap((folder) => [
      join(folder, 'Google/Chrome/Application/chrome.exe'),
      join(folder, 'Microsoft/Edge/Application/msedge.exe'),
    ]),
];

/** The path of a browser; ends this program with advice when there is none. */
export function browser() {
  const named = process.env[VARIABLE];
  if (named) {
    if (isExecutable(named)) return named;
    stop(`${VARIABLE}: expected the path of a Chromium-family browser, got "${named}", which is no program.`);
  }
  const found = find();
  if (found) return found;
  if (mayUseApt()) {
    say('No Chromium-family browser found: installing Debian’s or Ubuntu’s package `chromium` …');
    const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
    const installed =
      tryRun('apt-get', ['update', '-qq'], quiet) === 0 &&
      tryRun('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium', 'fonts-dejavu-core'], quiet) ===
        0;
    const fresh = installed ? find() : null;
    if (fresh) return fresh;
  }
  return stop(
    `No Chromium-family browser was found, and the browser tests cannot do without.\n` +
      `Install one (Debian, Ubuntu: sudo apt-get install chromium; macOS, Windows: Chrome, Chromium or Edge),\n` +
      `or name one: ${VARIABLE}=/path/to/browser npm test`,
  );
}

function find() {
  const folders = (process.env.PATH ?? '').split(delimiter).filter(Boolean);
  const endings = process.platform === 'win32' ? ['.exe'] : [''];
  const candidates = folders.flatMap((folder) =>
    NAMES.flatMap((name) => endings.map((ending) => join(folder, name + ending))),
  );
  return [...candidates, ...PLACES].find(isExecutable) ?? null;
}
