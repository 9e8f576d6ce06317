/** The workbench: a number changed in the panel, a curve dragged, a way back, two slots, and the same hands on both. */
import { expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import type { Camera } from 'zesty-kite';
import { ownBrowser } from './browser.ts';

interface Bench {
  readonly cameras: readonly Camera[];
  readonly players: () => readonly { readonly camera: Camera }[];
  readonly openFile: (file: File) => Promise<void>;
}

const own = ownBrowser();

async function open(hash = ''): Promise<{ page: Page; said: string[] }> {
  const page = await own.browser.newPage({ viewport: { width: 1000, height: 640 }, deviceScaleFactor: 0.1 });
  const said: string[] = [];
  page.on('pageerror', ({ message }) => said.push(message));
  await page.goto(`${process.env['EXAMPLES_URL'] ?? ''}workbench/${hash}`);
  await page.waitForFunction(() => Number(document.body.dataset['frames']) > 1);
  return { page, said };
}

const settings = (page: Page): Promise<{ halfLife: number; pitch: unknown }> =>
  page.evaluate(() => {
    const { zoom, pitch } = (globalThis as unknown as Bench).cameras[0]?.settings ?? {};
    return { halfLife: zoom?.halfLife ?? NaN, pitch: pitch?.degrees };
  });

test('a feel, a number and a curve take effect at once, come back by undo, and stand in the address', async () => {
  const { page, said } = await open();
  const begun = await settings(page);
  await page.selectOption('#feel', 'heavy');
  await expect(settings(page)).resolves.toMatchObject({ halfLife: 0.16 });
  await page.locator('.lil-title', { hasText: /^zoom$/ }).click();
  const field = page
    .locator('.lil-gui:not(.lil-closed) > .lil-children > .lil-controller', { hasText: /^halfLife/ })
    .locator('input')
    .last();
  await field.fill('0.25');
  await field.press('Enter');
  await expect(settings(page)).resolves.toMatchObject({ halfLife: 0.25 });
  const box = (await page.locator('#curve').boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
  await page.mouse.dblclick(box.x + box.width * 0.5, box.y + box.height * 0.3);
  const { pitch } = await settings(page);
  expect(Array.isArray(pitch)).toBe(true);
  const address = new URL(page.url()).hash;
  const again = await open(address);
  await expect(settings(again.page)).resolves.toEqual(await settings(page));
  await again.page.close();
  for (let i = 0; i < 12; i++) await page.click('#undo');
  await expect(settings(page)).resolves.toEqual(begun);
  await page.click('#redo');
  expect(said).toEqual([]);
  await page.close();
}, 150_000);

test('what is refused says where, what was found and what would do, and changes nothing', async () => {
  const { page } = await open();
  const begun = await settings(page);
  await page.evaluate(() =>
    (globalThis as unknown as Bench)
      .openFile(new File(['{ "zoom": { "halfLife": -1 } }'], 'settings.json'))
      .catch((error: unknown) => {
        document.body.dataset['refused'] = String(error);
      }),
  );
  expect(await page.evaluate(() => document.body.dataset['refused'])).toContain('zoom.halfLife: found -1; wanted');
  await expect(settings(page)).resolves.toEqual(begun);
  await page.close();
});

test('a take plays the same hands under A and B side by side: they part where the slots differ, and agree where not', async () => {
  const { page, said } = await open();
  await page.click('#record');
  await page.mouse.move(520, 300);
  for (let i = 0; i < 3; i++) await page.mouse.wheel(0, -100);
  await page.keyboard.down('KeyD');
  await page.waitForTimeout(300);
  await page.keyboard.up('KeyD');
  await page.waitForTimeout(200);
  await page.click('#record');
  await page.check('#beside');
  const seek = (share: number): Promise<void> =>
    page.evaluate((at) => {
      const time = document.querySelector<HTMLInputElement>('#time');
      if (time === null) return;
      time.value = String(Number(time.max) * at);
      time.dispatchEvent(new Event('input'));
    }, share);
  const spans = (): Promise<number[]> =>
    page.evaluate(() => (globalThis as unknown as Bench).players().map(({ camera }) => camera.shown.span));
  await seek(1);
  const [a = NaN, b = NaN] = await spans();
  expect(a).toBe(b);
  await page.click('#slot');
  await page.selectOption('#feel', 'floating');
  await seek(1);
  const [same = NaN, other = NaN] = await spans();
  expect(same).toBe(a);
  expect(Math.abs(Math.log2(other / same))).toBeGreaterThan(0.05);
  expect(said).toEqual([]);
  await page.close();
});
