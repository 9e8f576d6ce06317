/** The guide's recipe for React, as it stands there, in strict mode: one camera outlives renders, and hears once. */
import { expect, test } from '@jest/globals';
import { ownBrowser } from './browser.ts';

const own = ownBrowser();

declare global {
  var show: (speed: number | null) => void;
  var counts: { frames: number };
}

test('the recipe of the guide runs in strict mode: one camera is heard, outlives other settings, and is silent when it is gone', async () => {
  const page = await own.tab({ viewport: { width: 600, height: 400 } });
  const said: string[] = [];
  page.on('console', (message) => {
    if (['error', 'warning'].includes(message.type())) said.push(message.text());
  });
  page.on('pageerror', ({ message }) => said.push(message));
  await page.setContent('<!doctype html><div id="root" style="width: 400px; height: 300px"></div>');
  await page.addScriptTag({ path: process.env['REACT_SCRIPT'] ?? '' });
  await page.waitForFunction(() => counts.frames > 0);
  await page.mouse.move(200, 150);
  await page.mouse.wheel(0, 100);
  const heard = (): Promise<number> =>
    page.evaluate(() => cameras.findIndex(({ goal }) => Math.abs(goal.span - 330) < 1e-9));
  await page.waitForFunction(() => cameras.some(({ settled, shown }) => settled && shown.span > 301));
  const which = await heard();
  expect(which).toBeGreaterThanOrEqual(0);
  // Other settings, written inline: the same camera, where it was.
  await page.evaluate(() => {
    show(2);
  });
  await page.waitForFunction((i) => cameras[i]?.settings.pan.speed === 2, which);
  expect(await heard()).toBe(which);
  // Taken away, nothing is drawn or heard any more.
  await page.evaluate(() => {
    show(null);
  });
  await page.waitForFunction(() => document.querySelector('canvas') === null);
  const before = await page.evaluate(() => counts.frames);
  await page.mouse.wheel(0, 100);
  await page.keyboard.press('KeyD');
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
  expect(await page.evaluate(() => counts.frames)).toBe(before);
  expect(said).toEqual([]);
});
