/** The small map of "Straight down" under a real mouse, wheel and finger. */
import { beforeAll, expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { lasts, openPage, ownBrowser, place, settled, touch } from './browser.ts';

const own = ownBrowser();
let page: Page;
let corner: { x: number; y: number; width: number; height: number };
beforeAll(async () => {
  page = await openPage(own, 'straight-down');
  corner = (await page.locator('#minimap').boundingBox()) ?? { x: NaN, y: NaN, width: NaN, height: NaN };
});

/** A pixel of the page under which a point of the ground lies on the small map: 1024 × 768 units on 160 × 120 pixels. */
function on(x: number, y: number): [number, number] {
  return [corner.x + (x / 1024) * corner.width, corner.y + (y / 768) * corner.height];
}

async function focus(): Promise<[number, number]> {
  await settled(page);
  return page.evaluate((): [number, number] => [lemonStrait.camera.shown.x, lemonStrait.camera.shown.y]);
}

/** Pixels of the small map are so many units wide. */
const UNITS = 6.4;

test('a press goes there, or to the nearest place inside the bounds; what is held drags', async () => {
  await place(page, { x: 512, y: 384, span: 150 });
  await page.mouse.click(...on(700, 300));
  const [x, y] = await focus();
  expect([Math.abs(x - 700) < UNITS, Math.abs(y - 300) < UNITS]).toEqual([true, true]);
  // Held where it is pressed: on the outline nothing jumps.
  await page.mouse.move(...on(720, 320));
  await page.mouse.down();
  expect(await focus()).toEqual([x, y]);
  await page.mouse.move(...on(620, 420), { steps: 5 });
  await page.mouse.up();
  const [afterX, afterY] = await focus();
  expect([Math.abs(afterX - x + 100) < UNITS, Math.abs(afterY - y - 100) < UNITS]).toEqual([true, true]);
  await page.mouse.click(...on(3, 3));
  await settled(page);
  const { left, top, excess } = await page.evaluate(() => {
    const [a = NaN, b = NaN] = lemonStrait.camera.view.footprint();
    return { left: a, top: b, excess: lemonStrait.camera.boundsExcess };
  });
  expect([left, top, excess]).toEqual([0, 0, 0]);
});

test('the wheel over it zooms about the focus, and the page under it hears nothing; another button is the game’s', async () => {
  await place(page, { x: 512, y: 384, span: 150 });
  await page.mouse.move(...on(100, 100));
  await page.mouse.wheel(0, 300);
  await page.waitForFunction(() => !lemonStrait.camera.settled);
  expect(await focus()).toEqual([512, 384]);
  expect(await page.evaluate(() => lemonStrait.camera.shown.span)).toBeGreaterThan(170);
  await page.mouse.click(...on(700, 300), { button: 'right' });
  expect(await focus()).toEqual([512, 384]);
});

test('a finger drags it, and what is locked stays', async () => {
  await place(page, { x: 512, y: 384, span: 150 });
  const client = await page.context().newCDPSession(page);
  await touch(client, 'touchStart', on(200, 200));
  await touch(client, 'touchMove', on(400, 300));
  await touch(client, 'touchEnd');
  const [x, y] = await focus();
  expect([Math.abs(x - 400) < UNITS, Math.abs(y - 300) < UNITS]).toEqual([true, true]);
  await page.evaluate(() => lemonStrait.camera.change({ locked: ['pan', 'zoom'] }));
  await page.mouse.click(...on(700, 300));
  await page.mouse.wheel(0, 300);
  expect(await focus()).toEqual([x, y]);
  expect(await page.evaluate(() => lemonStrait.camera.shown.span)).toBe(150);
  await page.evaluate(() => lemonStrait.camera.change({ locked: [] }));
});

/** Waits until the camera has come to a place: a busy page may not see it set out. */
async function comesTo(x: number, y: number): Promise<void> {
  await page.waitForFunction(
    ([toX = NaN, toY = NaN]) => {
      const { shown, settled } = lemonStrait.camera;
      return settled && Math.abs(shown.x - toX) < 0.5 && Math.abs(shown.y - toY) < 0.5;
    },
    [x, y],
  );
}

test('number keys keep marks, and the brackets go back and forward', async () => {
  await place(page, { x: 300, y: 300, span: 150 });
  await page.keyboard.press('Shift+Digit4');
  await place(page, { x: 700, y: 400, span: 120 });
  // Half a second of rest is a visit; the time of a frame may be older than the clock.
  await lasts(page, 1200);
  await page.keyboard.press('Digit4');
  await comesTo(300, 300);
  await page.keyboard.press('BracketLeft');
  await comesTo(700, 400);
  await page.keyboard.press('BracketRight');
  await comesTo(300, 300);
});
