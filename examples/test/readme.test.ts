/** The start in the README of the package, as it stands: copied into an empty project, built, and looked at in a browser. */
import { execFileSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { decode } from 'fast-png';
import { beforeAll, expect, test } from '@jest/globals';
import type { BrowserContext, Page } from 'playwright-core';
import { frames, lasts, ownBrowser } from './browser.ts';

const root = new URL('../../', import.meta.url).pathname;
const project = join(root, '.cache/readme');
const own = ownBrowser();
const PAGE = 'packages/zesty-kite/README.md';

/** The blocks of code of a page in a language. */
function blocks(page: string, language: string): string[] {
  const text = readFileSync(join(root, page), 'utf8');
  return [...text.matchAll(new RegExp(`^\`\`\`${language}\\n(.*?)^\`\`\``, 'gms'))].map(([, code = '']) => code);
}

beforeAll(() => {
  const [html = ''] = blocks(PAGE, 'html');
  const [main = ''] = blocks(PAGE, 'ts');
  rmSync(project, { recursive: true, force: true });
  mkdirSync(project, { recursive: true });
  writeFileSync(join(project, 'index.html'), html);
  writeFileSync(join(project, 'main.ts'), main);
  execFileSync(process.execPath, [join(root, 'node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'error'], {
    cwd: project,
  });
}, 60_000);

async function openAt(context: BrowserContext): Promise<Page> {
  await context.route('http://readme.example/**', (route) => {
    const { pathname } = new URL(route.request().url());
    return route.fulfill({ path: join(project, 'dist', pathname === '/' ? 'index.html' : pathname) });
  });
  const page = await context.newPage();
  const wrong: string[] = [];
  page.on('console', (message) => wrong.push(message.text()));
  page.on('pageerror', (error) => wrong.push(error.message));
  await page.goto('http://readme.example/');
  await frames(page, 10);
  expect(wrong).toEqual([]);
  return page;
}

/** A screenshot's pixels, as one number each. */
async function pixelsOf(page: Page): Promise<{ width: number; height: number; at: (x: number, y: number) => number }> {
  const { width, height, data, channels } = decode(await page.screenshot());
  const at = (x: number, y: number): number => {
    const i = (y * width + x) * channels;
    return ((data[i] ?? 0) << 16) + ((data[i + 1] ?? 0) << 8) + (data[i + 2] ?? 0);
  };
  return { width, height, at };
}

test('both pages install in the same way', () => {
  for (const page of [PAGE, 'README.md']) expect(blocks(page, 'sh')[0]).toMatch(/^npm install zesty-kite\b/);
});

test.each([
  { density: 1, size: { width: 901, height: 640 } },
  { density: 1.5, size: { width: 800, height: 601 } },
  { density: 2, size: { width: 640, height: 480 } },
])(
  'it draws a sharp, square, cleared map at $density device pixels',
  async ({ density, size }) => {
    const context = await own.browser.newContext({ viewport: size, deviceScaleFactor: density });
    const page = await openAt(context);
    const canvas = await page.evaluate(() => {
      const found = document.querySelector('canvas') ?? new OffscreenCanvas(1, 1);
      return { width: found.width, height: found.height };
    });
    expect(canvas).toEqual({ width: Math.round(size.width * density), height: Math.round(size.height * density) });
    await page.mouse.move(300, 200);
    for (let i = 0; i < 2; i++) await page.mouse.wheel(0, -100);
    await lasts(page, 1500);
    await page.mouse.down({ button: 'middle' });
    await page.mouse.move(340, 260, { steps: 4 });
    await lasts(page, 200);
    await page.mouse.up({ button: 'middle' });
    await lasts(page, 800);
    const { width, height, at } = await pixelsOf(page);
    const colours = [0xa9c765, 0x1b6d79];
    // Only the two colours, but for the one blended pixel where two squares meet: nothing stretched, blurred or left over.
    const runs = (count: number, colourAt: (i: number) => number): number[] => {
      const lengths: number[] = [];
      for (let i = 0, from = 0; i < count; i++) {
        if (i + 1 < count && colourAt(i + 1) === colourAt(i)) continue;
        if (i - from >= 2) {
          expect(colours).toContain(colourAt(i));
          lengths.push(i + 1 - from);
        }
        from = i + 1;
      }
      return lengths.slice(1, -1);
    };
    const across = runs(width, (x) => at(x, height >> 1));
    const down = runs(height, (y) => at(width >> 1, y));
    expect(across.length).toBeGreaterThan(1);
    const side = Math.max(...across, ...down);
    for (const length of [...across, ...down]) expect(side - length).toBeLessThanOrEqual(2);
    await context.close();
  },
  30_000,
);
