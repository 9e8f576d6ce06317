/** What the pages look like: pictures against those that were looked at, help by the bindings, names clear of panels. */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { decode } from 'fast-png';
import type { Page } from 'playwright-core';
import pixelmatch from 'pixelmatch';
import { frames, ownBrowser, place, settled, shown, stillBarges } from './browser.ts';

const own = ownBrowser();
const DATA = new URL('../../data/lemon-strait/', import.meta.url);
const PICTURES = new URL('pictures/', import.meta.url);

/** A page whose barges lie still, with files of the demo world changed on their way. */
async function open(name: string, changes: Readonly<Record<string, (text: string) => string>> = {}): Promise<Page> {
  const page = await own.tab({ viewport: { width: 800, height: 600 }, deviceScaleFactor: 0.5 });
  await stillBarges(page);
  for (const [file, change] of Object.entries(changes)) {
    const [stem = '', ending = ''] = file.split('.');
    const body = change(readFileSync(new URL(file, DATA), 'utf8'));
    await page.route(new RegExp(`/${stem.split('/').at(-1) ?? ''}-[\\w-]+\\.${ending}$`), (route) =>
      route.fulfill({ body, contentType: 'application/json' }),
    );
  }
  await page.goto(`${process.env['EXAMPLES_URL'] ?? ''}${name}/`);
  await page.waitForFunction(() => {
    const map = document.querySelector<HTMLElement>('#map');
    const isRefined = document.querySelector('#record, .chart') !== null;
    return isRefined ? map?.dataset['ground'] === 'fine' : Number(document.body.dataset['frames']) > 0;
  });
  return page;
}

/** Of the pixels, so many may differ: edges and text are smoothed in other ways elsewhere. */
const TOLERATED = 0.02;

test.each(['straight-down', 'two-to-one', 'over-the-hills', 'a-chart-of-labels', 'raw-webgl', 'build-in-pixi'])(
  '%s looks as it did when somebody looked at it',
  async (name) => {
    const opened = await open(name);
    await frames(opened);
    const png = await opened.screenshot();
    const file = new URL(`${name}.png`, PICTURES);
    if (process.env['ZESTY_KITE_PICTURES'] === 'take') writeFileSync(file, png);
    expect(existsSync(file)).toBe(true);
    const [is, was] = [decode(png), decode(readFileSync(file))];
    expect([is.width, is.height]).toEqual([was.width, was.height]);
    const differing = pixelmatch(rgba(is), rgba(was), null, is.width, is.height, { threshold: 0.15 });
    if (differing >= TOLERATED * is.width * is.height)
      writeFileSync(new URL(`../../.cache/${name}.png`, import.meta.url), png);
    expect(differing / (is.width * is.height)).toBeLessThan(TOLERATED);
  },
);

/** Four channels of a picture. */
function rgba({ data, channels, width, height }: ReturnType<typeof decode>): Uint8Array {
  const pixels = new Uint8Array(width * height * 4).fill(255);
  for (let i = 0; i < width * height; i++)
    for (let channel = 0; channel < Math.min(channels, 4); channel++)
      pixels[i * 4 + channel] = data[i * channels + channel] ?? 0;
  return pixels;
}

test('a picture that moves by a few pixels is noticed', async () => {
  const opened = await open('straight-down');
  const one = decode(await opened.screenshot());
  await place(opened, { x: 520, y: 384 });
  const other = decode(await opened.screenshot());
  const differing = pixelmatch(rgba(one), rgba(other), null, one.width, one.height, { threshold: 0.15 });
  expect(differing / (one.width * one.height)).toBeGreaterThan(TOLERATED);
});

test('the help names the keys that are bound', async () => {
  const bound = (text: string): string => {
    const settings = JSON.parse(text) as { bindings: Record<string, string[]> };
    settings.bindings = { ...settings.bindings, panUp: ['PadUp', 'KeyI'], turnLeft: [], tiltUp: ['Home'] };
    return JSON.stringify(settings);
  };
  const opened = await open('over-the-hills', { 'settings/over-the-hills.json': bound });
  const texts = await opened.evaluate(() =>
    ['panUp', 'panLeft', 'turnLeft', 'turnRight', 'tiltUp'].map(
      (ability) => document.querySelector(`kbd[data-ability="${ability}"]`)?.textContent,
    ),
  );
  expect(texts).toEqual(['I', 'A', 'unbound', 'E', 'Home']);
});

test.each(['straight-down', 'two-to-one'])('%s: no name is written behind a panel', async (name) => {
  const opened = await open(name);
  const found = await opened.evaluate(async () => {
    const { camera } = lemonStrait;
    const written: { text: string; left: number; right: number; top: number; bottom: number }[] = [];
    const { prototype } = CanvasRenderingContext2D;
    const write: (this: CanvasRenderingContext2D, ...args: Parameters<typeof prototype.fillText>) => void = Reflect.get(
      prototype,
      'fillText',
    );
    prototype.fillText = function (text, x, y, ...rest) {
      const { width } = this.measureText(text);
      const left = this.textAlign === 'center' ? x - width / 2 : x;
      written.push({ text, left, right: left + width, top: y - 5, bottom: y + 3 });
      write.call(this, text, x, y, ...rest);
    };
    const panels = [...document.querySelectorAll('.panel')].map((panel) => panel.getBoundingClientRect());
    for (let i = 0; i < 40; i++) {
      camera.place({ x: 150 + ((i * 173) % 700), y: 130 + ((i * 97) % 500), span: 90 + ((i * 13) % 60) });
      await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
    }
    const hidden = written.filter(({ left, right, top, bottom }) =>
      panels.some((panel) => left < panel.right && right > panel.left && top < panel.bottom && bottom > panel.top),
    );
    return { written: written.length, hidden };
  });
  expect(found.hidden).toEqual([]);
  expect(found.written).toBeGreaterThan(10);
});

test('over the hills: names show above their places, clear of panels', async () => {
  const opened = await open('over-the-hills');
  const found = await opened.evaluate(async () => {
    const { camera } = lemonStrait;
    const panels = [...document.querySelectorAll('.panel')].map((panel) => panel.getBoundingClientRect());
    const names: { text: string; hidden: boolean }[] = [];
    for (let i = 0; i < 12; i++) {
      camera.place({ x: 150 + ((i * 173) % 700), y: 130 + ((i * 97) % 500), span: 150 });
      await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
      for (const label of document.querySelectorAll<HTMLElement>('.label')) {
        if (label.style.opacity !== '1' || label.style.visibility !== 'visible') continue;
        const box = label.getBoundingClientRect();
        const isOver = ({ left, right, top, bottom }: DOMRect): boolean =>
          left < box.right && right > box.left && top < box.bottom && bottom > box.top;
        names.push({ text: label.textContent, hidden: panels.some(isOver) });
      }
    }
    return names;
  });
  expect(found.filter(({ hidden }) => hidden)).toEqual([]);
  expect(found.length).toBeGreaterThan(10);
});

test('fewer pixels: the canvas is smaller, squares or smooth, and what is picked stays', async () => {
  const opened = await open('straight-down');
  await settled(opened);
  const before = await shown(opened);
  const canvas = (): Promise<{ width: number; rendering: string }> =>
    opened.evaluate(() => {
      const map = document.querySelector<HTMLCanvasElement>('#map');
      return { width: map?.width ?? 0, rendering: map?.style.imageRendering ?? '' };
    });
  const all = await canvas();
  for (const [choice, rendering] of [
    ['nearest', 'pixelated'],
    ['smooth', 'auto'],
  ] as const) {
    await opened.selectOption('#pixels', choice);
    await opened.waitForFunction(
      (wide) => (document.querySelector<HTMLCanvasElement>('#map')?.width ?? wide) < wide,
      all.width,
    );
    const few = await canvas();
    expect(few.rendering).toBe(rendering);
    expect(Number.isInteger(all.width / few.width)).toBe(true);
    expect(await shown(opened)).toEqual(expect.objectContaining({ x: before.x, y: before.y, scale: before.scale }));
    await opened.selectOption('#pixels', 'all');
    await opened.waitForFunction(
      (wide) => document.querySelector<HTMLCanvasElement>('#map')?.width === wide,
      all.width,
    );
  }
});
