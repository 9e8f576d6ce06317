/**
 * Runs the commands of docs/command-line.md and writes down what they print; `--check` only compares. They run in a folder that
 * holds the files of data/lemon-strait beside each other.
 */
import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root, stop } from './setup/run.mjs';

const PAGE = `${root}docs/command-line.md`;
const DATA = `${root}data/lemon-strait/`;
const CLI = `${root}packages/zesty-kite-cli/bin/zesty-kite.js`;
/** Lines of a long output that are shown. */
const SHOWN = 24;

const folder = mkdtempSync(join(tmpdir(), 'zesty-kite-console-'));
for (const inside of ['', 'sessions/', 'settings/'])
  for (const { name } of readdirSync(`${DATA}${inside}`, { withFileTypes: true }).filter((one) => one.isFile()))
    cpSync(`${DATA}${inside}${name}`, join(folder, name));
// The command as the docs call it.
writeFileSync(join(folder, 'zesty-kite'), `#!/bin/sh\nexec "${process.execPath}" "${CLI}" "$@"\n`, { mode: 0o755 });
const text = readFileSync(PAGE, 'utf8');
const next = text.replace(/```console\n([^]*?)```/g, (_, block) => {
  const commands = block.split('\n').filter((line) => line.startsWith('$ '));
  return `\`\`\`console\n${commands.map((line) => `${line}\n${printedBy(line.slice(2))}`).join('')}\`\`\``;
});
rmSync(folder, { recursive: true });
if (process.argv.includes('--check')) {
  if (next !== text) stop('docs/command-line.md: the commands print something else by now; run `npm run console`.');
} else writeFileSync(PAGE, next);

function printedBy(command) {
  const { stdout, stderr } = spawnSync(command, {
    cwd: folder,
    shell: '/bin/sh',
    encoding: 'utf8',
    env: { ...process.env, PATH: `${folder}:${process.env.PATH}`, COLUMNS: '120' },
  });
  const lines = `${stdout}${stderr}`.trimEnd().split(/\r?\n/);
  const shown = lines.length > SHOWN ? [...lines.slice(0, SHOWN), '…'] : lines;
  return shown[0] === '' && shown.length === 1 ? '' : `${shown.join('\n')}\n`;
}
