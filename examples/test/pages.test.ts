/** The small pages: each is steered with real input, says nothing on the console, and can be read by everybody. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { afterAll, expect, test } from '@jest/globals';
import { decode } from 'fast-png';
import type { Browser, Page } from 'playwright-core';
import type { Point } from 'zesty-kite';
import { BRISK, frames, launch, ownBrowser, touch } from './browser.ts';

const own = ownBrowser();
const SMALL = ['a-chart-of-labels', 'fingers', 'two-players', 'beside-the-game', 'raw-webgl', 'build-in-pixi'];
/** Steered by tests of their own. */
const OTHERS = ['straight-down', 'two-to-one', 'over-the-hills', 'workbench'];
const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
/** What the driver says of screenshots and of software, not of the page. */
const NOISE = /GPU stall due to ReadPixels|software WebGL/;

async function open(name: string): Promise<{ page: Page; said: string[] }> {
  const page = await own.tab({
    viewport: { width: 800, height: 600 },
    // What is drawn by software shaders: a few of the pixels will do.
    deviceScaleFactor: ['raw-webgl', 'over-the-hills', 'build-in-pixi', 'workbench'].includes(name) ? 0.25 : 1,
    hasTouch: name === 'fingers',
  });
  const said: string[] = [];
  page.on('console', (message) => {
    if (['error', 'warning'].includes(message.type()) && !NOISE.test(message.text())) said.push(message.text());
  });
  page.on('pageerror', ({ message }) => said.push(message));
  await page.goto(`${process.env['EXAMPLES_URL'] ?? ''}${name}/`);
  await page.waitForFunction(
    () => Number(document.body.dataset['frames'] ?? document.querySelector('canvas')?.dataset['frames']) > 1,
  );
  await page.evaluate((settings) => {
    for (const camera of cameras) camera.change(settings);
    // Barges that sail are drawn in every frame.
    document.querySelector<HTMLElement>('#barges[aria-pressed=true]')?.click();
  }, BRISK);
  return { page, said };
}

const pose = (page: Page, camera = 0): Promise<{ x: number; y: number; span: number }> =>
  page.evaluate((i) => {
    const { x, y, span } = cameras[i]?.shown ?? { x: NaN, y: NaN, span: NaN };
    return { x, y, span };
  }, camera);

const rest = (page: Page): Promise<unknown> => page.waitForFunction(() => cameras.every(({ settled }) => settled));

/** Holds a key until the camera has gone some way to the right. */
async function panRight(page: Page, code: string, camera = 0): Promise<void> {
  const { x } = await pose(page, camera);
  await page.keyboard.down(code);
  await page.waitForFunction(([i, from]) => (cameras[i]?.shown.x ?? NaN) > from + 1, [camera, x] as const);
  await page.keyboard.up(code);
  await rest(page);
}

test.each([...SMALL, ...OTHERS])('%s: nothing on the console, and nothing that keeps anybody out', async (name) => {
  const { page, said } = await open(name);
  // Nothing has moved while it came up, and panels lie apart on every screen.
  expect(await shifts(page)).toEqual([]);
  for (const [width, height] of SCREENS) {
    await page.setViewportSize({ width, height });
    expect([width, await crowded(page)]).toEqual([width, []]);
  }
  await page.setViewportSize({ width: 800, height: 600 });
  await page.evaluate(AXE);
  const faults = await page.evaluate(async () => {
    interface Fault {
      readonly id: string;
      readonly impact: string;
      readonly nodes: readonly { readonly html: string }[];
    }
    const { axe } = globalThis as unknown as {
      axe: { run: (options: object) => Promise<{ violations: readonly Fault[] }> };
    };
    const { violations } = await axe.run({ runOnly: ['wcag2a', 'wcag2aa'], resultTypes: ['violations'] });
    return violations
      .filter(({ impact }) => impact === 'serious' || impact === 'critical')
      .map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(' ')}`);
  });
  expect(faults).toEqual([]);
  if (SMALL.includes(name)) await steer(page);
  expect(said).toEqual([]);
});

/** A phone, a window, a desktop. */
const SCREENS = [
  [390, 844],
  [800, 600],
  [1280, 800],
] as const;

/** What the browser counts as a shift of the layout, so far. */
function shifts(page: Page): Promise<string[]> {
  return page.evaluate(
    () =>
      new Promise((done) => {
        interface Shift extends PerformanceEntry {
          readonly value: number;
          readonly sources: readonly { readonly node: Node | null }[];
        }
        const seen: string[] = [];
        new PerformanceObserver((list) => {
          for (const { value, sources } of list.getEntries() as Shift[])
            if (value > 0.001) seen.push(sources.map(({ node }) => node?.nodeName ?? '').join(' '));
        }).observe({ type: 'layout-shift', buffered: true });
        requestAnimationFrame(() =>
          requestAnimationFrame(() => {
            done(seen);
          }),
        );
      }),
  );
}

/** Panels that lie over each other or reach out of the page, and a page that scrolls sideways. */
function crowded(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const found: string[] = [];
    const panels = [...document.querySelectorAll<HTMLElement>('.panel')].filter(
      (panel) => panel.offsetWidth > 0 && getComputedStyle(panel).visibility === 'visible' && panel.textContent !== '',
    );
    const boxes = panels.map((panel) => ({ name: panel.className, box: panel.getBoundingClientRect() }));
    boxes.forEach(({ name, box }, i) => {
      if (box.left < 0 || box.right > innerWidth + 0.5 || box.top < 0 || box.bottom > innerHeight + 0.5)
        found.push(`${name} reaches out`);
      for (const other of boxes.slice(i + 1)) {
        const { left, right, top, bottom } = other.box;
        if (left < box.right && right > box.left && top < box.bottom && bottom > box.top)
          found.push(`${name} over ${other.name}`);
      }
    });
    if (document.documentElement.scrollWidth > innerWidth) found.push('scrolls sideways');
    return found;
  });
}

/** The wheel zooms, and a key pans. */
async function steer(page: Page): Promise<void> {
  const before = await pose(page);
  await page.mouse.move(320, 420);
  await page.mouse.wheel(0, -300);
  await page.waitForFunction((span) => (cameras[0]?.shown.span ?? NaN) < span * 0.98, before.span);
  await rest(page);
  await page.mouse.move(320, 300);
  await panRight(page, 'KeyD');
}

test('each page’s own code is short enough to start from', () => {
  for (const name of SMALL) {
    const code = readFileSync(new URL(`../${name}/main.ts`, import.meta.url), 'utf8');
    expect([name, code.split('\n').length < 150]).toEqual([name, true]);
  }
});

test('a chart of labels: the sheet and the names lie where the view says', async () => {
  const { page } = await open('a-chart-of-labels');
  await page.mouse.move(320, 420);
  await page.mouse.wheel(0, -300);
  await page.keyboard.down('KeyE');
  await page.waitForFunction(() => (cameras[0]?.shown.heading ?? 0) > 15);
  await page.keyboard.up('KeyE');
  await rest(page);
  const off = await page.evaluate(() => {
    const view = cameras[0]?.view;
    const matrix = document.querySelector<SVGGElement>('#ground')?.getScreenCTM();
    if (!view || !matrix) return [NaN];
    const sheet = [
      [512, 384],
      [300, 200],
    ].map(([x = 0, y = 0]) => {
      const at = view.toScreen(x, y);
      const there = new DOMPoint(x, y).matrixTransform(matrix);
      return Math.hypot(there.x - at.x, there.y - at.y);
    });
    return sheet;
  });
  expect(Math.max(...off)).toBeLessThan(0.01);
});

test('over the hills: without a graphics card, half of the pixels a side are drawn while the camera moves, and all at rest', async () => {
  const page = await own.tab({ viewport: { width: 320, height: 200 } });
  await page.goto(`${process.env['EXAMPLES_URL'] ?? ''}over-the-hills/`);
  await page.waitForFunction(() => document.querySelector('canvas')?.dataset['ground'] === 'fine');
  const wide = (): Promise<number | undefined> => page.evaluate(() => document.querySelector('canvas')?.width);
  const bySoftware = await page.evaluate(() => {
    const context = new OffscreenCanvas(1, 1).getContext('webgl2');
    const names = context?.getExtension('WEBGL_debug_renderer_info');
    return /swiftshader|llvmpipe|software/i.test(String(context?.getParameter(names?.UNMASKED_RENDERER_WEBGL ?? 0)));
  });
  await page.keyboard.down('KeyQ');
  await page.waitForFunction(() => (cameras[0]?.shown.heading ?? 0) !== 0);
  await frames(page);
  expect(await wide()).toBe(bySoftware ? 160 : 320);
  await page.keyboard.up('KeyQ');
  await rest(page);
  await frames(page);
  expect(await wide()).toBe(320);
});

test('two players: half a keyboard each moves its own half alone', async () => {
  const { page } = await open('two-players');
  const [left, right] = [await pose(page, 0), await pose(page, 1)];
  await panRight(page, 'KeyD', 0);
  expect(await pose(page, 1)).toEqual(right);
  const moved = await pose(page, 0);
  expect(moved.x).toBeGreaterThan(left.x);
  await panRight(page, 'ArrowRight', 1);
  expect(await pose(page, 0)).toEqual(moved);
});

test('beside the game: the field has its keys, the list its wheel, the dialog everything; orders go to the game', async () => {
  const { page } = await open('beside-the-game');
  await page.mouse.move(300, 300);
  const before = await pose(page);
  await page.fill('#search', '');
  await page.locator('#search').pressSequentially('wasd 1');
  await page.fill('#search', '');
  await page.mouse.move(690, 300);
  await page.mouse.wheel(0, 400);
  await page.waitForFunction(() => (document.querySelector('#list')?.scrollTop ?? 0) > 50);
  await page.click('#ask');
  await page.keyboard.press('KeyD');
  await page.mouse.wheel(0, -300);
  expect(await pose(page)).toEqual(before);
  await page.getByLabel('Movement speed', { exact: true }).focus();
  await page.keyboard.press('End');
  await page.waitForFunction(() => cameras[0]?.settings.pan.speed === 3);
  await page.keyboard.press('Escape');
  await page.mouse.move(60, 200);
  await page.mouse.down();
  await page.mouse.move(540, 560, { steps: 5 });
  await page.mouse.up();
  await page.waitForFunction(() => /^[1-9]\d* chosen/.test(document.querySelector('#readout')?.textContent ?? ''));
  await page.mouse.click(300, 300, { button: 'right' });
  await page.waitForFunction(() => /[1-9]\d* sent/.test(document.querySelector('#readout')?.textContent ?? ''));
});

test('fingers: two real ones hold their ground within 1e-3 px, as the page itself says', async () => {
  const { page } = await open('fingers');
  const client = await page.context().newCDPSession(page);
  const { span } = await pose(page);
  await touch(client, 'touchStart', [300, 300], [420, 340]);
  for (let i = 1; i <= 10; i++) {
    await touch(client, 'touchMove', [300 - 8 * i, 300 + 3 * i], [420 + 8 * i, 340 - 6 * i]);
    await frames(page, 1);
  }
  await page.waitForFunction((from) => (cameras[0]?.shown.span ?? NaN) < from * 0.75, span);
  const [, held, off] = (await page.textContent('#readout'))?.match(/held (\d).*off ([^ ]+) px/) ?? [];
  expect(held).toBe('2');
  expect(Number(off)).toBeLessThan(1e-3);
  await touch(client, 'touchEnd');
  await rest(page);
});

test('build in Pixi: the package’s own transform agrees with the view, the tile under the pointer is exact, a click plants', async () => {
  const { page } = await open('build-in-pixi');
  await page.keyboard.press('KeyE');
  await rest(page);
  const places: Point[] = [
    { x: 400, y: 400 },
    { x: 137, y: 511 },
    { x: 613, y: 287 },
  ];
  const off = await page.evaluate((points) => {
    const { land } = globalThis as unknown as { land: { toLocal: (point: Point) => Point } };
    return points.map((point) => {
      const at = cameras[0]?.view.toGround(point.x, point.y) ?? { x: NaN, y: NaN };
      const local = land.toLocal(point);
      return Math.hypot(local.x - at.x, local.y - at.y);
    });
  }, places);
  expect(Math.max(...off)).toBeLessThan(1e-6);
  const count = (): Promise<number> =>
    page.evaluate(() => (globalThis as unknown as { trees: Map<string, object> }).trees.size);
  const before = await count();
  await page.mouse.click(400, 400);
  await page.waitForFunction((n) => (globalThis as unknown as { trees: Map<string, object> }).trees.size !== n, before);
  await page.mouse.click(400, 400);
  await page.waitForFunction((n) => (globalThis as unknown as { trees: Map<string, object> }).trees.size === n, before);
});

/** Points far from a shore, with whether the ground there is under water, as the page's camera picks them. */
const picks = (page: Page): Promise<{ x: number; y: number; water: boolean }[]> =>
  page.evaluate(() => {
    const camera = cameras[0];
    if (!camera) return [];
    const found: { x: number; y: number; water: boolean }[] = [];
    for (let y = 170; y < 540; y += 23)
      for (let x = 20; x < 790; x += 29) {
        const at = camera.view.toGround(x, y);
        const high = at === null ? 0 : Math.abs(at.height);
        const near = [0, 1, 2, 3, 4, 5, 6, 7].some((turn) => {
          const [right, down] = [9 * Math.cos((turn * Math.PI) / 4), 9 * Math.sin((turn * Math.PI) / 4)];
          const other = at && camera.terrain?.heightAt(at.x + right, at.y + down);
          return other === null || other === undefined || other < 0 !== (at?.height ?? 0) < 0 || Math.abs(other) < 1;
        });
        if (at !== null && high > 1.2 && !near) found.push({ x, y, water: at.height < 0 });
      }
    return found;
  });

/** Water is bluer than green there, land greener than blue. */
function agrees(red: number, green: number, blue: number, water: boolean): boolean {
  return water ? blue > green && red < 60 : green > blue;
}

test('raw WebGL: water and land show where the view picks them', async () => {
  const { page } = await open('raw-webgl');
  await page.keyboard.down('KeyE');
  await page.waitForFunction(() => (cameras[0]?.shown.heading ?? 0) > 20);
  await page.keyboard.up('KeyE');
  await rest(page);
  const wanted = await picks(page);
  const { data, width, channels } = decode(await page.screenshot());
  const wrong = wanted.filter(({ x, y, water }) => {
    const at = (Math.floor(y / 4) * width + Math.floor(x / 4)) * channels;
    return !agrees(data[at] ?? 0, data[at + 1] ?? 0, data[at + 2] ?? 0, water);
  });
  expect(wanted.filter(({ water }) => !water).length).toBeGreaterThan(20);
  expect(wrong).toEqual([]);
});

let gpu: Browser | null = null;
afterAll(() => gpu?.close());

test('raw WebGPU: the same, on a software adapter; what is drawn is read before it is presented', async () => {
  gpu = await launch(['--enable-unsafe-webgpu', '--enable-features=Vulkan', '--use-webgpu-adapter=swiftshader']);
  const context = await gpu.newContext({ viewport: { width: 800, height: 600 } });
  // Where nothing is on a screen, presenting a canvas may end the software adapter: it is given a texture of its own.
  await context.addInitScript(() => {
    const { prototype } = GPUCanvasContext;
    let made: GPUCanvasConfiguration | null = null;
    prototype.configure = (configuration) => {
      made = configuration;
    };
    prototype.getCurrentTexture = function () {
      if (made === null) throw new Error('not configured');
      const { width, height } = this.canvas;
      return made.device.createTexture({ size: [width, height], format: made.format, usage: made.usage ?? 16 });
    };
  });
  const page = await context.newPage();
  await page.goto(`${process.env['EXAMPLES_URL'] ?? ''}raw-webgpu/`);
  await page.waitForFunction(() => Number(document.body.dataset['frames']) > 0);
  await rest(page);
  const wanted = await picks(page);
  const colours = await page.evaluate(async (places) => {
    const { device, picture } = Reflect.get(globalThis, 'drawn') as { device: GPUDevice; picture: GPUTexture };
    const bytesPerRow = Math.ceil(picture.width / 64) * 256;
    const buffer = device.createBuffer({ size: bytesPerRow * picture.height, usage: 9 });
    const encoder = device.createCommandEncoder();
    encoder.copyTextureToBuffer({ texture: picture }, { buffer, bytesPerRow }, [picture.width, picture.height]);
    device.queue.submit([encoder.finish()]);
    await buffer.mapAsync(1);
    const data = new Uint8Array(buffer.getMappedRange());
    return places.map(({ x, y }) => {
      const [a = 0, b = 0, c = 0] = data.slice(y * bytesPerRow + x * 4);
      return picture.format.startsWith('bgra') ? [c, b, a] : [a, b, c];
    });
  }, wanted);
  expect(wanted.filter(({ water }) => !water).length).toBeGreaterThan(20);
  const wrong = wanted.filter(({ water }, i) => {
    const [red = 0, green = 0, blue = 0] = colours[i] ?? [];
    return !agrees(red, green, blue, water);
  });
  expect(wrong).toEqual([]);
  // A device that is lost is told of, and the page throws nothing when it would draw.
  const errors: string[] = [];
  page.on('pageerror', ({ message }) => errors.push(message));
  await page.evaluate(() => {
    (Reflect.get(globalThis, 'drawn') as { device: GPUDevice }).device.destroy();
  });
  await page.waitForFunction(() =>
    (document.querySelector('#readout')?.textContent ?? '').startsWith('The graphics device was lost'),
  );
  await page.keyboard.press('KeyD');
  await frames(page, 10);
  expect(await page.textContent('#readout')).toContain('Reload the page');
  expect(errors).toEqual([]);
});
