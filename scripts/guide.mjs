/** Writes the tables of docs/guide.md, of settings, of signals and of what ends what, from the code; `--check` only compares. */
import { readFileSync, writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { root, stop } from './setup/run.mjs';
import { objectOf, valuesOf } from './setup/schema.mjs';

const GUIDE = `${root}docs/guide.md`;
const { CAUSES, wordsOf } = await import(`${root}packages/zesty-kite/dist/motion/index.js`);
const { TABLE: inside } = await import(`${root}packages/zesty-kite/dist/movers/index.js`);
const { DIRECTED } = await import(`${root}packages/zesty-kite/dist/direct/index.js`);
const TABLE = [...inside, ...DIRECTED];

const schema = read('settings');
const [, ...kinds] = read('session').oneOf;
const tables = {
  settings: ['| setting | default | values | meaning |', '| --- | --- | --- | --- |', ...rows(schema, '')],
  signals: [
    '| signal | values | meaning |',
    '| --- | --- | --- |',
    ...kinds.flatMap(({ properties: { kind, ...fields }, required, description }) => [
      `| \`${kind.const}\` | | ${description} |`,
      ...Object.entries(fields)
        .filter(([name]) => name !== 'at')
        .map(
          ([name, field]) =>
            `| \`${kind.const}.${name}\` | ${values(field)}${required.includes(name) ? '' : ', or left out'} | ${field.description} |`,
        ),
    ]),
  ],
  'what ends what': [
    `| what comes | ${TABLE.map(({ label }) => label).join(' | ')} |`,
    `| --- |${' --- |'.repeat(TABLE.length)}`,
    ...Object.entries(CAUSES).map(
      ([cause, words]) =>
        `| ${words} | ${TABLE.map(({ interruptions }) => wordsOf(interruptions[cause])).join(' | ')} |`,
    ),
  ],
};
const guide = readFileSync(GUIDE, 'utf8');
const next = Object.entries(tables).reduce((text, [name, lines]) => {
  const begin = `<!-- ${name}: written by scripts/guide.mjs -->`;
  const end = `<!-- end of ${name} -->`;
  const from = text.indexOf(begin);
  const to = text.indexOf(end);
  if (from < 0 || to < from) stop(`docs/guide.md: expected "${begin}" and "${end}", got neither.`);
  return `${text.slice(0, from)}${begin}\n\n${lines.join('\n')}\n\n${text.slice(to)}`;
}, guide);
const pretty = await format(next, { ...(await resolveConfig(GUIDE)), filepath: GUIDE });
if (process.argv.includes('--check')) {
  if (pretty !== guide) stop('docs/guide.md: its tables are not what the code says; run `npm run guide`.');
} else writeFileSync(GUIDE, pretty);

function read(name) {
  return JSON.parse(readFileSync(`${root}packages/zesty-kite/dist/${name}.schema.json`, 'utf8'));
}

/** What a field of a signal may be, in words. */
function values({ type, enum: names, const: only, minimum, maximum, items, $ref, anyOf }) {
  if (only !== undefined) return `\`${JSON.stringify(only)}\``;
  if (names) return names.map((name) => `\`"${name}"\``).join(', ');
  if ($ref) return 'settings';
  if (anyOf)
    return anyOf.map(({ required, const: name }) => (required ? `{${required.join(', ')}}` : `"${name}"`)).join(' or ');
  if (type === 'array') return `a list: each ${values(items)}`;
  if (type === 'number') return minimum === undefined ? 'a number' : `${String(minimum)} … ${String(maximum)}`;
  if (type === 'object') return 'an object';
  return { string: 'a text', boolean: 'true or false' }[type] ?? 'a text, or null';
}

function rows(node, path) {
  return Object.entries(node.properties).flatMap(([name, child]) => {
    const where = path === '' ? name : `${path}.${name}`;
    const object = objectOf(child);
    if (where === '$schema') return [];
    const fallback = object && child.default !== null ? '' : valueOf(child.default);
    const may = object ? (child.anyOf ? 'a group, or null' : '') : valuesOf(child);
    const row = `| \`${where}\` | ${fallback} | ${may} | ${child.description} |`;
    return object ? [row, ...rows(object, where)] : [row];
  });
}

function valueOf(value) {
  return value === undefined ? '' : `\`${JSON.stringify(value)}\``;
}
