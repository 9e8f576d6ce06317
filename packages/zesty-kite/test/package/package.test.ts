/** The package as a user gets it: packed, installed into an empty project, imported there. */
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { SourceMap, type SourceMapPayload, type SourceMapping } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { chromium } from 'playwright-core';

const workspace = new URL('../../../../', import.meta.url).pathname;
/** The least version that the README promises. */
const LEAST_TYPESCRIPT = '5.2.2';
let project: string;

const DRAWING = 'zesty-kite-drawing';

function npm(args: string[], cwd: string): string {
  return execFileSync('npm', [...args, '--loglevel=error'], {
    cwd,
    encoding: 'utf8',
    shell: process.platform === 'win32',
  });
}

beforeAll(() => {
  project = mkdtempSync(join(tmpdir(), 'zesty-kite-'));
  const names = ['zesty-kite', 'zesty-kite-cli', 'zesty-kite-panel', DRAWING].flatMap((name) => ['--workspace', name]);
  npm(['pack', ...names, '--pack-destination', project], workspace);
  const packs = readdirSync(project).filter((name) => name.endsWith('.tgz') && !name.startsWith(DRAWING));
  writeFileSync(join(project, 'package.json'), '{"private":true,"type":"module"}');
  const installed = [...packs.map((name) => `./${name}`), `typescript@${LEAST_TYPESCRIPT}`];
  npm(['install', '--no-audit', '--no-fund', '--prefer-offline', ...installed], project);
}, 120_000);
afterAll(() => rmSync(project, { recursive: true }));

/** Runs a module in the project; what it prints. */
function run(source: string, flags: string[] = []): string {
  writeFileSync(join(project, 'main.js'), source);
  return execFileSync(process.execPath, [...flags, 'main.js'], { cwd: project, encoding: 'utf8' }).trim();
}

test('every entry imports in Node without touching a global of the browser, and a camera flies', () => {
  const { exports } = JSON.parse(readFileSync(join(workspace, 'packages/zesty-kite/package.json'), 'utf8')) as {
    exports: Record<string, string>;
  };
  const entries = Object.keys(exports).filter((entry) => !entry.endsWith('.json'));
  const printed = run(
    `
    const names = [];
    for (const entry of ${JSON.stringify(entries)}) names.push(...Object.keys(await import('zesty-kite' + entry.slice(1))));
    const { Camera } = await import('zesty-kite');
    import schema from 'zesty-kite/settings.schema.json' with { type: 'json' };
    import line from 'zesty-kite/session.schema.json' with { type: 'json' };
    const camera = new Camera({ start: { span: 50 } }, { screen: { width: 400, height: 200 } });
    camera.signal({ kind: 'key', code: 'KeyD', down: true, time: 0 });
    camera.advance(0);
    const some = ['listen', 'createDrawing', 'Replay', 'createOverlay', 'aimThree', 'reviewSettings'];
    console.log(camera.advance(1000).x > 10, some.every((name) => names.includes(name)), schema.$schema === line.$schema);
  `,
    ['--disable-warning=ExperimentalWarning'],
  );
  expect(printed).toBe('true true true');
});

test('the panel, the dialog and the plug-in are imported on a server, and compile with the least TypeScript and no other types', () => {
  const printed = run(`
    const { openPanel } = await import('zesty-kite-panel');
    const { createPlayerDialog } = await import('zesty-kite-panel/players');
    const { settingsFile } = await import('zesty-kite-panel/vite');
    console.log(typeof openPanel, typeof createPlayerDialog, settingsFile({ file: 'camera.json' }).name);
  `);
  expect(printed).toBe('function function zesty-kite-panel');
  const code = `import { Camera, tilted } from 'zesty-kite';
    import { openPanel, type Panel } from 'zesty-kite-panel';
    export * from 'zesty-kite-panel/players';
    export * from 'zesty-kite-panel/vite';
    export const panel: Panel = openPanel(new Camera(), { settings: [tilted(), {}], file: 'camera.json', folded: true });`;
  expect(compile({ 'panel.ts': code }, ['--noEmit'], true)).toBe('');
});

test('it runs in a worker from posted signals, and require() takes it too', () => {
  const printed = run(
    `
    import { createRequire } from 'node:module';
    import { Worker } from 'node:worker_threads';
    const source = \`
      const { parentPort } = require('node:worker_threads');
      const { Camera } = require('zesty-kite');
      const camera = new Camera({}, { screen: { width: 400, height: 200 } });
      parentPort.on('message', (signal) => { camera.signal(signal); parentPort.postMessage(camera.advance(0).x); });
    \`;
    const worker = new Worker(source, { eval: true });
    worker.on('message', (x) => { console.log(x, typeof createRequire(import.meta.url)('zesty-kite').Camera); worker.terminate(); });
    worker.postMessage({ kind: 'place', x: 42 });
  `,
    ['--disable-warning=ExperimentalWarning'],
  );
  expect(printed).toBe('42 function');
});

test('the command line is linked, plays a session and needs no more than the two packages bring', () => {
  const session = join(workspace, 'data/lemon-strait/sessions/crossing.ndjson');
  const printed = execFileSync(join(project, 'node_modules/.bin/zesty-kite'), ['replay', session], {
    encoding: 'utf8',
  });
  expect(printed).toMatch(/digest +[0-9a-f]{16}\n$/);
  const { version } = JSON.parse(readFileSync(join(workspace, 'packages/zesty-kite-cli/package.json'), 'utf8')) as {
    version: string;
  };
  const tool = join(project, 'node_modules/.bin/zesty-kite');
  expect(execFileSync(tool, ['--version'], { encoding: 'utf8' })).toBe(`${version}\n`);
});

test('the tool names the package that draws when it is missing, and draws once it is installed', () => {
  const chart = (): [number | null, string] => {
    const session = join(workspace, 'data/lemon-strait/sessions/crossing.ndjson');
    const args = ['node_modules/zesty-kite-cli/bin/zesty-kite.js', 'chart', session, '--to', 'chart.png'];
    const { status, stderr } = spawnSync(process.execPath, args, { cwd: project, encoding: 'utf8' });
    return [status, stderr];
  };
  expect(chart()).toEqual([
    2,
    `zesty-kite: --to: expected the package ${DRAWING}, got none; npm install --save-dev ${DRAWING}\n`,
  ]);
  expect(readdirSync(project)).not.toContain('chart.png');
  const pack = readdirSync(project).find((name) => name.startsWith(DRAWING) && name.endsWith('.tgz'));
  npm(['install', '--no-audit', '--no-fund', '--prefer-offline', `./${String(pack)}`], project);
  expect(chart()).toEqual([0, '']);
  expect(readFileSync(join(project, 'chart.png')).subarray(1, 4).toString()).toBe('PNG');
}, 120_000);

test('the pack holds an entry in one file with its types and its TypeScript in the map, and no test', () => {
  const files = readdirSync(join(project, 'node_modules/zesty-kite'), { recursive: true }).map(String);
  for (const name of [
    'dist/index.js',
    'dist/index.d.ts',
    'dist/index.js.map',
    'dist/dom.js',
    'LICENSE',
    'README.md',
    'dist/guide.md',
    'dist/canvas.js',
  ])
    expect(files).toContain(name);
  expect(files.filter((name) => /test|tsbuildinfo/.test(name))).toEqual([]);
  expect(files.length).toBeLessThanOrEqual(120);
  // A line of a bundle leads to the same line of TypeScript as in the checkout.
  const name = 'node_modules/zesty-kite/dist/shared/core.js';
  const map = new SourceMap(JSON.parse(readFileSync(join(project, `${name}.map`), 'utf8')) as SourceMapPayload);
  const lines = readFileSync(join(project, name), 'utf8').split('\n');
  const at = lines.findIndex((line) => line.includes('extends Calls'));
  const { originalSource, originalLine } = map.findEntry(at, 1) as SourceMapping;
  expect(originalSource).toMatch(/src\/camera\/camera\.ts$/);
  const shown = map.payload.sourcesContent[map.payload.sources.indexOf(originalSource)] ?? '';
  const written = readFileSync(join(workspace, 'packages/zesty-kite/src/camera/camera.ts'), 'utf8');
  expect(shown.split('\n')[originalLine]).toBe(written.split('\n')[originalLine]);
  expect(shown.split('\n')[originalLine]).toMatch(/class Camera extends Calls implements CameraLike/);
});

/** Compiles files of the project against the types in the pack. Returns what the compiler prints, nothing if all is well. */
function compile(files: Readonly<Record<string, string>>, flags: readonly string[], least = false): string {
  for (const [name, code] of Object.entries(files)) writeFileSync(join(project, name), code);
  const options = [
    '--strict',
    '--module',
    'nodenext',
    '--target',
    'es2022',
    '--lib',
    'es2022,dom',
    '--skipDefaultLibCheck',
    ...flags,
  ];
  const tsc = join(least ? project : workspace, 'node_modules/typescript/bin/tsc');
  const names = Object.keys(files);
  const { stdout, status } = spawnSync(process.execPath, [tsc, ...options, ...names], {
    cwd: project,
    encoding: 'utf8',
  });
  expect(status === 0).toBe(stdout === '');
  return stdout;
}

test('all entries compile with the least TypeScript that the README names', () => {
  const { exports } = JSON.parse(readFileSync(join(workspace, 'packages/zesty-kite/package.json'), 'utf8')) as {
    exports: Record<string, string>;
  };
  const [, least] = /TypeScript (\d+\.\d+) or later/.exec(readFileSync(join(workspace, 'README.md'), 'utf8')) ?? [];
  expect(LEAST_TYPESCRIPT.startsWith(`${String(least)}.`)).toBe(true);
  const entries = Object.keys(exports).filter((entry) => !/\.js(on)?$/.test(entry));
  expect(entries.length).toBeGreaterThan(15);
  const code = entries
    .map((entry, i) => `export * as entry${String(i)} from 'zesty-kite${entry.slice(1)}';`)
    .join('\n');
  expect(compile({ 'least.ts': code }, ['--noEmit'], true)).toBe('');
});

test('names of inputs are checked as they are written; those of a JSON file when it is loaded', () => {
  writeFileSync(join(project, 'keys.json'), '{ "bindings": { "drag": ["MouseRight"] }, "inverted": ["wheel"] }');
  const code = (input: string): string => `import { Camera, type Settings } from 'zesty-kite';
    import file from './keys.json' with { type: 'json' };
    new Camera([file, { bindings: { drag: ['Touch', 'Space+MouseLeft'] }, inverted: ['wheel-x'.length > 9 ? 'turn' : 'tilt'] }]);
    export const settings: Settings = { bindings: { drag: ['Touch', '${input}'] } };
    new Camera().change({ bindings: { panUp: ['KeyW'], drag: ['${input}'] } });`;
  const files = {
    'right.ts': code('MouseRight'),
    'wrong.ts': code('RightMouse'),
    'wrongAfterPlus.ts': code('Space+RightMouse'),
  };
  const errors = compile(files, ['--noEmit', '--resolveJsonModule']);
  expect(errors.match(/^\w+\.ts\(\d+,\d+\): error TS\d+/gm)?.map((error) => error.replace(/\(.*\)/, ''))).toEqual([
    'wrong.ts: error TS2322',
    'wrong.ts: error TS2322',
    'wrongAfterPlus.ts: error TS2322',
    'wrongAfterPlus.ts: error TS2322',
  ]);
});

test('the code in the README compiles against the types in the pack', () => {
  const [, code = ''] = /```ts\n([\s\S]*?)```/.exec(readFileSync(join(workspace, 'README.md'), 'utf8')) ?? [];
  expect(code).toContain('camera.advance(time)');
  expect(compile({ 'readme.ts': code }, ['--noEmit'])).toBe('');
});

test('the test of the guide runs in Node as it stands', () => {
  const guide = readFileSync(join(workspace, 'docs/reference/testing.md'), 'utf8');
  const [, code = ''] = /```ts test-your-game\n([\s\S]*?)```/.exec(guide) ?? [];
  expect(code).toContain('expectUnder');
  expect(run(code)).toBe('');
});

test('the ability of the page "Add an ability" compiles against the pack without a cast, and turns a camera', () => {
  const page = readFileSync(join(workspace, 'docs/add-an-ability.md'), 'utf8');
  const [, code = ''] = /```ts\n([\s\S]*?)```/.exec(page) ?? [];
  expect(code).not.toContain(' as ');
  const wrong = `import { Camera } from 'zesty-kite';
    import { learn } from 'zesty-kite/abilities';
    import { circling } from './circling.js';
    learn(new Camera(), circling).send({ kind: 'circle', rate: '6', pause: 3 });`;
  const errors = compile({ 'circling.ts': code, 'wrongSignal.ts': wrong }, []);
  expect(errors).toMatch(/^wrongSignal\.ts\(4,\d+\): error TS2322/);
  expect(errors).not.toMatch(/^circling/m);
  const printed = run(`
    import { Camera } from 'zesty-kite';
    import { circle } from './circling.js';
    const camera = new Camera({}, { screen: { width: 400, height: 200 } });
    camera.advance(0);
    circle(camera, 6);
    camera.advance(0);
    console.log(camera.advance(10_000).heading.toFixed(1), camera.settled);
  `);
  expect(printed).toBe('60.0 false');
});

test('ten lines of the README are a working camera in an empty Vite project', async () => {
  const readme = readFileSync(join(workspace, 'README.md'), 'utf8');
  const [, program = ''] = /```ts\n([^]*?)```/.exec(readme) ?? [];
  expect(program.trim().split('\n')).toHaveLength(10);
  const [, page = ''] = /```html\n([^]*?)```/.exec(readme) ?? [];
  writeFileSync(join(project, 'index.html'), `<!doctype html>${page.replace('map.png', 'data:,')}`);
  writeFileSync(join(project, 'main.ts'), program);
  execFileSync(process.execPath, [join(workspace, 'node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'error'], {
    cwd: project,
  });
  const browser = await chromium.launch({
    executablePath: process.env['ZESTY_KITE_BROWSER'] ?? '',
    args: ['--no-sandbox'],
  });
  const window = await browser.newPage();
  await window.route('http://ten.example/**', (route) => {
    const { pathname } = new URL(route.request().url());
    return route.fulfill({ path: join(project, 'dist', pathname === '/' ? 'index.html' : pathname) });
  });
  await window.goto('http://ten.example/');
  const scale = (): Promise<number> =>
    window.evaluate(() => {
      const image = document.querySelector('img');
      return image === null ? NaN : new DOMMatrix(getComputedStyle(image).transform).a;
    });
  await window.waitForFunction(() => document.querySelector('img')?.style.transform !== '');
  const before = await scale();
  await window.mouse.move(200, 150);
  await window.mouse.wheel(0, -300);
  await window.waitForFunction(
    (from) => new DOMMatrix(getComputedStyle(document.querySelector('img') ?? document.body).transform).a > from * 1.1,
    before,
  );
  await browser.close();
});
