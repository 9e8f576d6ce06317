/** Builds what is missing or older than its sources: a build takes as long as a sixth of all tests. */
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root, run, say } from './run.mjs';

const STAMP = `${root}.cache/built`;
/** What the build reads, and what it writes. */
const READ_AND_WRITTEN = [
  'data',
  'docs',
  'examples',
  'packages',
  'scripts',
  'package-lock.json',
  'tsconfig.base.json',
  'tsconfig.json',
];
/** Folders that it does not: by name, or the API reference, which is built on its own. */
const OTHERS = new Set(['node_modules', 'test']);
const API_REFERENCE = join('examples', 'dist', 'reference');

export function buildIfChanged() {
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === fingerprint())
    say('Nothing has changed since the last build.');
  else run(process.execPath, ['scripts/build.mjs']);
}

/** To be called when everything has been built. */
export function stampBuild() {
  mkdirSync(`${root}.cache`, { recursive: true });
  writeFileSync(STAMP, fingerprint());
}

/** Changes with the path, the size and the time of any file that is read or written; `at` is the checkout, with a slash at its end. */
export function fingerprint(at = root) {
  const hash = createHash('sha256');
  const add = (path) => {
    const { size, mtimeMs } = statSync(at + path);
    hash.update(`${path} ${size} ${mtimeMs}\n`);
  };
  const walk = (folder) => {
    for (const entry of readdirSync(at + folder, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
      const path = join(folder, entry.name);
      if (!entry.isDirectory()) add(path);
      else if (!OTHERS.has(entry.name) && path !== API_REFERENCE) walk(path);
    }
  };
  for (const path of READ_AND_WRITTEN)
    if (statSync(at + path).isDirectory()) walk(path);
    else add(path);
  return hash.digest('hex');
}
