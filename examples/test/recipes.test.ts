/** Every recipe as it stands: its files are written into a project, type-checked, built, and steered in a browser. */
import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { typeErrorsIn } from '../../scripts/setup/typeCheck.mjs';
import { downloaded, ownBrowser } from './browser.ts';

const root = new URL('../../', import.meta.url).pathname;
const project = join(root, '.cache/recipes');
const own = ownBrowser();
const names = readdirSync(join(root, 'docs/recipes'))
  .filter((file) => file !== 'index.md')
  .map((file) => file.replace('.md', ''));
const HTML =
  '<!doctype html><style>html, body { height: 100%; margin: 0 } canvas { display: block; width: 100%; height: 100% }</style>';

beforeAll(() => {
  rmSync(project, { recursive: true, force: true });
  mkdirSync(project, { recursive: true });
  symlinkSync(join(root, 'node_modules'), join(project, 'node_modules'));
  const pages: string[] = [];
  for (const name of names) {
    const folder = join(project, name);
    mkdirSync(folder);
    const text = readFileSync(join(root, `docs/recipes/${name}.md`), 'utf8');
    for (const [, file = '', code = ''] of text.matchAll(/^```\w+ ([\w.]+)\n(.*?)^```/gms))
      writeFileSync(join(folder, file), code);
    const main = ['main.ts', 'main.js', 'main.jsx'].find((file) => existsSync(join(folder, file)));
    if (main === undefined) continue;
    const canvas = main.endsWith('jsx') ? '' : '<canvas></canvas>';
    writeFileSync(
      join(folder, 'index.html'),
      `${HTML}<body>${canvas}</body><script type="module" src="./${main}"></script>`,
    );
    if (existsSync(join(folder, 'vite.config.js'))) build(folder, '--outDir', `../dist/${name}`);
    else pages.push(`${name}/index.html`);
  }
  // The recipe with settings of its own has been built there already.
  const config = { build: { rolldownOptions: { input: pages }, emptyOutDir: false } };
  writeFileSync(join(project, 'vite.config.js'), `export default ${JSON.stringify(config)};`);
  build(project);
  expect(typeErrorsIn(project, '*/*.ts')).toBe('');
}, 180_000);

/** Builds the pages of a folder, by the settings that lie there. */
function build(folder: string, ...options: readonly string[]): void {
  const vite = join(root, 'node_modules/vite/bin/vite.js');
  execFileSync(process.execPath, [vite, 'build', '--base', './', '--logLevel', 'error', ...options], {
    cwd: folder,
    stdio: 'pipe',
    env: { ...process.env, NODE_ENV: 'production' },
  });
}

async function open(name: string, file = 'index.html'): Promise<{ page: Page; wrong: string[] }> {
  const page = await own.tab({
    viewport: { width: 900, height: 600 },
    hasTouch: name === 'page-that-scrolls',
  });
  await page.route('http://recipes.example/**', (route) => {
    const { pathname } = new URL(route.request().url());
    const [, library] = pathname.split('/zesty-kite/');
    const path =
      library === undefined
        ? join(project, file === 'index.html' ? 'dist' : '.', pathname)
        : join(root, 'packages/zesty-kite/dist', library);
    return route.fulfill({ path });
  });
  const wrong: string[] = [];
  page.on('pageerror', (error) => wrong.push(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error') wrong.push(message.text());
  });
  await page.goto(`http://recipes.example/${name}/${file}`);
  await page.waitForFunction(() => ((globalThis as Partial<typeof globalThis>).camera?.view.width ?? 0) > 500);
  return { page, wrong };
}

const shown = (page: Page): Promise<{ x: number; span: number }> =>
  page.evaluate(() => ({ x: camera.shown.x, span: camera.shown.span }));
const pansByKey = async (page: Page): Promise<void> => {
  const { x } = await shown(page);
  await page.keyboard.down('KeyD');
  await page.waitForFunction((from) => camera.shown.x > from + 5, x);
  await page.keyboard.up('KeyD');
};
const zoomsIn = async (page: Page): Promise<void> => {
  const { span } = await shown(page);
  await page.mouse.move(450, 300);
  await page.mouse.wheel(0, -300);
  await page.waitForFunction((from) => camera.shown.span < 0.95 * from, span);
};

/** The promise of each recipe. */
const promises: Readonly<Record<string, (page: Page) => Promise<void>>> = {
  'bug-report': async (page) => {
    await pansByKey(page);
    const [download] = await Promise.all([page.waitForEvent('download'), page.keyboard.press('F9')]);
    const text = readFileSync(await downloaded(download), 'utf8');
    expect(text).toMatch(/^\{"format":"zesty-kite session"/);
    expect(text).toContain('"code":"KeyD","down":true');
  },
  'hills-in-three': async (page) => {
    await zoomsIn(page);
    await page.mouse.dblclick(600, 350);
    await page.waitForFunction(() => Math.abs(camera.shown.span - 90) < 1e-6, null, { timeout: 30_000 });
  },
  'in-a-worker': zoomsIn,
  'page-that-scrolls': async (page) => {
    await page.mouse.move(450, 200);
    await page.mouse.wheel(0, 100);
    await page.waitForFunction(() => scrollY > 0);
    expect(await page.evaluate(() => document.querySelector('output')?.value)).toBe('Hold Control to zoom');
    await page.evaluate(() => {
      scrollTo(0, 0);
    });
    await page.keyboard.down('Control');
    await zoomsIn(page);
    await page.keyboard.up('Control');
  },
  react: async (page) => {
    await zoomsIn(page);
    await page.locator('input').fill('2.5');
    await page.waitForFunction(() => camera.settings.pan.speed === 2.5);
  },
  'save-and-restore': async (page) => {
    await zoomsIn(page);
    await page.waitForFunction(() => camera.settled);
    const before = await shown(page);
    await page.reload();
    await page.waitForFunction(() => (globalThis as Partial<typeof globalThis>).camera?.settled);
    expect(await shown(page)).toEqual(before);
    await page.keyboard.press('Home');
    await page.waitForFunction(() => camera.settled && Math.abs(camera.shown.span - 400) < 1e-6);
  },
  'tiles-in-pixi': async (page) => {
    await page.mouse.click(450, 300);
    const trees = (): Promise<{ x: number; y: number }[]> =>
      page.evaluate(() =>
        (globalThis as unknown as { trees: { x: number; y: number }[] }).trees.map(({ x, y }) => ({ x, y })),
      );
    const [tree] = await trees();
    expect([(tree?.x ?? 0) % 16, (tree?.y ?? 0) % 16]).toEqual([8, 8]);
    await page.keyboard.press('KeyE');
    await page.waitForFunction(() => camera.shown.heading === 135);
  },
  'tune-and-keep': async (page) => {
    await zoomsIn(page);
    await pansByKey(page);
    expect(await page.evaluate(() => [camera.settings.pan.speed, document.querySelector('zesty-kite-panel')])).toEqual([
      1.2,
      null,
    ]);
  },
  units: async (page) => {
    await page.mouse.move(100, 100);
    await page.mouse.down();
    await page.mouse.move(600, 500, { steps: 4 });
    await page.mouse.up();
    const chosen = (): Promise<{ x: number; chosen: boolean }[]> =>
      page.evaluate(() => (globalThis as unknown as { barges: { x: number; chosen: boolean }[] }).barges);
    const moved = (await chosen()).filter((barge) => barge.chosen);
    expect(moved.length).toBeGreaterThan(0);
    await page.mouse.click(450, 300, { button: 'right' });
    const { x } = await shown(page);
    for (const barge of (await chosen()).filter((one) => one.chosen)) expect(barge.x).toBeCloseTo(x, 6);
  },
  'without-a-bundler': zoomsIn,
};

test('there are ten recipes of a screen each', () => {
  expect(names).toEqual(Object.keys(promises));
  expect(names).toHaveLength(10);
  for (const name of names) {
    const lines = readFileSync(join(root, `docs/recipes/${name}.md`), 'utf8').split('\n').length;
    expect([name, lines <= 60]).toEqual([name, true]);
  }
});

test.each(Object.entries(promises))(
  'the recipe "%s" runs as it stands',
  async (name, keeps) => {
    const { page, wrong } = await open(name, name === 'without-a-bundler' ? 'page.html' : 'index.html');
    await keeps(page);
    expect(wrong).toEqual([]);
  },
  60_000,
);
