/** The other engines that sessions are played in: Firefox, and WebKit with its driver and a display for it. */
import { accessSync, constants, existsSync, readFileSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { delimiter, join } from 'node:path';
import { say, stop, tryRun } from './run.mjs';

/** The programs, their other paths, and their Debian packages. */
const PROGRAMS = {
  ZESTY_KITE_FIREFOX: {
    names: ['firefox-esr', 'firefox'],
    places: ['/usr/bin/firefox-esr'],
    packages: ['firefox-esr'],
  },
  ZESTY_KITE_WEBKIT: {
    names: ['MiniBrowser'],
    places: [
      '/usr/lib/x86_64-linux-gnu/webkit2gtk-4.1/MiniBrowser',
      '/usr/lib/aarch64-linux-gnu/webkit2gtk-4.1/MiniBrowser',
      '/usr/lib/x86_64-linux-gnu/webkit2gtk-4.0/MiniBrowser',
      '/usr/lib/aarch64-linux-gnu/webkit2gtk-4.0/MiniBrowser',
    ],
    packages: ['webkit2gtk-driver'],
  },
  ZESTY_KITE_WEBKIT_DRIVER: {
    names: ['WebKitWebDriver'],
    places: ['/usr/bin/WebKitWebDriver'],
    packages: ['webkit2gtk-driver'],
  },
  ZESTY_KITE_DISPLAY: { names: ['Xvfb'], places: ['/usr/bin/Xvfb'], packages: ['xvfb', 'libgl1-mesa-dri'] },
};

/** The path of each, by the variable that names it; ends this program with advice when one is missing. */
export function engines() {
  const missing = Object.keys(PROGRAMS).filter((variable) => !find(variable));
  const packages = [...new Set(missing.flatMap((variable) => PROGRAMS[variable].packages))];
  if (packages.length > 0 && mayUseApt()) {
    say(`Not found: installing Debian’s or Ubuntu’s ${packages.join(', ')} …`);
    const quiet = { DEBIAN_FRONTEND: 'noninteractive' };
    tryRun('apt-get', ['update', '-qq'], quiet);
    tryRun('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], quiet);
  }
  return Object.fromEntries(
    Object.keys(PROGRAMS).map((variable) => [
      variable,
      find(variable) ??
        stop(
          `${PROGRAMS[variable].names[0]} was not found, and the tests of three engines cannot do without.\n` +
            `Install it (Debian, Ubuntu: sudo apt-get install ${PROGRAMS[variable].packages.join(' ')}), or name it: ${variable}=/path/to/it npm test`,
        ),
    ]),
  );
}

function find(variable) {
  const named = process.env[variable];
  if (named) return isExecutable(named) ? named : stop(`${variable}: expected the path of a program, got "${named}".`);
  const { names, places } = PROGRAMS[variable];
  const folders = (process.env.PATH ?? '').split(delimiter).filter(Boolean);
  return (
    [...folders.flatMap((folder) => names.map((name) => join(folder, name))), ...places].find(isExecutable) ?? null
  );
}

export function isExecutable(path) {
  try {
    accessSync(path, constants.X_OK);
    return true;
  } catch {
    return false;
  }
}

/** Root on Debian or a system made from it. */
export function mayUseApt() {
  if (process.getuid?.() !== 0 || !existsSync('/etc/os-release')) return false;
  const debian = /^ID(_LIKE)?=.*\b(debian|ubuntu)\b/m.test(readFileSync('/etc/os-release', 'utf8'));
  return debian && spawnSync('apt-get', ['--version']).status === 0;
}
