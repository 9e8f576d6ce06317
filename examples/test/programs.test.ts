/** Seven small games, one a way of drawing: built, steered by real devices, and counted in lines that name the camera. */
import { execFileSync } from 'node:child_process';
import { cpSync, mkdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import type { Camera } from 'zesty-kite';
import { ownBrowser } from './browser.ts';

const root = new URL('../../', import.meta.url).pathname;
const project = join(root, '.cache/programs');
const own = ownBrowser();
const PAGES = ['flat.ts', 'tiles.ts', 'hills.ts', 'react.jsx', 'atlas.ts'] as const;
/** The most lines that name the library, its objects or its settings. */
const LINES = {
  'flat.ts': 30,
  'tiles.ts': 15,
  'hills.ts': 22,
  'react.jsx': 25,
  'page.html': 26,
  'atlas.ts': 18,
  'node.js': 18,
};

declare global {
  var camera: Camera;
}

beforeAll(() => {
  rmSync(project, { recursive: true, force: true });
  mkdirSync(project, { recursive: true });
  cpSync(join(root, 'examples/programs'), project, { recursive: true });
  symlinkSync(join(root, 'node_modules'), join(project, 'node_modules'));
  const style =
    '<style>body { margin: 0 } .map { width: 100vw; height: 100vh; display: block } .small { position: fixed; right: 10px; bottom: 10px; width: 160px; height: 120px; background: #0e4a57 } .panel { position: fixed; right: 0; top: 0; width: 200px; height: 100%; background: #fff }</style>';
  for (const name of PAGES)
    writeFileSync(
      join(project, `${name}.html`),
      `<!doctype html>${style}<body></body><script type="module" src="./${name}"></script>`,
    );
  const input = JSON.stringify(PAGES.map((name) => `${name}.html`));
  writeFileSync(
    join(project, 'vite.config.js'),
    `export default { base: './', build: { target: 'es2022', rolldownOptions: { input: ${input} } } };`,
  );
  const vite = join(root, 'node_modules/vite/bin/vite.js');
  execFileSync(process.execPath, [vite, 'build', '--logLevel', 'error'], { cwd: project, stdio: 'pipe' });
}, 90_000);

async function open(name: string, context = {}): Promise<{ page: Page; wrong: string[] }> {
  const page = await own.tab({ viewport: { width: 900, height: 600 }, ...context });
  const library = join(root, 'packages/zesty-kite/dist');
  await page.route('http://programs.example/**', (route) => {
    const { pathname } = new URL(route.request().url());
    const path = pathname.startsWith('/zesty-kite/')
      ? join(library, pathname.slice('/zesty-kite/'.length))
      : join(project, pathname.startsWith('/page') ? '.' : 'dist', pathname);
    return route.fulfill({ path });
  });
  const wrong: string[] = [];
  page.on('pageerror', (error) => wrong.push(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error') wrong.push(message.text());
  });
  await page.goto(`http://programs.example/${name}`);
  if (name !== 'react.jsx.html') await page.waitForFunction(() => Reflect.has(globalThis, 'camera'));
  return { page, wrong };
}

/** Lines that name the library, an object that came of it, or a setting. */
function cameraLines(name: keyof typeof LINES): number {
  const text = [name, ...(name === 'page.html' ? ['pageWorker.js'] : [])]
    .map((file) => readFileSync(join(root, 'examples/programs', file), 'utf8'))
    .join('\n');
  const names = new Set(['camera', 'view', 'ref', 'panels:', 'gameDrag:', 'tap:', 'longPress:', 'leftToPage:']);
  for (const [, imported = ''] of text.matchAll(/import \{([^}]*)\} from '[^']*zesty-kite[^']*'/g))
    for (const one of imported.split(',')) names.add(one.trim());
  // Objects that are made of what is named.
  for (const [, made = '', given = ''] of text.matchAll(/^\s*(?:const|let) (\w+) = ([^\n]*)/gm))
    if ([...names].some((one) => new RegExp(`\\b${one}\\b`).test(given))) names.add(made);
  let depth = 0;
  return text.split('\n').filter((line) => {
    const isNamed = line.includes('zesty-kite') || [...names].some((one) => new RegExp(`\\b${one}(?!\\w)`).test(line));
    const isSetting = depth > 0;
    // All lines of settings count.
    if (/(const settings|new Camera\(|OFFERS) ?=? ?[[{(]*\{$/.test(line) || depth > 0)
      depth += (line.match(/[{[]/g)?.length ?? 0) - (line.match(/[}\]]/g)?.length ?? 0);
    return (isNamed || isSetting) && !line.trimStart().startsWith('/**');
  }).length;
}

test.each(Object.keys(LINES) as (keyof typeof LINES)[])('%s needs few lines for the camera', (name) => {
  expect(cameraLines(name)).toBeLessThanOrEqual(LINES[name]);
});

test('flat: a box selects, the minimap goes there, edges pan, the view is saved', async () => {
  const { page, wrong } = await open('flat.ts.html');
  await page.mouse.move(100, 100);
  await page.mouse.down();
  await page.mouse.move(600, 500, { steps: 6 });
  await page.mouse.up();
  const chosen = (): Promise<number> =>
    page.evaluate(
      () => (globalThis as unknown as { barges: { chosen: boolean }[] }).barges.filter((one) => one.chosen).length,
    );
  expect(await chosen()).toBeGreaterThan(0);
  const x = (): Promise<number> => page.evaluate(() => camera.goal.x);
  const before = await x();
  const small = (await page.locator('.small').boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
  await page.mouse.click(small.x + 30, small.y + 60);
  await page.waitForFunction((from) => Math.abs(camera.shown.x - from) > 100, before);
  await page.mouse.move(1, 300);
  const at = await x();
  await page.waitForFunction(
    (from) => camera.shown.x < from - 5 || camera.boundsExcess > 0 || camera.shown.x < 330,
    at,
  );
  await page.mouse.move(400, 300);
  await page.waitForFunction(() => camera.settled);
  const saved = await page.evaluate(() => camera.shown.x);
  await page.reload();
  await page.waitForFunction((from) => Reflect.has(globalThis, 'camera') && Math.abs(camera.shown.x - from) < 1, saved);
  expect(wrong).toEqual([]);
});

test('tiles: a drag builds on the tiles under the pointer, Q turns by a quarter', async () => {
  const { page, wrong } = await open('tiles.ts.html');
  await page.waitForFunction(() => camera.view.width === 900);
  const spot = await page.evaluate(() => camera.view.toGround(450, 300));
  await page.mouse.move(440, 300);
  await page.mouse.down();
  await page.mouse.move(450, 300);
  await page.mouse.move(520, 340, { steps: 4 });
  await page.mouse.up();
  const houses = await page.evaluate(() =>
    (globalThis as unknown as { houses: { x: number; y: number }[] }).houses.map(({ x, y }) => ({ x, y })),
  );
  expect(houses.length).toBeGreaterThan(1);
  expect(Math.abs((houses[0]?.x ?? NaN) - (spot?.x ?? NaN))).toBeLessThanOrEqual(16);
  await page.keyboard.press('KeyQ');
  await page.waitForFunction(
    () => camera.settled && Math.abs(camera.shown.heading) === 45 && camera.shown.heading !== 45,
  );
  expect(wrong).toEqual([]);
});

test('hills: a double click goes there, Space digs, B follows the barge, and the renderer is as large as its element', async () => {
  const { page, wrong } = await open('hills.ts.html');
  const height = (): Promise<number> => page.evaluate(() => camera.view.eye().height);
  await page.waitForFunction(() => Math.abs(camera.view.eye().height - camera.view.focusHeight - 250) < 1e-3);
  expect(
    await page.evaluate(() => [document.querySelector('canvas')?.width, document.querySelector('canvas')?.height]),
  ).toEqual([900, 600]);
  await page.mouse.dblclick(600, 350);
  await page.waitForFunction(() => camera.settled && camera.view.eye().height < 160);
  expect(await height()).toBeGreaterThan(60);
  await page.keyboard.press('Space');
  await page.waitForFunction(
    () =>
      camera.terrain !== null &&
      camera.terrain.lowest === 0 &&
      camera.terrain.heightAt(Math.round(camera.shown.x / 8) * 8, Math.round(camera.shown.y / 8) * 8) === 0,
  );
  await page.keyboard.press('KeyB');
  await page.waitForFunction(
    () => Math.abs(camera.shown.x - (globalThis as unknown as { barge: { x: number } }).barge.x) < 60,
  );
  await page.setViewportSize({ width: 700, height: 500 });
  await page.waitForFunction(() => document.querySelector('canvas')?.width === 700);
  expect(wrong).toEqual([]);
}, 60_000);

test('react: two maps keep their cameras over renders in strict mode, inline settings change them, a dialog binds a key', async () => {
  const { page, wrong } = await open('react.jsx.html');
  const maps = page.locator('canvas');
  await maps.nth(1).waitFor();
  const shown = (): Promise<string[]> =>
    maps.evaluateAll((all) => all.map((one) => (one as HTMLCanvasElement).toDataURL().slice(-400)));
  // Maps are drawn as large as they show from their first frame on.
  await page.waitForFunction(() => [...document.querySelectorAll('canvas')].every(({ width }) => width === 400));
  expect(await maps.first().evaluate((one) => (one as HTMLCanvasElement).height)).toBe(300);
  const label = (name: string): ReturnType<Page['locator']> => page.locator('label', { hasText: name });
  expect(await label('Movement speed').locator('input').inputValue()).toBe('1');
  await page.click('#faster');
  await page.click('#faster');
  await label('Invert wheel').locator('input').click();
  expect(await label('Movement speed').locator('input').inputValue()).toBe('2');
  const before = await shown();
  await label('Move up').locator('button').focus();
  await page.keyboard.press('KeyI');
  await page.waitForFunction(() => document.querySelector('label button')?.textContent === 'KeyI');
  await maps.first().hover();
  await page.mouse.wheel(0, -600);
  await page.waitForFunction((old) => document.querySelector('canvas')?.toDataURL().slice(-400) !== old, before[0]);
  expect(wrong).toEqual([]);
});

test('a page without a bundler: the worker draws, taps and long presses are told, fingers drag', async () => {
  const { page, wrong } = await open('page.html', { hasTouch: true });
  await page.waitForFunction(() => camera.shown.span === 400);
  await page.touchscreen.tap(300, 200);
  await page.waitForFunction(() => document.querySelector('output')?.value.startsWith('tap'));
  await page.mouse.move(300, 200);
  await page.mouse.down();
  await page.waitForFunction(() => document.querySelector('output')?.value.startsWith('long press'));
  await page.mouse.up();
  await page.mouse.wheel(0, -300);
  await page.waitForFunction(() => camera.shown.span < 390);
  expect(wrong).toEqual([]);
});

test('an atlas: the page scrolls under the wheel, Control zooms, and labels stay on their places', async () => {
  const { page, wrong } = await open('atlas.ts.html');
  await page.mouse.move(400, 200);
  await page.mouse.wheel(0, 100);
  await page.waitForFunction(() => scrollY > 50);
  await page.evaluate(() => scrollTo(0, 0));
  await page.keyboard.down('Control');
  await page.mouse.wheel(0, -300);
  await page.keyboard.up('Control');
  await page.waitForFunction(() => camera.settled && camera.shown.span < 490);
  const off = await page.evaluate(() => {
    const box = document.querySelector('button')?.getBoundingClientRect() ?? new DOMRect();
    const at = camera.view.toScreen(300, 200);
    return (
      Math.min(Math.abs(box.left + box.width / 2 - at.x), Math.abs(box.left - at.x)) +
      Math.min(Math.abs(box.top + box.height / 2 - at.y), Math.abs(box.bottom - at.y), Math.abs(box.top - at.y))
    );
  });
  expect(off).toBeLessThan(2);
  expect(wrong).toEqual([]);
});

test('in Node: what was recorded plays again, bit for bit', () => {
  const printed = execFileSync(process.execPath, ['node.js'], {
    cwd: project,
    encoding: 'utf8',
  });
  const { digest, again, shown } = JSON.parse(printed) as { digest: string; again: object; shown: object };
  expect(digest).toMatch(/^[0-9a-f]{16}$/);
  expect(shown).toMatchObject(again);
  expect(again).toMatchObject({ x: 0, y: 0, span: expect.closeTo(200, 9) });
});
