/** The guide's recipe for React, as it stands there, in strict mode: effects run twice, and one camera is heard. */
import { expect, test } from '@jest/globals';
import { ownBrowser } from './browser.ts';

const own = ownBrowser();

interface Made {
  readonly shown: { readonly span: number };
  readonly settled: boolean;
  readonly frames: number;
}

declare global {
  var show: (span: number | null) => void;
}

test('the recipe of the guide runs in strict mode: one camera is heard, others are gone', async () => {
  const page = await own.browser.newPage({ viewport: { width: 600, height: 400 } });
  const said: string[] = [];
  page.on('console', (message) => {
    if (['error', 'warning'].includes(message.type())) said.push(message.text());
  });
  page.on('pageerror', ({ message }) => said.push(message));
  await page.setContent('<!doctype html><div id="root" style="width: 400px; height: 300px"></div>');
  await page.addScriptTag({ path: process.env['REACT_SCRIPT'] ?? '' });
  const spans = (): Promise<number[]> =>
    page.evaluate(() => (globalThis as unknown as { cameras: Made[] }).cameras.map(({ shown }) => shown.span));
  const rest = (): Promise<unknown> =>
    page.waitForFunction(() => (globalThis as unknown as { cameras: Made[] }).cameras.at(-1)?.settled);
  await page.waitForFunction(() => (globalThis as unknown as { cameras: Made[] }).cameras.at(-1)?.frames);
  expect(await spans()).toEqual([300, 300]);
  await page.mouse.move(200, 150);
  await page.mouse.wheel(0, 100);
  await page.waitForFunction(() => ((globalThis as unknown as { cameras: Made[] }).cameras[1]?.shown.span ?? 0) > 301);
  await rest();
  const [gone, heard = NaN] = await spans();
  expect(gone).toBe(300);
  // Other settings are another camera; then the wheel is its own.
  await page.evaluate(() => {
    globalThis.show(200);
  });
  await page.waitForFunction(() => (globalThis as unknown as { cameras: Made[] }).cameras.at(-1)?.shown.span === 200);
  await page.mouse.wheel(0, 100);
  await page.waitForFunction(
    () => ((globalThis as unknown as { cameras: Made[] }).cameras.at(-1)?.shown.span ?? 0) > 201,
  );
  await rest();
  expect((await spans())[1]).toBe(heard);
  // Taken away, nothing is drawn or heard any more.
  await page.evaluate(() => {
    globalThis.show(null);
  });
  await page.waitForFunction(() => document.querySelector('canvas') === null);
  const frames = (): Promise<number[]> =>
    page.evaluate(() => (globalThis as unknown as { cameras: Made[] }).cameras.map((one) => one.frames));
  const before = await frames();
  await page.mouse.wheel(0, 100);
  await page.keyboard.press('KeyD');
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  expect(await frames()).toEqual(before);
  expect(said).toEqual([]);
  await page.close();
});
