/**
 * Writes types.ts and keyName.ts in packages/zesty-kite/src/settings: the types of settings with what the schema knows as
 * comments, for editors, and the codes of keys.
 * `--check` only compares.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { root, stop } from './setup/run.mjs';
import { isSpan, objectOf, valuesOf } from './setup/schema.mjs';

const ROOM = `${root}packages/zesty-kite/src/settings`;
const { KEYS } = await import(`${root}packages/zesty-kite/build/settings/inputs.js`);
const schema = JSON.parse(readFileSync(`${root}packages/zesty-kite/dist/settings.schema.json`, 'utf8'));

const text = `/** The types of settings. Written by scripts/types.mjs from schema.ts and descriptions.ts; \`npm run types-of-settings\`. */
import type { Input, Listed } from './listed.ts';
import type { Span } from './zoomUnit.ts';

/* eslint-disable @typescript-eslint/consistent-type-definitions -- a type, unlike an interface, is a record too */

/** Settings as they are written, the settings of one camera: whatever is left out has its default. Lengths are world units, durations seconds. */
export type Settings = ${membersOf(schema, false)}

/** Settings with every default filled in. */
export type FullSettings = ${membersOf(schema, true)}

/** The bounds, with every default filled in. */
export type FullBounds = NonNullable<FullSettings['bounds']>;
`;
const keys = `/** The codes of keys (UI Events \`code\`), and modifiers of either side. Written by scripts/types.mjs from inputs.ts. */
export type KeyName = ${KEYS.map((name) => `'${name}'`).join(' | ')};
`;
await write('types.ts', text);
await write('keyName.ts', keys);

async function write(name, written) {
  const file = `${ROOM}/${name}`;
  const pretty = await format(written, { ...(await resolveConfig(file)), filepath: file });
  if (!process.argv.includes('--check')) writeFileSync(file, pretty);
  else if (pretty !== readFileSync(file, 'utf8'))
    stop(`packages/zesty-kite/src/settings/${name}: is not what the schema says; run \`npm run types-of-settings\`.`);
}

function membersOf({ properties, required = [] }, full) {
  const members = Object.entries(properties).map(([name, node]) => {
    const isThere = required.includes(name) || (full && node.default !== undefined);
    const type = typeOf(node, full);
    return `${commentOf(node)}\n${name}${isThere ? `: ${type}` : `?: ${type} | undefined`};`;
  });
  return `{\n${members.join('\n')}\n}`;
}

function commentOf(node) {
  const { description, default: fallback } = node;
  if (description === undefined) return '';
  const facts = [];
  if (!objectOf(node) && node.type !== 'string') facts.push(`Values: ${valuesOf(node)}.`);
  if (fallback !== undefined && !(objectOf(node) && fallback !== null))
    facts.push(`Default: \`${JSON.stringify(fallback)}\`.`);
  return `/** ${[description, ...facts].join(' ').replaceAll('*/', '* /')} */`;
}

function typeOf(node, full) {
  const { type, enum: names, anyOf, items, prefixItems, properties, additionalProperties } = node;
  if (names) return names.map((name) => JSON.stringify(name)).join(' | ');
  if (isSpan(node)) return anyOf.some((one) => one.type === 'null') ? 'Span | null' : 'Span';
  if (anyOf)
    return anyOf
      .flatMap((one) => (one.const === undefined ? [typeOf(one, full)] : full ? [] : [one.const]))
      .join(' | ');
  if (prefixItems) return `[${prefixItems.map((one) => typeOf(one, full)).join(', ')}]`;
  if (type === 'array' && !full && items.pattern) return 'Listed<Input>';
  if (type === 'array' && !full && items.enum) return `Listed<${typeOf(items, full)}>`;
  if (type === 'array') return `(${typeOf(items, full)})[]`;
  if (properties)
    return `${membersOf(node, full)}${additionalProperties === false ? '' : ' & Record<string, unknown>'}`;
  return type;
}
