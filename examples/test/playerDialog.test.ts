/** The dialog of players' settings: by keyboard alone, in another language, kept, and without findings of axe. */
import { expect, test } from '@jest/globals';
import axe from 'axe-core';
import type { Page } from 'playwright-core';
import type { FullSettings } from 'zesty-kite';
import { ownBrowser, stillBarges } from './browser.ts';

const own = ownBrowser();

async function open(width = 900): Promise<{ page: Page; said: string[] }> {
  const page = await own.tab({ viewport: { width, height: 700 } });
  // The page draws no frames while the barges stand still.
  await stillBarges(page);
  const said: string[] = [];
  page.on('pageerror', ({ message }) => said.push(message));
  await page.goto(`${process.env['EXAMPLES_URL'] ?? ''}beside-the-game/`);
  await page.waitForFunction(() => 'cameras' in globalThis && cameras[0]?.view.width === innerWidth);
  await page.click('#ask');
  return { page, said };
}

const settings = (page: Page): Promise<FullSettings> =>
  page.evaluate(() => {
    const [camera] = cameras;
    if (camera === undefined) throw new Error('no camera');
    return structuredClone(camera.settings);
  });

test('sliders, boxes, lists and keys take effect at once, are kept, and go back', async () => {
  const { page, said } = await open();
  const begun = await settings(page);
  await page.getByLabel('Zoom smoothing', { exact: true }).focus();
  await page.keyboard.press('End');
  await page.getByLabel('Invert wheel', { exact: true }).check();
  await page.getByLabel('Zoom to', { exact: true }).selectOption('the middle');
  await page.getByLabel('Edge scrolling', { exact: true }).selectOption('on');
  await page.getByRole('button', { name: 'Add a key for Move up' }).click();
  await page.keyboard.press('KeyI');
  await page.getByRole('button', { name: 'Remove I from Move up' }).waitFor();
  const changed = await settings(page);
  expect(changed).toMatchObject({
    zoom: { halfLife: 0.5, anchor: 'focus' },
    inverted: ['wheel'],
    edge: { unit: 'share' },
  });
  expect(changed.bindings.panUp).toEqual([...begun.bindings.panUp, 'KeyI']);
  // A key that is used twice is told beside both.
  await page.getByRole('button', { name: 'Add a key for Move down' }).click();
  await page.keyboard.press('KeyI');
  await page.getByText('I is used twice.').nth(1).waitFor();
  await page.getByRole('button', { name: 'Reset Move down' }).click();
  await expect(page.getByText('I is used twice.').count()).resolves.toBe(0);
  // It comes back with the page.
  await page.reload();
  await page.waitForFunction(() => 'cameras' in globalThis && cameras[0]?.view.width === innerWidth);
  await expect(settings(page)).resolves.toMatchObject({ zoom: { halfLife: 0.5 }, inverted: ['wheel'] });
  await page.click('#ask');
  await page.getByRole('button', { name: 'Reset all' }).click();
  await expect(settings(page)).resolves.toEqual(begun);
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.locator('dialog[open]').count()).resolves.toBe(0);
  expect(said).toEqual([]);
});

test.each([900, 390])('axe has no findings, and nothing is cut off, at %d px', async (width) => {
  const { page } = await open(width);
  await page.addScriptTag({ content: axe.source });
  const found = await page.evaluate(async () => {
    const { violations } = await (globalThis as unknown as { axe: typeof axe }).axe.run('dialog');
    return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(' ')}`);
  });
  expect(found).toEqual([]);
  const cut = await page.evaluate(() => {
    const root = document.querySelector('dialog > div')?.shadowRoot;
    return [...(root?.querySelectorAll('button, input, select') ?? [])].filter((one) => {
      const { left, right } = one.getBoundingClientRect();
      return left < 0 || right > innerWidth;
    }).length;
  });
  expect(cut).toBe(0);
});
