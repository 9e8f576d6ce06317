/** Writes the table of settings in docs/guide.md from the schema; `--check` only compares. */
import { readFileSync, writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { root, stop } from './setup/run.mjs';
import { objectOf } from './setup/schema.mjs';

const GUIDE = `${root}docs/guide.md`;
const BEGIN = '<!-- settings: written by scripts/guide.mjs -->';
const END = '<!-- end of settings -->';

const schema = JSON.parse(readFileSync(`${root}packages/zesty-kite/dist/settings.schema.json`, 'utf8'));
const guide = readFileSync(GUIDE, 'utf8');
const from = guide.indexOf(BEGIN);
const to = guide.indexOf(END);
if (from < 0 || to < from) stop(`docs/guide.md: wanted "${BEGIN}" and "${END}" in it.`);
const table = ['| setting | default | meaning |', '| --- | --- | --- |', ...rows(schema, '')].join('\n');
const next = `${guide.slice(0, from)}${BEGIN}\n\n${table}\n\n${guide.slice(to)}`;
const pretty = await format(next, { ...(await resolveConfig(GUIDE)), filepath: GUIDE });
if (process.argv.includes('--check')) {
  if (pretty !== guide)
    stop('docs/guide.md: its table of settings is not what the schema says; run `node scripts/guide.mjs`.');
} else writeFileSync(GUIDE, pretty);

function rows(node, path) {
  return Object.entries(node.properties).flatMap(([name, child]) => {
    const where = path === '' ? name : `${path}.${name}`;
    const object = objectOf(child);
    if (where === '$schema') return [];
    const fallback = object && child.default !== null ? '' : valueOf(child.default);
    const row = `| \`${where}\` | ${fallback} | ${child.description} |`;
    return object ? [row, ...rows(object, where)] : [row];
  });
}

function valueOf(value) {
  return value === undefined ? '' : `\`${JSON.stringify(value)}\``;
}
