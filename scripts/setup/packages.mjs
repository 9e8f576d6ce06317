/** The packages of the workspace, installed when they are missing or the lock file has changed. */
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { root, run, say } from './run.mjs';

const STAMP = `${root}node_modules/.installed-from`;

export function installPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(`${root}package-lock.json`))
    .digest('hex');
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === lock) return;
  say(existsSync(STAMP) ? 'The lock file has changed: installing packages anew …' : 'Installing packages …');
  run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  writeFileSync(STAMP, lock);
}
