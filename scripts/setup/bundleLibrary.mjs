/** The library as one file an entry and a few shared ones, each with its map; and the same of its types. */
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { decode, encode } from '@jridgewell/sourcemap-codec';
import MagicString from 'magic-string';
import { rollup } from 'rollup';
import { dts } from 'rollup-plugin-dts';
import ts from 'typescript';
import { build } from 'vite';
import { root } from './run.mjs';

const PACKAGE = `${root}packages/zesty-kite/`;
const { exports } = JSON.parse(readFileSync(`${PACKAGE}package.json`, 'utf8'));
/** The entries that are code: `dom`, for example, is `src/dom/index.ts` and `build/dom/index.d.ts`. */
const ENTRIES = Object.keys(exports)
  .filter((entry) => !entry.endsWith('.json'))
  .map((entry) => (entry === '.' ? 'index' : entry.slice(2)));

/** What every camera needs is one file. */
const CORE = [
  'camera',
  'devices',
  'ground',
  'hands',
  'limits',
  'math',
  'messages',
  'motion',
  'movers',
  'settings',
  'signals',
  'view',
];

export async function bundleLibrary() {
  rmSync(`${PACKAGE}dist`, { recursive: true, force: true });
  await build({
    configFile: false,
    root: PACKAGE,
    logLevel: 'error',
    plugins: [sources(), pureConstants()],
    build: {
      target: 'es2022',
      lib: { entry: inputs('src', 'ts'), formats: ['es'] },
      emptyOutDir: false,
      minify: false,
      sourcemap: true,
      rolldownOptions: {
        output: {
          chunkFileNames: 'shared/[name].js',
          comments: { legal: false, jsdoc: false, annotation: true },
          codeSplitting: { groups: [{ name: 'core', test: isCore, minShareCount: 2 }] },
        },
      },
    },
  });
  lightenMaps(`${PACKAGE}dist/`);
  const types = await rollup({
    input: inputs('build', 'd.ts'),
    plugins: [dts({ tsconfig: `${PACKAGE}tsconfig.json` })],
    onLog: () => undefined,
  });
  await types.write({
    dir: `${PACKAGE}dist`,
    entryFileNames: '[name].ts',
    chunkFileNames: 'shared/[name].ts',
    minifyInternalExports: false,
    manualChunks: (id, { getModuleInfo }) => (getModuleInfo(id).isEntry ? undefined : 'types.d'),
  });
}

function inputs(folder, extension) {
  const file = (entry) => `${PACKAGE}${folder}/${entry === 'index' ? '' : `${entry}/`}index.${extension}`;
  return Object.fromEntries(ENTRIES.map((entry) => [extension === 'ts' ? entry : `${entry}.d`, file(entry)]));
}

function isCore(id) {
  return (
    id.includes('/valibot/') || CORE.some((room) => id.startsWith(`${PACKAGE}src/${room}/`)) || /src\/\w+\.ts$/.test(id)
  );
}

/** TypeScript as the maps show it: comments are blank, since the types have them; every line keeps its number. */
function sources() {
  return {
    name: 'sources',
    load(id) {
      return id.startsWith(PACKAGE) ? withoutComments(readFileSync(id, 'utf8'), id) : null;
    },
  };
}

function withoutComments(text, id) {
  const file = ts.createSourceFile(id, text, ts.ScriptTarget.Latest, true);
  const comments = new Map();
  const visit = (node) => {
    const around = [
      ...(ts.getLeadingCommentRanges(text, node.getFullStart()) ?? []),
      ...(ts.getTrailingCommentRanges(text, node.getEnd()) ?? []),
    ];
    for (const { pos, end } of around) comments.set(pos, end);
    for (const child of node.getChildren(file)) visit(child);
  };
  visit(file);
  const code = new MagicString(text);
  for (const [pos, end] of comments) {
    const blank = text.slice(pos, end).replace(/[^\n]/g, '');
    if (blank === '') code.remove(pos, end);
    else code.update(pos, end, blank);
  }
  return code.toString().replace(/[ \t]+$/gm, '');
}

/** Lets bundlers drop the constants of a module that nothing uses: the package has no side effects. */
function pureConstants() {
  return {
    name: 'pure-constants',
    transform: {
      order: 'post',
      handler(code, id) {
        if (!id.startsWith(PACKAGE)) return null;
        const marked = new MagicString(code);
        const file = ts.createSourceFile(`${id}.js`, code, ts.ScriptTarget.Latest, true);
        for (const statement of file.statements)
          for (const { initializer } of statement.declarationList?.declarations ?? []) {
            if (!initializer || !runs(initializer)) continue;
            marked.appendLeft(initializer.getStart(file), '/* @__PURE__ */ (() => (');
            marked.appendRight(initializer.getEnd(), '))()');
          }
        return { code: marked.toString(), map: marked.generateMap({ hires: true }) };
      },
    },
  };
}

/** Whether an expression runs code, as far as a bundler can see: calls, spreads and members may. */
function runs(node) {
  if (ts.isFunctionLike(node)) return false;
  const does = [
    ts.isCallExpression,
    ts.isNewExpression,
    ts.isSpreadElement,
    ts.isSpreadAssignment,
    ts.isBinaryExpression,
    ts.isPropertyAccessExpression,
  ];
  return does.some((is) => is(node)) || (ts.forEachChild(node, runs) ?? false);
}

/** Makes maps that lead to lines, a third of the size, and leaves out what packages bring. */
function lightenMaps(folder) {
  for (const name of readdirSync(folder, { recursive: true }).filter((each) => each.endsWith('.map'))) {
    const map = JSON.parse(readFileSync(folder + name, 'utf8'));
    map.mappings = encode(decode(map.mappings).map(firstOfEachLine));
    map.names = [];
    map.sourcesContent = map.sourcesContent.map((text, i) => (map.sources[i].includes('/node_modules/') ? '' : text));
    writeFileSync(folder + name, JSON.stringify(map));
  }
}

function firstOfEachLine(segments) {
  return segments
    .filter(([, file, line], i) => i === 0 || file !== segments[i - 1][1] || line !== segments[i - 1][2])
    .map(([column, file, line, from]) => [column, file, line, from]);
}
