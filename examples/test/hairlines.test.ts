/** Nothing behind the tiles of a map shows between them: at any zoom, on screens of every density. */
import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { transformSync } from '@swc/core';
import type { BrowserContextOptions, Page } from 'playwright-core';
import type { PoseInput, Settings } from 'zesty-kite';
import { libraryScript, ownBrowser, stillBarges } from './browser.ts';

const own = ownBrowser();
const DENSITIES = [1, 1.5, 2];

const optionsAt = (density: number): BrowserContextOptions => ({
  viewport: { width: 500, height: 400 },
  deviceScaleFactor: density,
});

/** How many pixels of squares on a canvas let the page show through, and how many were looked at. */
async function squares(density: number, overlaps: boolean): Promise<{ seen: number; through: number }> {
  const page = await own.tab(optionsAt(density));
  await page.setContent('<canvas style="width: 500px; height: 400px"></canvas>');
  await page.addScriptTag(libraryScript());
  const counted = await page.evaluate((isOverlapping) => {
    const canvas = document.querySelector('canvas');
    const context = canvas?.getContext('2d');
    if (!canvas || !context) throw new Error('no canvas');
    const drawing = zesty.createDrawing(context, { smoothing: false });
    const screen = { width: 500, height: 400, density: devicePixelRatio };
    let [seen, through] = [0, 0];
    for (let i = 0; i < 24; i++) {
      const heading = i % 3 === 0 ? 0 : i % 3 === 1 ? 45 : 17 * i;
      const pose: PoseInput = { x: 50 + i / 7, y: 40, span: 20 + 13.37 * i, heading, pitch: i % 2 === 0 ? 90 : 30 + i };
      drawing.begin(zesty.aim(new zesty.View(), pose, screen));
      const side = 16 + (isOverlapping ? drawing.pixel : 0);
      context.fillStyle = '#a9c765';
      for (let x = -800; x < 800; x += 16) for (let y = -800; y < 800; y += 16) context.fillRect(x, y, side, side);
      if (context.imageSmoothingEnabled) through += 1e9;
      const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
      for (let k = 3; k < data.length; k += 4) {
        seen += 1;
        if ((data[k] ?? 0) < 255) through += 1;
      }
    }
    return { seen, through };
  }, overlaps);
  return counted;
}

test('squares that are drawn a pixel larger leave no hairline; drawn as they are, they do', async () => {
  for (const density of DENSITIES) {
    const { seen, through } = await squares(density, true);
    expect(seen).toBeGreaterThan(4e6);
    expect(through).toBe(0);
  }
  expect((await squares(1, false)).through).toBeGreaterThan(1000);
});

/** Runs a program with a canvas that fills the page; the page behind it is magenta. */
async function runProgram(page: Page, program: string): Promise<void> {
  const { code } = transformSync(program, { jsc: { target: 'es2022', parser: { syntax: 'typescript' } } });
  const script = code.replaceAll(/import \{([^}]*)\} from [^;]*;/g, 'const {$1} = zesty;');
  await page.goto(process.env['EXAMPLES_URL'] ?? '');
  const style = 'html, body { height: 100%; margin: 0 } canvas { display: block; width: 100%; height: 100% }';
  await page.setContent(`<style>${style}</style><canvas></canvas>`);
  await page.addScriptTag(libraryScript());
  await page.addScriptTag({ content: `{ ${script} globalThis.shownCamera = camera; }` });
}

/** Pixels of the map's canvas that let the page through, over some zooms inside of the map. */
async function throughProgram(page: Page, settings: Settings, places: readonly PoseInput[]): Promise<number> {
  return page.evaluate(
    async ([change, poses]) => {
      const camera = Reflect.get(globalThis, 'shownCamera') as typeof window.camera;
      const canvas = document.querySelector('canvas');
      const context = canvas?.getContext('2d');
      if (!canvas || !context) throw new Error('no canvas');
      camera.change(change);
      let through = 0;
      for (const pose of poses) {
        camera.place(pose);
        await new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)));
        const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
        for (let k = 3; k < data.length; k += 4) if ((data[k] ?? 0) < 255) through += 1;
      }
      return through;
    },
    [settings, places] as const,
  );
}

const [readme = ''] = /(?<=^```ts\n).*?(?=^```)/gms.exec(readFileSync('packages/zesty-kite/README.md', 'utf8')) ?? [];
const template = (file: string): string => readFileSync(`packages/zesty-kite-cli/templates/${file}`, 'utf8');
/** With its settings in it, and without the panel. */
const starter = (name: string): string =>
  template(`${name}.ts`)
    .replace("import file from './camera.json';", `const file = ${template(`${name}.json`)};`)
    .replace(/^if \(import\.meta[^]*$/m, '');
const zooms = (x: number, y: number, ...spans: number[]): PoseInput[] =>
  spans.map((span) => ({ x: x + span / 77, y, span }));

test.each([
  ['the README', readme, zooms(512, 384, 41.3, 77.7, 133, 251.9, 301.7)],
  ['the flat starter', starter('flat'), zooms(512, 384, 41.3, 77.7, 133, 251.9, 301.7)],
  ['the starter with tiles', starter('tiles'), zooms(512, 384, 37, 71.3, 113.9)],
] as const)('the program of %s shows no hairline', async (_, program, places) => {
  for (const density of DENSITIES) {
    const page = await own.tab(optionsAt(density));
    await runProgram(page, program);
    expect(await throughProgram(page, { zoom: { stops: null, minSpan: 10 } }, places)).toBe(0);
  }
});

test.each(['straight-down', 'two-to-one'])('the page %s shows no hairline', async (name) => {
  for (const density of DENSITIES) {
    const page = await own.browser.newPage(optionsAt(density));
    await stillBarges(page);
    // All that lies behind the tiles is magenta, which no tile is.
    await page.addInitScript(() => {
      const { prototype } = CanvasRenderingContext2D;
      const fillRect: (...sides: [number, number, number, number]) => unknown = Reflect.get(prototype, 'fillRect');
      prototype.fillRect = function (x, y, width, height) {
        if (width >= 490) this.fillStyle = '#ff00ff';
        Reflect.apply(fillRect, this, [x, y, width, height]);
      };
    });
    await page.goto(`${process.env['EXAMPLES_URL'] ?? ''}${name}/`);
    await page.waitForFunction(() => document.querySelector('canvas')?.dataset['ground'] === 'fine');
    const found = await page.evaluate(async () => {
      const { camera } = lemonStrait;
      const canvas = document.querySelector('canvas');
      const context = canvas?.getContext('2d');
      if (!canvas || !context) throw new Error('no canvas');
      camera.change({ zoom: { stops: null, minSpan: 10, maxSpan: 1000 } });
      let [magenta, seen] = [0, 0];
      for (const span of [53.7, 91.1, 150.3, 233.9]) {
        camera.place({ x: 512 + span / 77, y: 384, span });
        for (let i = 0; i < 3; i++) await new Promise((drawn) => requestAnimationFrame(drawn));
        const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
        for (let k = 0; k < data.length; k += 4) {
          const [red = 0, green = 0, blue = 0] = [data[k], data[k + 1], data[k + 2]];
          seen += 1;
          if (Math.min(red, blue) - green > 6) magenta += 1;
        }
      }
      return { magenta, seen };
    });
    expect(found.seen).toBeGreaterThan(5e5);
    expect(found.magenta).toBe(0);
    await page.close();
  }
});
