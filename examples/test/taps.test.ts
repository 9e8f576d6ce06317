/** Taps and long presses by real buttons and fingers: what is told, when, and what is not. */
import { expect, test } from '@jest/globals';
import type { CDPSession, Page } from 'playwright-core';
import type { Settings } from 'zesty-kite';
import { lasts, mapPage, ownBrowser, step, touch } from './browser.ts';

const own = ownBrowser();

interface Told {
  readonly what: 'tap' | 'long';
  readonly input: string;
  readonly count: number;
  readonly held: number;
  readonly fingers: number;
  readonly x: number;
  readonly y: number;
  readonly down: boolean;
}

async function map(settings: Settings, claims = false): Promise<{ page: Page; client: CDPSession }> {
  const page = await mapPage(own, {
    width: 800,
    height: 600,
    settings: { ...settings, start: { x: 0, y: 0, span: 600 } },
  });
  await page.evaluate((isClaimed) => {
    const told: Told[] = [];
    let isDown = false;
    window.addEventListener('pointerdown', () => (isDown = true), true);
    window.addEventListener('pointerup', () => (isDown = false), true);
    const tell =
      (what: Told['what']) =>
      ({ input, count, held, fingers, x, y }: Omit<Told, 'what' | 'down'>): boolean => {
        told.push({ what, input, count, held, fingers, x, y, down: isDown });
        return isClaimed;
      };
    zesty.listen(window.map, window.camera, { tap: tell('tap'), longPress: tell('long') });
    Object.assign(window, { told });
  }, claims);
  await step(page);
  return { page, client: await page.context().newCDPSession(page) };
}

const told = (page: Page): Promise<Told[]> => page.evaluate(() => (Reflect.get(window, 'told') as Told[]).splice(0));
/** Of one that stands for them all. */
const brief = ({ what, input, count, fingers }: Told): string => `${what} ${input} ${count} by ${fingers}`;

test('taps of a button are told at once, with their count and how long each was held', async () => {
  const { page } = await map({});
  const click = async (x: number, milliseconds: number): Promise<Told[]> => {
    await page.mouse.move(x, 200);
    await page.mouse.down();
    await lasts(page, milliseconds);
    await page.mouse.up();
    return told(page);
  };
  const [first, ...rest] = await click(100, 60);
  expect([first?.x, first?.y, first?.count, rest.length]).toEqual([100, 200, 1, 0]);
  expect(first?.held).toBeGreaterThanOrEqual(0.055);
  expect(first?.held).toBeLessThan(0.5);
  // At another place the count begins anew.
  expect((await click(400, 0)).map(brief)).toEqual(['tap MouseLeft 1 by 1']);
  // Within one task, however busy the machine: three quick ones.
  await page.evaluate(() => {
    let time = performance.now();
    const fire = (type: string, buttons: number): void => {
      const event = new PointerEvent(type, { pointerType: 'mouse', button: 0, buttons, clientX: 600, clientY: 200 });
      Object.defineProperty(event, 'timeStamp', { value: (time += 40) });
      window.map.dispatchEvent(event);
    };
    for (let i = 0; i < 3; i++) {
      fire('pointerdown', 1);
      fire('pointerup', 0);
    }
  });
  expect((await told(page)).map(({ count, held }) => [count, held.toFixed(3)])).toEqual([
    [1, '0.040'],
    [2, '0.040'],
    [3, '0.040'],
  ]);
});

/** Touches in one task, each at its own time in milliseconds: a busy machine would make slow ones of them. */
function fingers(page: Page, ...steps: readonly (readonly [type: string, id: number, time: number])[]): Promise<void> {
  return page.evaluate((all) => {
    const began = performance.now();
    for (const [type, pointerId, time] of all) {
      const buttons = type === 'pointerdown' ? 1 : 0;
      const at = { clientX: 200 + 100 * pointerId, clientY: 300 };
      const event = new PointerEvent(type, { pointerType: 'touch', pointerId, button: 0, buttons, ...at });
      Object.defineProperty(event, 'timeStamp', { value: began + time });
      window.map.dispatchEvent(event);
    }
  }, steps);
}
const down = (id: number, time: number) => ['pointerdown', id, time] as const;
const up = (id: number, time: number) => ['pointerup', id, time] as const;

test('what the camera uses is no tap: the second of two that zoom, and one of two fingers; the game has them where it does not', async () => {
  const double = [down(1, 0), up(1, 50), down(1, 150), up(1, 200)];
  const both = [down(1, 1000), down(2, 1010), up(1, 1050), up(2, 1060)];
  const zooming = await map({});
  await fingers(zooming.page, ...double);
  expect((await told(zooming.page)).map(brief)).toEqual(['tap Touch 1 by 1']);
  await fingers(zooming.page, ...both);
  expect(await told(zooming.page)).toEqual([]);
  for (const settings of [{ drag: { doubleTapNotches: 0 } }, { locked: ['zoom' as const] }]) {
    const { page } = await map(settings);
    await fingers(page, ...double, ...both);
    expect((await told(page)).map(brief)).toEqual(['tap Touch 1 by 1', 'tap Touch 2 by 1', 'tap Touch 1 by 2']);
  }
});

test('a long press of a real finger is told while it is down, and is no tap; one that drags, or of two fingers, is neither', async () => {
  const { page, client } = await map({});
  await touch(client, 'touchStart', [300, 300]);
  await page.waitForFunction(() => (Reflect.get(window, 'told') as unknown[]).length > 0);
  const [long] = await told(page);
  expect([long?.what, long?.input, long?.x, long?.y, long?.down]).toEqual(['long', 'Touch', 300, 300, true]);
  expect(long?.held).toBe(0.5);
  await touch(client, 'touchEnd');
  await touch(client, 'touchStart', [300, 300]);
  await touch(client, 'touchMove', [340, 300]);
  await lasts(page, 700);
  await touch(client, 'touchEnd');
  await touch(client, 'touchStart', [300, 300]);
  await touch(client, 'touchStart', [300, 300], [400, 300]);
  await lasts(page, 700);
  await touch(client, 'touchEnd');
  // And not again: a tap right after it is the first.
  await fingers(page, down(1, 0), up(1, 50));
  expect((await told(page)).map(brief)).toEqual(['tap Touch 1 by 1']);
});

test('a long press that is claimed is the game’s: the camera drags no further with it', async () => {
  for (const claims of [true, false]) {
    const { page } = await map({ bindings: { drag: ['MouseLeft'] } }, claims);
    await page.mouse.move(300, 300);
    await page.mouse.down();
    await page.waitForFunction(() => (Reflect.get(window, 'told') as unknown[]).length > 0);
    await page.mouse.move(400, 300);
    expect(await step(page)).toBe(claims ? 0 : 1);
    await page.mouse.up();
    expect((await told(page)).map(brief)).toEqual(['long MouseLeft 1 by 1']);
  }
});
