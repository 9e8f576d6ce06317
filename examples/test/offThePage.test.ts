/** A camera in a worker, steered from the page by real input; and the modules that need no bundler. */
import { readdirSync, readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { Camera, type Settings } from 'zesty-kite';
import { lasts, ownBrowser } from './browser.ts';

const own = ownBrowser();

async function offThePage(): Promise<Page> {
  const page = await own.tab({ viewport: { width: 1000, height: 600 } });
  await page.goto(`${process.env['EXAMPLES_URL'] ?? ''}off-the-page/`);
  await page.waitForFunction(() => Number(document.querySelector('canvas')?.dataset['frames']) > 0);
  // Its size comes after the first frame.
  await page.waitForFunction(() => lemonStrait.camera.view.width === 1000);
  return page;
}

const settled = (page: Page): Promise<unknown> => page.waitForFunction(() => lemonStrait.camera.settled);

test('off the page: the real wheel zooms to the cursor, keys pan, a real drag holds the ground', async () => {
  const page = await offThePage();
  await page.mouse.move(620, 250);
  const before = await page.evaluate(() => lemonStrait.camera.view.toGround(620, 250));
  await page.mouse.wheel(0, -300);
  await page.waitForFunction(() => !lemonStrait.camera.settled);
  await settled(page);
  const at = await page.evaluate((spot) => lemonStrait.camera.view.toScreen(spot?.x ?? NaN, spot?.y ?? NaN), before);
  expect(Math.hypot(at.x - 620, at.y - 250)).toBeLessThan(1e-3);
  const { x } = await page.evaluate(() => ({ x: lemonStrait.camera.view.x }));
  await page.keyboard.down('KeyD');
  await page.waitForFunction((from) => lemonStrait.camera.view.x > from + 5, x);
  await page.keyboard.up('KeyD');
  await settled(page);
  // However far the key has brought it: at the edge of the map a drag would stop.
  await page.evaluate(() => lemonStrait.camera.signal({ kind: 'place', x: 512, y: 384, span: 100 }));
  await settled(page);
  const held = await page.evaluate(() => lemonStrait.camera.view.toGround(620, 250));
  await page.mouse.down({ button: 'right' });
  // However late a busy page hears the moves: the drag has begun before it goes far.
  await page.mouse.move(614, 250);
  await lasts(page, 500);
  await page.mouse.move(560, 300, { steps: 5 });
  await page.mouse.move(500, 280);
  // It sticks from where the drag began, a few pixels on.
  await page.waitForFunction((spot) => {
    const shown = lemonStrait.camera.view.toScreen(spot?.x ?? NaN, spot?.y ?? NaN);
    return Math.hypot(shown.x - 500, shown.y - 280) < 10;
  }, held);
  await page.mouse.up({ button: 'right' });
});

test('off the page: times of the page are the worker’s to the microsecond, and a busy page stops nothing', async () => {
  const page = await offThePage();
  const moved = await page.evaluate(async () => {
    const { camera } = lemonStrait;
    camera.signal({ kind: 'place', x: 512, y: 384, span: 100 });
    const frame = (): Promise<unknown> => new Promise((done) => requestAnimationFrame(done));
    while (camera.view.x !== 512 || camera.view.span !== 100) await frame();
    const from = camera.view.x;
    const begin = performance.now() + 100;
    camera.signal({ kind: 'key', code: 'KeyD', down: true, time: begin });
    camera.signal({ kind: 'key', code: 'KeyD', down: false, time: begin + 300 });
    const frames: number[] = [];
    const stop = camera.poll((time) => frames.push(time));
    while (performance.now() < begin + 600);
    const freed = performance.now();
    // Until the picture has stood for half a second.
    let stood = 0;
    for (let before = NaN; stood < 30; before = camera.view.x) {
      await frame();
      stood = before === camera.view.x ? stood + 1 : 0;
    }
    stop();
    return { way: camera.view.x - from, begin, freed, frames };
  });
  const here = new Camera(
    JSON.parse(
      readFileSync(new URL('../../data/lemon-strait/settings/straight-down.json', import.meta.url), 'utf8'),
    ) as Settings,
    { screen: { width: 1000, height: 600 } },
  );
  here.place({ x: 512, y: 384, span: 100 });
  here.advance(0);
  here.signal({ kind: 'key', code: 'KeyD', down: true, time: 100 });
  here.signal({ kind: 'key', code: 'KeyD', down: false, time: 400 });
  for (let time = 0; time < 3000; time += 16) here.advance(time);
  expect(here.shown.x - 512).toBeGreaterThan(10);
  expect(moved.way).toBeCloseTo(here.shown.x - 512, 3);
  // The worker drew while the page was busy.
  expect(moved.frames.some((time) => time > moved.begin && time < moved.freed)).toBe(true);
});

test('without a bundler: the files of every entry import only one another, in a page and in a worker', async () => {
  const folder = new URL('../../packages/zesty-kite/dist/', import.meta.url);
  const scripts = readdirSync(folder, { recursive: true })
    .map(String)
    .filter((name) => name.endsWith('.js'));
  expect(scripts.length).toBeGreaterThan(25);
  const page = await own.tab({ viewport: { width: 800, height: 600 } });
  const files: Record<string, string> = {
    'index.html': `<!doctype html><style>body { margin: 0 } canvas { width: 800px; height: 600px }</style><canvas></canvas>
      <script type="module">
        import { RemoteCamera } from './library/worker.js';
        import { listen } from './library/dom.js';
        const worker = new Worker('./worker.js', { type: 'module' });
        window.remote = new RemoteCamera(worker);
        listen(document.querySelector('canvas'), window.remote);
      </script>`,
    'worker.js': `
      import { Camera } from './library/index.js';
      import { receiveSignals } from './library/worker.js';
      const draw = (time) => { camera.advance(time); if (!camera.settled) requestAnimationFrame(draw); };
      const camera = new Camera({}, { wake: () => requestAnimationFrame(draw) });
      receiveSignals(self, camera);
      requestAnimationFrame(draw);`,
  };
  for (const name of scripts) {
    const code = readFileSync(new URL(name, folder), 'utf8');
    for (const [, from = ''] of code.matchAll(/^(?:import|export)\b[^"';]*"([^"]*)";$/gm)) {
      const imported = new URL(from, new URL(name, folder));
      expect([name, scripts.some((script) => new URL(script, folder).href === imported.href)]).toEqual([name, true]);
    }
    expect(code).not.toMatch(/\bimport\(/);
    files[`library/${name}`] = code;
  }
  await page.route('**/without/**', (route) => answer(route));
  const answer = (route: Parameters<Parameters<Page['route']>[1]>[0]): Promise<void> => {
    const name = new URL(route.request().url()).pathname.split('/without/')[1] ?? '';
    const contentType = name.endsWith('.html') ? 'text/html' : 'text/javascript';
    return route.fulfill({ contentType, body: files[name] ?? '' });
  };
  await page.goto(`${process.env['EXAMPLES_URL'] ?? ''}without/index.html`);
  await page.waitForFunction(() => (Reflect.get(window, 'remote') as Camera | undefined)?.view.width === 800);
  await page.mouse.move(400, 300);
  await page.mouse.wheel(0, -100);
  await page.waitForFunction(() => (Reflect.get(window, 'remote') as Camera).view.span < 95);
});
