/** What pages do that a map has to live with: forms that fill themselves in, links and images to drag, dialogs, shadow roots, lists. */
import { expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { lasts, listen, mapPage, ownBrowser } from './browser.ts';

const own = ownBrowser();
const settings = {
  start: { x: 0, y: 0, span: 400 },
  bindings: { drag: ['MouseLeft' as const] },
  drag: { glideHalfLife: 0 },
};

async function open(draws = true): Promise<Page> {
  const page = await mapPage(own, { width: 400, height: 400, settings, draws });
  await page.evaluate(() => {
    window.map.style.background = 'teal';
    Object.assign(window, { thrown: [] as string[] });
    addEventListener('error', ({ message }) => (window as unknown as { thrown: string[] }).thrown.push(message));
  });
  return page;
}

function thrown(page: Page): Promise<readonly string[]> {
  return page.evaluate(() => (window as unknown as { thrown: string[] }).thrown);
}

/** Holds a key for a moment; how far the camera has gone after it. */
async function gone(page: Page, key: string): Promise<number> {
  const from = await page.evaluate(() => window.camera.shown.x + window.camera.shown.y);
  await page.keyboard.down(key);
  await lasts(page, 150);
  await page.keyboard.up(key);
  await page.waitForFunction(() => window.camera.settled);
  return page.evaluate((before) => Math.abs(window.camera.shown.x + window.camera.shown.y - before), from);
}

test('events of keys without a code, as when a form is filled in, are nobody’s and throw nothing', async () => {
  const page = await open();
  await listen(page);
  await page.evaluate(() => {
    const field = document.createElement('input');
    document.body.append(field);
    for (const type of ['keydown', 'keyup']) field.dispatchEvent(new Event(type, { bubbles: true, composed: true }));
    for (const type of ['keydown', 'keyup']) document.body.dispatchEvent(new Event(type, { bubbles: true }));
  });
  expect(await thrown(page)).toEqual([]);
  expect(await gone(page, 'd')).toBeGreaterThan(1);
});

test.each(['img', 'a'])('a drag that begins on an <%s> in the map goes on like any other', async (tag) => {
  const page = await open();
  await page.evaluate((name) => {
    const thing = document.createElement(name);
    if (thing instanceof HTMLImageElement)
      thing.src =
        "data:image/svg+xml,<svg xmlns='http://www.w3.org/2000/svg' width='90' height='90'><rect width='90' height='90'/></svg>";
    if (thing instanceof HTMLAnchorElement)
      Object.assign(thing, { href: '#there', textContent: 'A pier with a long name' });
    thing.style.cssText = 'position: absolute; left: 100px; top: 100px; width: 90px; height: 90px; display: block';
    window.map.append(thing);
  }, tag);
  await listen(page);
  const before = await page.evaluate(() => window.camera.shown.x);
  await page.mouse.move(140, 140);
  await page.mouse.down();
  for (let x = 140; x <= 260; x += 8) await page.mouse.move(x, 140);
  await page.mouse.up();
  await page.waitForFunction(() => window.camera.settled);
  // A pixel is a unit wide: 120 of them, less the 4 that make a drag.
  expect(await page.evaluate((from) => from - window.camera.shown.x, before)).toBeCloseTo(116, 6);
});

test('nextInput: a signal that is aborted already is null, and the later of two calls ends the earlier', async () => {
  const page = await open();
  await listen(page);
  expect(await page.evaluate(() => zesty.nextInput(window, AbortSignal.abort()))).toBeNull();
  expect(await gone(page, 'd')).toBeGreaterThan(1);
  await page.evaluate(() => {
    const inputs: (string | null)[] = [];
    Object.assign(window, { inputs });
    for (let i = 0; i < 2; i++) void zesty.nextInput(window).then((input) => inputs.push(input));
  });
  await page.keyboard.press('g');
  await page.waitForFunction(() => (window as unknown as { inputs: unknown[] }).inputs.length === 2);
  expect(await page.evaluate(() => (window as unknown as { inputs: unknown[] }).inputs)).toEqual([null, 'KeyG']);
  expect(await gone(page, 'd')).toBeGreaterThan(1);
});

test('nextInput: the page receives a key that goes down in the same turn as the awaited one comes up', async () => {
  const page = await open();
  await listen(page);
  await page.evaluate(() => {
    void zesty.nextInput(window);
    const key = (type: string, code: string): boolean =>
      window.map.dispatchEvent(new KeyboardEvent(type, { code, bubbles: true, cancelable: true, composed: true }));
    key('keydown', 'KeyG');
    key('keyup', 'KeyG');
    key('keydown', 'KeyD');
  });
  await page.waitForFunction(() => window.camera.shown.x > 5);
});

test('a map in a closed shadow root leaves a text field in it alone', async () => {
  const page = await open();
  await page.evaluate(() => {
    const host = document.createElement('div');
    document.body.append(host);
    const root = host.attachShadow({ mode: 'closed' });
    const field = document.createElement('input');
    root.append(window.map, field);
    Object.assign(window, { field });
  });
  await listen(page);
  await page.evaluate(() => (window as unknown as { field: HTMLElement }).field.focus());
  expect(await gone(page, 'd')).toBe(0);
  expect(await page.evaluate(() => (window as unknown as { field: HTMLInputElement }).field.value)).toBe('d');
  await page.evaluate(() => (window as unknown as { field: HTMLElement }).field.blur());
  expect(await gone(page, 'd')).toBeGreaterThan(1);
});

test.each([
  ['<select id="it"><option>Anchor</option><option>Dock</option></select>', 'd'],
  ['<div id="it" role="tree" tabindex="0">groves</div>', 'ArrowRight'],
  ['<div id="it" role="listbox" tabindex="0">groves</div>', 'd'],
  ['<div id="it" role="tablist" tabindex="0">groves</div>', 'ArrowRight'],
])('a key that goes through %s is not the map’s', async (html, key) => {
  const page = await open();
  await page.evaluate((text) => document.body.insertAdjacentHTML('beforeend', text), html);
  await listen(page);
  await page.focus('#it');
  expect(await gone(page, key)).toBe(0);
  await page.evaluate(() => document.querySelector<HTMLElement>('#it')?.blur());
  expect(await gone(page, key)).toBeGreaterThan(1);
});

test('a key that is held when a modal dialog opens is let go', async () => {
  const page = await open();
  await page.evaluate(() => document.body.insertAdjacentHTML('beforeend', '<dialog><button>Go on</button></dialog>'));
  await listen(page);
  await page.keyboard.down('d');
  await page.waitForFunction(() => window.camera.shown.x > 5);
  await page.evaluate(() => document.querySelector('dialog')?.showModal());
  await page.waitForFunction(() => window.camera.settled);
  await page.keyboard.up('d');
});

test('what listen and its like cannot use is refused at once, by their name', async () => {
  const page = await open();
  const messages = await page.evaluate(() => {
    const calls: [string, () => unknown][] = [
      ['listen.tap', () => zesty.listen(window.map, window.camera, { tap: 5 as never })],
      ['listen.longPress', () => zesty.listen(window.map, window.camera, { longPress: {} as never })],
      ['listen.claimPress', () => zesty.listen(window.map, window.camera, { claimPress: 'x' as never })],
      ['listen.region', () => zesty.listen(window.map, window.camera, { region: {} as never })],
      ['listen.panels', () => zesty.listen(window.map, window.camera, { panels: ':::' })],
      ['listen.panels', () => zesty.listen(window.map, window.camera, { panels: null as never })],
      ['listen.element', () => zesty.listen(null as never, window.camera)],
      ['listen.element', () => zesty.listen('#map' as never, window.camera)],
      ['listen.camera', () => zesty.listen(window.map, null as never)],
      ['listen.options', () => zesty.listen(window.map, window.camera, null as never)],
      ['createOverlay.camera', () => zesty.createOverlay(null as never, { element: window.map })],
      ['createOverlay.over', () => zesty.createOverlay(window.camera, null as never)],
      ['nextInput.window', () => zesty.nextInput(null as never)],
      ['listenToMinimap.minimap', () => zesty.listenToMinimap(null as never, window.map)],
      [
        'listenToMinimap.element',
        () => zesty.listenToMinimap(new zesty.Minimap(window.camera, { around: 50 }), null as never),
      ],
    ];
    return calls.map(([name, call]) => {
      try {
        call();
        return `${name}: nothing was thrown`;
      } catch (error) {
        const { message } = error as Error;
        return message.startsWith(`${name}: expected `) ? 'refused' : `${name}: ${message}`;
      }
    });
  });
  expect(new Set(messages)).toEqual(new Set(['refused']));
});

test('what a callback throws is in the console where neither report nor listen is there', async () => {
  const page = await open(false);
  const lines: string[] = [];
  page.on('console', (message) => void lines.push(`${message.type()} ${message.text()}`));
  await page.evaluate(() => {
    window.camera.poll(() => {
      throw new Error('sunk');
    });
    window.camera.advance(16);
  });
  expect(lines.filter((line) => line.startsWith('error') && line.includes('sunk'))).toHaveLength(1);
});

test('around the focus a minimap drags by as much as the pointer goes, near the horizon a press goes there, and a field loses the focus', async () => {
  const page = await mapPage(own, {
    width: 400,
    height: 400,
    settings: { start: { x: 0, y: 0, span: 100 }, pitch: { degrees: 15, min: 10 }, lens: { fieldOfView: 50 } },
    draws: true,
  });
  await page.evaluate(() => {
    document.body.insertAdjacentHTML(
      'beforeend',
      '<input id="field"><div id="small" style="position: fixed; left: 500px; top: 100px; width: 200px; height: 200px; background: sandybrown"></div>',
    );
    const small = document.querySelector<HTMLElement>('#small');
    const minimap = new zesty.Minimap(window.camera, { around: 1000 });
    if (small !== null) zesty.listenToMinimap(minimap, small);
  });
  await page.waitForFunction(() => window.camera.settled);
  const at = (): Promise<[number, number]> =>
    page.evaluate((): [number, number] => [window.camera.shown.x, window.camera.shown.y]);
  await page.focus('#field');
  // Pressed on the focus, in the middle: a pixel is 10 units wide.
  await page.mouse.move(600, 200);
  await page.mouse.down();
  for (let x = 600; x <= 605; x++) await page.mouse.move(x, 200);
  await page.mouse.up();
  await page.waitForFunction(() => window.camera.settled);
  const [x, y] = await at();
  expect([Math.round(x), Math.round(y)]).toEqual([50, 0]);
  expect(await page.evaluate(() => document.activeElement === document.body)).toBe(true);
  // Far ahead, still inside of what the view sees up to the horizon.
  await page.mouse.click(600, 130);
  await page.waitForFunction(() => window.camera.settled);
  const [, south] = await at();
  expect(Math.round(south)).toBe(-700);
});
