/** Links names in the pages: settings to their entries, functions and classes to the API reference. */
import { readdirSync, readFileSync } from 'node:fs';

const root = new URL('../../', import.meta.url);
const settings = JSON.parse(readFileSync(new URL('packages/zesty-kite/dist/settings.schema.json', root), 'utf8'));
const FOLDERS = { class: 'classes', function: 'functions' };

/** @param md a markdown-it instance, whose inline code becomes links */
export function linkNames(md) {
  const plain = md.renderer.rules.code_inline;
  md.renderer.rules.code_inline = (tokens, i, options, env, self) => {
    const code = plain(tokens, i, options, env, self);
    const address = isInLink(tokens, i) ? undefined : addressOf(tokens[i].content, env.relativePath ?? '');
    return address === undefined ? code : `<a href="${address}" target="_self">${code}</a>`;
  };
}

function isInLink(tokens, i) {
  const kinds = tokens.slice(0, i).map(({ type }) => type);
  return kinds.lastIndexOf('link_open') > kinds.lastIndexOf('link_close');
}

function addressOf(text, page) {
  const path = text.replace(/:.*$/, '');
  if (isSetting(path))
    return page.endsWith('settings.md')
      ? undefined
      : `/docs/reference/settings.html#${path.toLowerCase().replaceAll('.', '')}`;
  const [, name] = /^(?:new )?(\w+)(?:\(.*)?$/.exec(text) ?? [];
  return EXPORTS.get(name);
}

/** A path of two parts at least: a single word may mean another thing. */
function isSetting(text) {
  if (!/^\w+(\.\w+)+$/.test(text)) return false;
  return text.split('.').reduce((node, key) => (node?.properties ?? objectIn(node))?.[key], settings) !== undefined;
}

function objectIn(node) {
  return node?.anyOf?.find(({ properties }) => properties !== undefined)?.properties;
}

/** Addresses in the API reference by name. */
const EXPORTS = new Map();
for (const file of readdirSync(new URL('docs/interface/', root))) {
  // The fields of abilities have the names of calls.
  if (file.startsWith('zesty-kite-panel') || file.endsWith('abilities.md')) continue;
  const entry = file === 'zesty-kite.md' ? 'index' : file.split('.')[1];
  const text = readFileSync(new URL(`docs/interface/${file}`, root), 'utf8');
  for (const [, kind, name] of text.matchAll(/^export (?:declare )?(class|function) (\w+)/gm))
    if (!EXPORTS.has(name) || entry === 'index') EXPORTS.set(name, `/reference/${FOLDERS[kind]}/${entry}.${name}.html`);
}
