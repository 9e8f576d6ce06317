/**
 * Runs the commands of docs/command-line.md and writes down what they print; `--check` only compares. They run in a folder that
 * holds the files of data/lemon-strait beside each other.
 */
import { fork, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root, stop } from './setup/run.mjs';

const PAGE = `${root}docs/command-line.md`;
const DATA = `${root}data/lemon-strait/`;
const CLI = `${root}packages/zesty-kite-cli/bin/zesty-kite.js`;
/** Lines of a long output that are shown. */
const SHOWN = 24;
const BLOCK = /```console\n([^]*?)```/g;

const folder = mkdtempSync(join(tmpdir(), 'zesty-kite-console-'));
for (const inside of ['', 'sessions/', 'settings/'])
  for (const { name } of readdirSync(`${DATA}${inside}`, { withFileTypes: true }).filter((one) => one.isFile()))
    cpSync(`${DATA}${inside}${name}`, join(folder, name));
// The command as the docs call it.
writeFileSync(join(folder, 'zesty-kite'), `#!/bin/sh\nexec "${process.execPath}" "${CLI}" "$@"\n`, { mode: 0o755 });
// One process for all commands that stand alone: pipes have theirs.
const tool = fork(`${root}packages/zesty-kite-cli/test/cases.mjs`, {
  cwd: folder,
  env: { ...process.env, COLUMNS: '120' },
  serialization: 'advanced',
});
const text = readFileSync(PAGE, 'utf8');
const printed = new Map();
for (const [, block] of text.matchAll(BLOCK))
  for (const command of commandsOf(block)) printed.set(command, await printedBy(command));
const next = text.replace(BLOCK, (_, block) => {
  const lines = commandsOf(block).map((command) => `$ ${command}\n${printed.get(command)}`);
  return `\`\`\`console\n${lines.join('')}\`\`\``;
});
tool.disconnect();
rmSync(folder, { recursive: true });
if (process.argv.includes('--check')) {
  if (next !== text) stop('docs/command-line.md: the commands print something else by now; run `npm run console`.');
} else writeFileSync(PAGE, next);

function commandsOf(block) {
  return block
    .split('\n')
    .filter((line) => line.startsWith('$ '))
    .map((line) => line.slice(2));
}

async function printedBy(command) {
  const lines = (await outputOf(command)).trimEnd().split(/\r?\n/);
  const shown = lines.length > SHOWN ? [...lines.slice(0, SHOWN), '…'] : lines;
  return shown[0] === '' && shown.length === 1 ? '' : `${shown.join('\n')}\n`;
}

async function outputOf(command) {
  const [, alone] = /^zesty-kite ([^|<>&'"]*)$/.exec(command) ?? [];
  if (alone === undefined) {
    const env = { ...process.env, PATH: `${folder}:${process.env.PATH}`, COLUMNS: '120' };
    const { stdout, stderr } = spawnSync(command, { cwd: folder, shell: '/bin/sh', encoding: 'utf8', env });
    return stdout + stderr;
  }
  const answer = once(tool, 'message');
  tool.send({ args: alone.split(' '), input: '' });
  const [{ out, errors }] = await answer;
  return out + errors;
}
