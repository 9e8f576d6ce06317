/** Every program of the guide, and each mistake: type-checked, built, and steered in a browser. */
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { beforeAll, expect, test } from '@jest/globals';
import { decode } from 'fast-png';
import type { Page } from 'playwright-core';
import type { Camera } from 'zesty-kite';
import { stepsOfGuide, writePrograms } from '../../scripts/setup/programs.mjs';
import { typeErrorsIn } from '../../scripts/setup/typeCheck.mjs';
import { frames, lasts, ownBrowser } from './browser.ts';

const root = new URL('../../', import.meta.url).pathname;
const project = join(root, '.cache/guide');
const own = ownBrowser();
/** By the name of the page. */
const steps = stepsOfGuide();
const mistakes = steps.flatMap((step) => step.mistakes);

beforeAll(() => {
  const pages = writePrograms(project);
  const input = JSON.stringify(pages.map((name) => `${name}.html`));
  writeFileSync(
    join(project, 'vite.config.js'),
    `export default { build: { target: 'es2022', rolldownOptions: { input: ${input} } } };`,
  );
  expect(typeErrorsIn(project, '*.ts')).toBe('');
  const node = (...args: string[]): unknown => execFileSync(process.execPath, args, { cwd: project, stdio: 'pipe' });
  node(join(root, 'node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'error');
}, 90_000);

async function open(name: string): Promise<{ page: Page; wrong: string[] }> {
  const page = await own.tab({ viewport: { width: 900, height: 600 } });
  await page.route('http://guide.example/**', (route) =>
    route.fulfill({ path: join(project, 'dist', new URL(route.request().url()).pathname) }),
  );
  const wrong: string[] = [];
  page.on('pageerror', (error) => wrong.push(error.message));
  page.on('console', (message) => wrong.push(message.text()));
  await page.goto(`http://guide.example/${name}.html`);
  if (name === 'tune-2') return { page, wrong };
  await page.waitForFunction(() => (window as { camera?: Camera }).camera?.view.width === 900);
  await page.waitForFunction(() => window.camera.settled);
  return { page, wrong };
}

/** What its camera shows. */
const shown = (page: Page): Promise<{ x: number; y: number; span: number; heading: number; scale: number }> =>
  page.evaluate(() => {
    const { view } = window.camera;
    return { x: view.x, y: view.y, span: view.span, heading: view.heading, scale: view.scale };
  });
const settled = (page: Page): Promise<unknown> => page.waitForFunction(() => window.camera.settled);
const output = (page: Page): Promise<string> => page.locator('output').innerText();

/** What each program promises. */
const promises: Readonly<Record<string, (page: Page, wrong: string[]) => Promise<void>>> = {
  draw: async (page) => {
    const { width, data, channels } = decode(await page.screenshot());
    const at = (x: number, y: number): string =>
      String([...data.slice((y * width + x) * channels, (y * width + x) * channels + 3)]);
    expect(at(450, 300)).toBe('242,107,58');
    expect(new Set([at(430, 280), at(490, 280)])).toEqual(new Set(['169,199,101', '27,109,121']));
    expect(await page.evaluate(() => document.querySelector('canvas')?.width)).toBe(900);
  },
  pan: async (page) => {
    const before = await shown(page);
    await page.keyboard.down('KeyD');
    await page.waitForFunction((x) => window.camera.view.x > x + 5, before.x);
    await page.keyboard.up('KeyD');
    await settled(page);
    const { x } = await shown(page);
    await page.mouse.move(2, 300);
    await page.waitForFunction((from) => window.camera.view.x < from - 5, x);
  },
  zoom: async (page) => {
    await page.mouse.move(300, 200);
    const ground = await page.evaluate(() => window.camera.view.toGround(300, 200));
    await page.mouse.wheel(0, -300);
    await page.waitForFunction(() => !window.camera.settled);
    await settled(page);
    const at = await page.evaluate((spot) => window.camera.view.toScreen(spot?.x ?? NaN, spot?.y ?? NaN), ground);
    expect(Math.hypot(at.x - 300, at.y - 200)).toBeLessThan(1e-3);
    const { scale } = await shown(page);
    await page.keyboard.press('Digit1');
    await page.waitForFunction((from) => window.camera.view.scale > 1.99 * from, scale);
  },
  drag: async (page) => {
    await page.mouse.click(600, 400);
    expect(await output(page)).toMatch(/^tap 1 at \d+, \d+ after 0\.\d\d s$/);
    await page.mouse.move(380, 240);
    await page.mouse.down();
    await page.mouse.move(520, 360, { steps: 3 });
    await page.mouse.up();
    expect(await output(page)).toBe('the lighthouse is chosen');
    await page.mouse.move(400, 300);
    await page.mouse.down({ button: 'right' });
    await page.mouse.move(460, 300, { steps: 3 });
    await page.waitForFunction(() => window.camera.view.x < 490);
    await page.mouse.up({ button: 'right' });
    await page.mouse.move(450, 300);
    await page.mouse.down();
    await page.waitForFunction(() => document.querySelector('output')?.value.startsWith('long press'));
    await page.mouse.up();
  },
  turn: async (page) => {
    expect((await shown(page)).heading).toBe(45);
    await page.keyboard.press('KeyE');
    await page.waitForFunction(() => window.camera.view.heading === 135);
  },
  limits: async (page) => {
    const outlined = (): Promise<string> => page.evaluate(() => document.querySelector('canvas')?.style.outline ?? '');
    await page.mouse.move(450, 300);
    for (let notch = 0; notch < 8; notch++) await page.mouse.wheel(0, -100);
    await page.waitForFunction(() => window.camera.view.span < 400);
    await settled(page);
    await page.keyboard.down('KeyA');
    await page.waitForFunction(() => (document.querySelector('canvas')?.style.outline ?? '').includes('4px'));
    await page.keyboard.up('KeyA');
    const left = await page.evaluate(() => window.camera.view.footprint()[0]);
    expect(left).toBeCloseTo(-16, 3);
    await page.keyboard.down('KeyD');
    await page.waitForFunction(() => !(document.querySelector('canvas')?.style.outline ?? '').includes('4px'));
    await page.keyboard.up('KeyD');
    expect(await outlined()).toBe('none');
  },
  panels: async (page) => {
    const before = await shown(page);
    await page.mouse.move(100, 300);
    await page.mouse.wheel(0, 200);
    await page.waitForFunction(() => (document.querySelector('.panel')?.scrollTop ?? 0) > 0);
    await page.locator('input').fill('wasd');
    expect(await shown(page)).toEqual(before);
    await page.mouse.click(600, 300);
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await page.keyboard.press('KeyP');
    const middle = (x: number): Promise<unknown> =>
      page.waitForFunction((wanted) => Math.abs(window.camera.view.projection.middleX - wanted) < 0.01, x);
    await middle(450);
    expect((await shown(page)).scale).toBeCloseTo(before.scale, 9);
    await page.keyboard.press('KeyP');
    await middle(570);
  },
  tune: async (page) => {
    await page.locator('input').fill('2.5');
    const speed = (): Promise<unknown> => page.evaluate(() => window.camera.settings.pan.speed);
    expect(await speed()).toBe(2.5);
    await page.reload();
    await page.waitForFunction(() => Reflect.has(window, 'camera'));
    expect(await speed()).toBe(2.5);
    await page.evaluate(() => localStorage.setItem('camera', '{"pan":{"speed":"fast"}}'));
    await page.reload();
    await page.waitForFunction(() => Reflect.has(window, 'camera'));
    expect(await speed()).toBe(1);
  },
  debug: async (page, wrong) => {
    await page.keyboard.press('Backquote');
    await page.waitForFunction(() => document.querySelectorAll('canvas').length === 2);
    await page.keyboard.press('Backquote');
    await page.keyboard.down('KeyD');
    await page.waitForFunction(() => window.camera.view.x > 512);
    await page.keyboard.up('KeyD');
    await page.keyboard.press('F9');
    while (wrong.length === 0) await frames(page, 1);
    const [session = ''] = wrong.splice(0);
    expect(session).toMatch(/^\{"format":"zesty-kite session"/);
    expect(session).toContain('"code":"KeyD"');
  },
};

/** The share of the pixels in which two pictures differ. */
function difference(one: Uint8Array, other: Uint8Array): number {
  const [a, b] = [decode(one), decode(other)];
  let count = 0;
  for (let i = 0; i < a.data.length; i += a.channels) if (Math.abs((a.data[i] ?? 0) - (b.data[i] ?? 0)) > 8) count += 1;
  return count / (a.width * a.height);
}
const pictureOf = async (name: string): Promise<Uint8Array> => {
  const { page } = await open(name);
  const picture = await page.screenshot();
  return picture;
};
const looksOther = async (page: Page, name: string): Promise<void> =>
  expect(difference(await page.screenshot(), await pictureOf(name))).toBeGreaterThan(3e-4);
const message = (page: Page): Promise<string> => page.evaluate(() => document.querySelector('output')?.value ?? '');
const dragLeft = async (page: Page, from: [number, number], to: [number, number]): Promise<void> => {
  await page.mouse.move(...from);
  await page.mouse.down();
  await page.mouse.move(...to, { steps: 3 });
  await page.mouse.up();
};

/** The speed of a held key at a span, in screen heights per second. */
async function panSpeed(page: Page, span: number): Promise<number> {
  await page.evaluate((to) => {
    window.camera.place({ x: 300, y: 384, span: to });
  }, span);
  await page.keyboard.down('KeyD');
  await page.waitForFunction((from) => window.camera.view.x > from, 305);
  const speed = await page.evaluate(
    () =>
      new Promise<number>((done) => {
        let first = [NaN, NaN];
        const end = window.camera.poll((time) => {
          const { x, span: height } = window.camera.shown;
          if (Number.isNaN(first[0])) first = [time, x];
          if (time < (first[0] ?? NaN) + 200) return;
          end();
          done((1000 * (x - (first[1] ?? NaN))) / (time - (first[0] ?? NaN)) / height);
        });
      }),
  );
  await page.keyboard.up('KeyD');
  await settled(page);
  return speed;
}

/** The effect that a reader sees of each mistake. */
const effects: Readonly<Record<string, (page: Page, wrong: string[]) => Promise<void>>> = {
  'draw-1': async (page) => {
    expect(await page.evaluate(() => document.querySelector('canvas')?.width)).toBe(300);
  },
  'draw-2': (page) => looksOther(page, 'draw'),
  'draw-3': (page) => looksOther(page, 'draw'),
  'pan-1': async (page) => {
    const { x } = await shown(page);
    await page.keyboard.down('KeyD');
    // Read in the frame that shows it: a few more reach the edge of the map.
    const moved = await page.waitForFunction((from) => window.camera.view.x > from && window.camera.view.x, x);
    await page.keyboard.up('KeyD');
    const steps = (Number(await moved.jsonValue()) - x) / 12;
    expect(Math.abs(steps - Math.round(steps))).toBeLessThan(1e-6);
  },
  'pan-2': async (page) => {
    const near = await panSpeed(page, 120);
    const far = await panSpeed(page, 300);
    expect(far / near).toBeGreaterThan(2);
  },
  'pan-3': async (page) => {
    await page.mouse.move(150, 300);
    await page.waitForFunction(() => window.camera.view.x < 505);
  },
  'zoom-1': async (page) => {
    const { span } = await shown(page);
    await page.mouse.move(450, 300);
    await page.mouse.wheel(0, -100);
    await page.waitForFunction((from) => window.camera.view.span === from - 60, span);
  },
  'zoom-2': async (page) => {
    await page.mouse.move(100, 100);
    for (let i = 0; i < 3; i++) await page.mouse.wheel(0, -100);
    await settled(page);
    expect(await page.evaluate(() => window.camera.view.toGround(450, 300)?.x)).toBeCloseTo(512, 3);
  },
  'zoom-3': (page) => looksOther(page, 'zoom'),
  'drag-1': async (page) => {
    await dragLeft(page, [380, 240], [520, 360]);
    await page.waitForFunction(() => window.camera.view.x < 500);
    expect(await message(page)).toBe('');
  },
  'drag-2': async (page) => {
    await dragLeft(page, [390, 330], [510, 340]); // 30 pixels below the lighthouse
    expect(await message(page)).toBe('the lighthouse is chosen');
  },
  'drag-3': async (page) => {
    await page.mouse.click(600, 400);
    expect(await message(page)).toMatch(/^tap 1 .*, and a click$/);
  },
  'turn-1': async (page) => {
    expect((await shown(page)).heading).toBe(0);
  },
  'turn-2': async (page) => {
    await page.waitForFunction(() => performance.now() > 3200); // two calls
    await settled(page);
    expect((await shown(page)).heading).toBe(45);
  },
  'limits-1': async (page) => {
    await page.keyboard.down('KeyD');
    await page.waitForFunction(() => (window.camera.view.footprint()[2] ?? 0) > 1200);
    await page.keyboard.up('KeyD');
  },
  'limits-2': async (page) => {
    await page.keyboard.down('KeyD');
    await page
      .waitForFunction(() => window.camera.settled || window.camera.view.x > 900, null, { timeout: 3000 })
      .catch(() => null);
    await page.keyboard.up('KeyD');
    expect((await shown(page)).x).toBeLessThan(900);
  },
  'panels-1': async (page) => {
    const { x } = await shown(page);
    await page.keyboard.press('KeyP');
    await page.waitForFunction((from) => Math.abs(window.camera.view.x - from) > 50, x);
  },
  'panels-2': async (page) => {
    expect(await page.evaluate(() => window.camera.view.projection.middleX)).toBe(450);
  },
  'tune-1': async (page) => {
    expect(await page.evaluate(() => window.camera.settings.pan.speed)).toBe(0.016);
  },
  'tune-2': async (page, wrong) => {
    await page.waitForSelector('pre');
    expect(await page.locator('pre').innerText()).toContain('bindings.drag[0]: expected an input such as "MouseRight"');
    expect(wrong.splice(0).join()).toContain('settings rejected');
  },
  'debug-1': async (page, wrong) => {
    await page.keyboard.press('KeyD');
    await page.keyboard.press('F9');
    while (wrong.length === 0) await frames(page, 1);
    expect(wrong.splice(0).join()).not.toContain('"code":"KeyD"');
  },
  'debug-2': async (page) => {
    await page.waitForFunction(() => performance.now() > 3200);
    const { x } = await shown(page);
    await page.keyboard.down('KeyD');
    await lasts(page, 300);
    await page.keyboard.up('KeyD');
    expect((await shown(page)).x).toBe(x);
  },
};

test('each of the nine steps has a program and a proof, and its mistakes', () => {
  expect(steps.map(({ name }) => name)).toEqual(Object.keys(promises));
  for (const step of steps) expect([step.name, step.mistakes.length >= 2]).toEqual([step.name, true]);
  expect(mistakes.map(({ name }) => name)).toEqual(Object.keys(effects));
});

test.each(Object.entries(promises))(
  'the program of "%s" runs as it stands and does what the step says',
  async (name, keeps) => {
    const { page, wrong } = await open(name);
    await keeps(page, wrong);
    expect(wrong).toEqual([]);
  },
  60_000,
);

test.each(Object.entries(effects))(
  'the mistake "%s" shows what its step says',
  async (name, shows) => {
    const { page, wrong } = await open(name);
    await shows(page, wrong);
    expect(wrong).toEqual([]);
  },
  60_000,
);
