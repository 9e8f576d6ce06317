/** The workbench: the panel over the demo world, with settings in the address, takes under both versions, and files that are dropped. */
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import axe from 'axe-core';
import type { Page } from 'playwright-core';
import type { Camera } from 'zesty-kite';
import type { Panel } from 'zesty-kite-panel';
import { downloaded, frames, lasts, ownBrowser } from './browser.ts';

interface Bench {
  readonly cameras: readonly Camera[];
  readonly panel: Panel;
  readonly openFile: (file: File) => Promise<void>;
}

const CLI = new URL('../../packages/zesty-kite-cli/bin/zesty-kite.js', import.meta.url).pathname;
const own = ownBrowser();
const SIZE = { width: 1000, height: 640 };

async function open(hash = '', viewport = SIZE): Promise<{ page: Page; said: string[] }> {
  const page = await own.tab({ viewport, deviceScaleFactor: 0.1 });
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

/** Drops a file as the page gets it. */
const drop = (page: Page, name: string, text: string): Promise<string> =>
  page.evaluate(
    async ([file, content]) => {
      const { openFile } = globalThis as unknown as Bench;
      return openFile(new File([content], file)).then(
        () => '',
        (error: unknown) => String(error),
      );
    },
    [name, text] as const,
  );

test('a feel, a number and a curve take effect at once, come back by undo, and stand in the address', async () => {
  const { page, said } = await open();
  const begun = await settings(page);
  await page.getByLabel('Feel').selectOption('heavy');
  await expect(settings(page)).resolves.toMatchObject({ halfLife: 0.16 });
  await page.locator('summary', { hasText: /^\s*zoom/ }).click();
  const field = page.getByLabel('zoom halfLife', { exact: true });
  await field.fill('0.25');
  await field.press('Enter');
  await expect(settings(page)).resolves.toMatchObject({ halfLife: 0.25 });
  await page.locator('summary', { hasText: /^\s*pitch/ }).click();
  await page.locator('[data-path="pitch.degrees"] svg').dblclick({ position: { x: 150, y: 30 } });
  const { pitch } = await settings(page);
  expect(pitch).toHaveLength(3);
  const address = new URL(page.url()).hash;
  const again = await open(address);
  await expect(settings(again.page)).resolves.toEqual(await settings(page));
  for (let i = 0; i < 3; i += 1) await page.getByLabel('Undo').click();
  await expect(settings(page)).resolves.toEqual(begun);
  expect(said).toEqual([]);
}, 150_000);

test('a dropped file that is refused says where, what was found and what would do, and changes nothing', async () => {
  const { page } = await open();
  const begun = await settings(page);
  await expect(drop(page, 'settings.json', '{ "zoom": { "halfLife": -1 } }')).resolves.toContain('zoom.halfLife');
  await expect(drop(page, 'take.ndjson', 'no session')).resolves.toContain('line 1');
  await expect(drop(page, 'cutscene.json', '{ "keyframes": [] }')).resolves.toContain('keyframes');
  await expect(settings(page)).resolves.toEqual(begun);
});

test('a session, settings and a cutscene that are dropped are played, laid in and opened', async () => {
  const { page, said } = await open('?look=straight%20down');
  await expect(drop(page, 'settings.json', '{ "zoom": { "halfLife": 0.3 } }')).resolves.toBe('');
  await expect(settings(page)).resolves.toMatchObject({ halfLife: 0.3 });
  const session = readFileSync(new URL('../../data/lemon-strait/sessions/crossing.ndjson', import.meta.url), 'utf8');
  await expect(drop(page, 'crossing.ndjson', session)).resolves.toBe('');
  await page.getByRole('button', { name: 'Stop', exact: true }).waitFor();
  await expect(
    drop(page, 'scene.json', '{ "keyframes": [{ "at": 0, "span": 300 }, { "at": 4, "x": 200 }] }'),
  ).resolves.toBe('');
  await page.getByLabel('Keyframe 2, time').waitFor();
  expect(said).toEqual([]);
});

test('a take plays the same hands under both versions: they part where the versions differ, and agree where not', async () => {
  const { page, said } = await open();
  await page.getByRole('tab', { name: 'Compare' }).click();
  await page.getByText('The versions are equal: there is nothing to compare.').waitFor();
  await page.getByRole('button', { name: 'Record a take' }).click();
  await page.mouse.move(420, 300);
  for (let i = 0; i < 3; i += 1) await page.mouse.wheel(0, -100);
  await page.keyboard.down('KeyD');
  await lasts(page, 300);
  await page.keyboard.up('KeyD');
  await lasts(page, 200);
  await page.getByRole('button', { name: 'Stop recording' }).click();
  await page.getByLabel('Side by side').check();
  const spans = (): Promise<number[]> =>
    page.evaluate(() => {
      const { panel } = globalThis as unknown as Bench;
      return panel.views.map(({ span }) => span);
    });
  const seekEnd = async (): Promise<void> => {
    await page.getByLabel('Time in the take').focus();
    await page.keyboard.press('Home');
    await page.keyboard.press('End');
  };
  await seekEnd();
  const [a = NaN, b = NaN] = await spans();
  expect(a).toBe(b);
  await page.getByRole('tab', { name: 'Settings' }).click();
  await page.getByRole('button', { name: 'Version 2', exact: true }).click();
  await page.getByLabel('Feel').selectOption('floating');
  await page.getByRole('tab', { name: 'Compare' }).click();
  await seekEnd();
  const [same = NaN, other = NaN] = await spans();
  expect(same).toBe(a);
  expect(Math.abs(Math.log2(other / same))).toBeGreaterThan(0.05);
  // Played, the picture goes where the take goes under the version in force.
  await page.getByLabel('Loop').uncheck();
  await page.getByRole('button', { name: 'Play', exact: true }).click();
  // The button is that of before for a moment: first the take comes to where it ends.
  await page.waitForFunction((to) => Math.abs((cameras[0]?.shown.span ?? NaN) / to - 1) < 0.05, other);
  await page.getByRole('button', { name: 'Play', exact: true }).waitFor();
  const shown = await page.evaluate(() => (globalThis as unknown as Bench).cameras[0]?.shown.span ?? NaN);
  expect(Math.abs(Math.log2(shown / other))).toBeLessThan(Math.abs(Math.log2(shown / same)) / 2);
  expect(said).toEqual([]);
}, 120_000);

test('a cutscene is made by flying, dragged along the time line, and comes as the JSON that play knows', async () => {
  const { page, said } = await open();
  await page.getByRole('tab', { name: 'Cutscene' }).click();
  await page.getByRole('button', { name: 'Keyframe here' }).click();
  await page.evaluate(() => {
    (globalThis as unknown as Bench).cameras[0]?.place({ x: 300, y: 300, span: 120 });
  });
  await page.waitForFunction(() => (globalThis as unknown as Bench).cameras[0]?.shown.x === 300);
  await page.getByRole('button', { name: 'Keyframe here' }).click();
  const mark = page.locator('.time .mark').nth(1);
  const line = (await page.locator('.time').boundingBox()) ?? { x: 0, y: 0, width: 1, height: 1 };
  await mark.hover();
  await page.mouse.down();
  await page.mouse.move(line.x + line.width * 0.75, line.y + 15, { steps: 3 });
  await page.mouse.up();
  await page.getByLabel('Keyframe 2, ease').selectOption('out');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Download' }).click(),
  ]);
  const file = await downloaded(download);
  const { keyframes } = JSON.parse(readFileSync(file, 'utf8')) as {
    keyframes: readonly Record<string, number>[];
  };
  expect(keyframes).toMatchObject([
    { at: 0, x: 512 },
    { at: expect.closeTo(3, 0), x: 300, span: 120, ease: 'out' },
  ]);
  const check = spawnSync(process.execPath, [CLI, 'check', file], { encoding: 'utf8' });
  expect([check.status, check.stderr]).toEqual([0, '']);
  // Scrubbed to its end it shows its last pose; the camera is the player's again when one flies on.
  await page.getByLabel('Time in the scene').focus();
  await page.keyboard.press('End');
  await page.waitForFunction(() => Math.abs(((globalThis as unknown as Bench).cameras[0]?.shown.x ?? 0) - 300) < 0.01);
  await page.getByRole('button', { name: 'Fly on' }).click();
  await page.waitForFunction(() => (globalThis as unknown as Bench).cameras[0]?.settings.locked.length === 0);
  expect(said).toEqual([]);
});

test.each([
  ['at 1000 px', SIZE],
  ['at 390 px', { width: 390, height: 844 }],
])('every part of the panel is without findings of axe, and inside of the screen, %s', async (_, viewport) => {
  const { page } = await open('', viewport);
  await page.evaluate(() => {
    (globalThis as unknown as Bench).panel.toggle(true);
  });
  await page.addScriptTag({ content: axe.source });
  const sections = await page.evaluate(() => {
    const all = [...((globalThis as unknown as Bench).panel.element.shadowRoot?.querySelectorAll('summary') ?? [])];
    for (const summary of all) summary.click();
    return all.length;
  });
  expect(sections).toBeGreaterThan(15);
  for (const tab of ['Compare', 'Cutscene', 'Settings']) {
    await page.getByRole('tab', { name: tab }).click();
    await frames(page);
    const found = await page.evaluate(async () => {
      const { violations } = await (globalThis as unknown as { axe: typeof axe }).axe.run('zesty-kite-panel');
      return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(' ')}`);
    });
    expect([tab, found]).toEqual([tab, []]);
    const wide = await page.evaluate(() => {
      const { panel } = globalThis as unknown as Bench;
      const root = panel.element.shadowRoot;
      const outside = [...(root?.querySelectorAll('button, input, select') ?? [])].filter((one) => {
        const { left, right } = one.getBoundingClientRect();
        return left < 0 || right > innerWidth;
      });
      return outside.map((one) => one.outerHTML);
    });
    expect(wide).toEqual([]);
  }
});
