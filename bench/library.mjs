/** Loads a build of the library: this one, or that of a commit. */
import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));

/** @param checkout a built checkout */
export async function load(checkout = root) {
  const dist = join(checkout, 'packages/zesty-kite/dist');
  const entries = {};
  for (const entry of ['index', 'direct', 'polygons', 'session']) {
    // A build of before has a folder an entry.
    const file = [`${entry}.js`, `${entry}/index.js`].map((name) => join(dist, name)).find((each) => existsSync(each));
    if (file !== undefined) Object.assign(entries, await import(pathToFileURL(file).href));
  }
  return { ...entries, Camera: withOldNames(entries.Camera) };
}

/** Settings that had other names once. */
const OLD_NAMES = { minSpan: 'leastSpan', maxSpan: 'mostSpan' };

/** A build of before takes the names of settings that it knew. */
function withOldNames(Camera) {
  try {
    new Camera({ zoom: { minSpan: 1 } });
    return Camera;
  } catch {
    const renamed = ({ zoom = {}, ...settings }) => ({
      ...settings,
      zoom: Object.fromEntries(Object.entries(zoom).map(([name, value]) => [OLD_NAMES[name] ?? name, value])),
    });
    return class extends Camera {
      constructor(settings, options) {
        super(renamed(settings), options);
      }
    };
  }
}

/** Checks a commit out beside this one, installs and compiles it, and calls `use` with its folder. */
export function withCommit(commit, use) {
  const folder = mkdtempSync(join(tmpdir(), 'zesty-kite-bench-'));
  const run = (command, args, cwd) => execFileSync(command, args, { cwd, stdio: ['ignore', 'ignore', 'inherit'] });
  run('git', ['worktree', 'add', '--detach', '--force', folder, commit], root);
  try {
    run('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error'], folder);
    run(process.execPath, ['node_modules/typescript/bin/tsc', '-b'], folder);
    const bundle = join(folder, 'scripts/setup/bundleLibrary.mjs');
    if (existsSync(bundle))
      run(process.execPath, ['-e', `import(${JSON.stringify(bundle)}).then((m) => m.bundleLibrary())`], folder);
    return use(folder);
  } finally {
    run('git', ['worktree', 'remove', '--force', folder], root);
    rmSync(folder, { recursive: true, force: true });
  }
}
