/** Writes the settings, the signals and what ends what into docs/reference, from the code; `--check` only compares. */
import { readFileSync, writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { drawings } from './setup/drawings.mjs';
import { settingsPage } from './setup/settingsPage.mjs';
import { root, stop } from './setup/run.mjs';

const REFERENCE = `${root}docs/reference/`;
const { CAUSES, wordsOf } = await import(`${root}packages/zesty-kite/build/motion/index.js`);
const { TABLE: inside } = await import(`${root}packages/zesty-kite/build/movers/index.js`);
const { DIRECTED } = await import(`${root}packages/zesty-kite/build/direct/index.js`);
const TABLE = [...inside, ...DIRECTED];

const [, ...kinds] = read('session').oneOf;
const signals = [
  '| signal | values | meaning |',
  '| --- | --- | --- |',
  ...kinds.flatMap(({ properties: { kind, ...fields }, required, description }) => [
    `| \`${kind.const}\` | | ${description} |`,
    ...Object.entries(fields)
      .filter(([name]) => name !== 'at')
      .map(([name, field]) =>
        `| \`${kind.const}.${name}\` | ${values(field)}${required.includes(name) ? '' : '; optional'} | ${field.description} |`.replaceAll(
          /\{[^}]*\}/g,
          '`$&`',
        ),
      ),
  ]),
];
const ends = [
  `| input or call | ${TABLE.map(({ label }) => label).join(' | ')} |`,
  `| --- |${' --- |'.repeat(TABLE.length)}`,
  ...Object.entries(CAUSES).map(
    ([cause, words]) => `| ${words} | ${TABLE.map(({ interruptions }) => wordsOf(interruptions[cause])).join(' | ')} |`,
  ),
];

const old = [];
await write('settings.md', () => settingsPage(read('settings')));
await write('calls.md', (text) => between(text, 'calls.md', 'what ends what', ends));
await write('sessions.md', (text) => between(text, 'sessions.md', 'signals', signals));
for (const [name, svg] of Object.entries(drawings())) await write(`drawn/${name}.svg`, () => svg);
if (old.length > 0)
  stop(`docs/reference: ${old.join(', ')}: expected what the code says, got older text. Run \`npm run guide\`.`);

async function write(file, make) {
  const path = `${REFERENCE}${file}`;
  const text = textOf(path);
  const made = await make(text);
  const next = file.endsWith('.md') ? await format(made, { ...(await resolveConfig(path)), filepath: path }) : made;
  if (next === text) return;
  if (process.argv.includes('--check')) old.push(file);
  else writeFileSync(path, next);
}

function textOf(path) {
  try {
    return readFileSync(path, 'utf8');
  } catch {
    return '';
  }
}

function between(text, file, name, lines) {
  const begin = `<!-- ${name}: written by scripts/guide.mjs -->`;
  const end = `<!-- end of ${name} -->`;
  const from = text.indexOf(begin);
  const to = text.indexOf(end);
  if (from < 0 || to < from) stop(`docs/reference/${file}: expected "${begin}" and "${end}", got neither.`);
  return `${text.slice(0, from)}${begin}\n\n${lines.join('\n')}\n\n${text.slice(to)}`;
}

function read(name) {
  return JSON.parse(readFileSync(`${root}packages/zesty-kite/dist/${name}.schema.json`, 'utf8'));
}

/** The allowed values of a field of a signal, in words. */
function values({ type, enum: names, const: only, minimum, maximum, items, $ref, anyOf }) {
  if (only !== undefined) return `\`${JSON.stringify(only)}\``;
  if (names) return names.map((name) => `\`"${name}"\``).join(', ');
  if ($ref) return 'settings';
  if (anyOf)
    return anyOf.map(({ required, const: name }) => (required ? `{${required.join(', ')}}` : `"${name}"`)).join(' or ');
  if (type === 'array') return `a list: each ${values(items)}`;
  if (type === 'number') {
    if (minimum === undefined) return 'a number';
    return maximum === undefined ? `at least ${String(minimum)}` : `${String(minimum)} … ${String(maximum)}`;
  }
  if (type === 'object') return 'an object';
  return { string: 'a string', boolean: 'true or false' }[type] ?? 'a string, or null';
}
