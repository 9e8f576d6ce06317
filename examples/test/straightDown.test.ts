/** "Straight down" in a real browser, with real keys, a real wheel and real frames. */
import { beforeAll, expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import {
  BRISK,
  frames,
  hold,
  lasts,
  openPage,
  ownBrowser,
  place,
  replayed,
  settled,
  shown,
  watchGrips,
} from './browser.ts';

const own = ownBrowser();
let page: Page;
beforeAll(async () => {
  page = await openPage(own, 'straight-down');
});

test('each key pans its own way, opposite keys stand still, and the camera comes to rest', async () => {
  await place(page, { x: 512, y: 384, span: 120 });
  for (const [code, x, y] of [
    ['KeyD', 1, 0],
    ['KeyA', -1, 0],
    ['ArrowDown', 0, 1],
    ['ArrowUp', 0, -1],
  ] as const) {
    const before = await shown(page);
    await hold(page, [code], 120);
    const after = await shown(page);
    expect([Math.sign(after.x - before.x), Math.sign(after.y - before.y)]).toEqual([x, y]);
  }
  const before = await shown(page);
  await page.evaluate(() => lemonStrait.camera.change({ pan: { startHalfLife: 0, stopHalfLife: 0 } }));
  await page.keyboard.down('KeyW');
  await page.keyboard.down('KeyS');
  await lasts(page, 150);
  const middle = (await shown(page)).y;
  await lasts(page, 150);
  expect((await shown(page)).y).toBe(middle);
  await page.keyboard.up('KeyW');
  await page.keyboard.up('KeyS');
  await settled(page);
  expect((await shown(page)).x).toBe(before.x);
  await page.evaluate((settings) => lemonStrait.camera.change(settings), BRISK);
});

test('G2: zooming by the real wheel, with a key held, holds the ground within 1e-3 px in every frame', async () => {
  await place(page, { x: 512, y: 384, span: 400 });
  await page.mouse.move(311, 222);
  const errorsSeen = await watchGrips(page, 311, 222);
  await page.keyboard.down('KeyD');
  for (let notch = 0; notch < 6; notch++) {
    await page.mouse.wheel(0, -100);
    await frames(page, 1);
  }
  await page.keyboard.up('KeyD');
  await settled(page);
  const errors = await errorsSeen();
  expect(errors.length).toBeGreaterThan(0);
  expect(Math.max(...errors)).toBeLessThan(1e-3);
  expect((await shown(page)).span).toBeCloseTo(400 / 1.12 ** 6, 6);
});

test('the readout follows the ground under a pointer that lies still while the camera moves', async () => {
  await page.mouse.move(400, 300);
  const first = await page.textContent('#readout');
  await hold(page, ['KeyA'], 200);
  const second = await page.textContent('#readout');
  const { x, y, scale } = await shown(page);
  expect(second).toContain(`ground ${(x - 100 / scale).toFixed(2)}, ${y.toFixed(2)}`);
  expect(second).not.toBe(first);
});

test('frames are drawn only while something moves', async () => {
  const before = await shown(page);
  await page.mouse.move(500, 310);
  await lasts(page, 300);
  expect((await shown(page)).frames).toBe(before.frames);
  await hold(page, ['KeyD'], 500);
  expect((await shown(page)).frames).toBeGreaterThan(before.frames);
  // With the whole strait in view some barge shows.
  await page.evaluate(() => lemonStrait.camera.place({ x: 512, y: 384, span: 700 }));
  await page.click('#barges');
  const sailing = await shown(page);
  await page.waitForFunction(
    (from) => Number(document.querySelector('canvas')?.dataset['frames']) > from + 3,
    sailing.frames,
  );
  await page.click('#barges');
  await settled(page);
});

test('a window of another size keeps the scale, as the settings say, and fills the page', async () => {
  await place(page, { x: 512, y: 384, span: 200 });
  const before = await shown(page);
  await page.setViewportSize({ width: 800, height: 500 });
  await page.waitForFunction(() => lemonStrait.camera.view.height === 500);
  const after = await shown(page);
  expect([after.width, after.height]).toEqual([800, 500]);
  expect(after.scale).toBeCloseTo(before.scale, 9);
  await page.setViewportSize({ width: 1000, height: 600 });
  await page.waitForFunction(() => lemonStrait.camera.view.height === 600);
  expect((await shown(page)).span).toBeCloseTo(before.span, 9);
});

test('a held key does not run while the page stalls', async () => {
  await place(page, { x: 512, y: 384, span: 60 });
  await page.keyboard.down('KeyD');
  await lasts(page, 200);
  const travelled = await page.evaluate(() => {
    const { camera } = lemonStrait;
    const before = camera.view.x;
    const until = performance.now() + 900;
    while (performance.now() < until);
    return new Promise<number>((done) =>
      requestAnimationFrame(() => requestAnimationFrame(() => done((camera.view.x - before) / camera.view.span))),
    );
  });
  await page.keyboard.up('KeyD');
  await settled(page);
  expect(travelled).toBeGreaterThan(0);
  // 0.9 heights a second through the stall and two slow frames would be over 0.81; 250 ms of each are at most 0.68.
  expect(travelled).toBeLessThan(0.7);
});

test('G9: a key held while the window loses focus is let go', async () => {
  await page.keyboard.down('KeyW');
  await page.waitForFunction(() => !lemonStrait.camera.settled);
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setFocusEmulationEnabled', { enabled: false });
  const other = await page.context().newPage();
  await other.bringToFront();
  await frames(other);
  await other.close();
  await page.bringToFront();
  await settled(page); // with the key never reported up
  await session.send('Emulation.setFocusEmulationEnabled', { enabled: true });
  await page.keyboard.up('KeyW');
});

test('G6: what is recorded in the page plays again on the command line, to the same bits', async () => {
  await page.click('#record');
  await page.mouse.move(620, 200);
  await page.keyboard.down('ArrowRight');
  for (let notch = 0; notch < 3; notch++) await page.mouse.wheel(0, 100);
  await lasts(page, 250);
  await page.keyboard.up('ArrowRight');
  await page.keyboard.down('ShiftLeft');
  await hold(page, ['KeyS', 'KeyA'], 180);
  await page.keyboard.up('ShiftLeft');
  await settled(page);
  const {
    last,
    row: [, x, y, , span],
  } = await replayed(page, '--rate', '90');
  expect({ x, y, span }).toEqual({ x: last.x, y: last.y, span: last.span });
});
