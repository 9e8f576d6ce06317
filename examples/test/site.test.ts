/** The site of the documentation, as `npm start` serves it: programs with their mistakes, settings, search. */
import { readdirSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import type { Page } from 'playwright-core';
import { stepsOfGuide } from '../../scripts/setup/programs.mjs';
import { ownBrowser } from './browser.ts';

const own = ownBrowser();
const site = `${process.env['EXAMPLES_URL'] ?? ''}docs/`;

async function open(path: string): Promise<{ page: Page; wrong: string[] }> {
  const page = await own.tab({ viewport: { width: 1280, height: 800 } });
  const wrong: string[] = [];
  page.on('pageerror', (error) => wrong.push(error.message));
  page.on('console', (message) => {
    if (message.type() === 'error') wrong.push(message.text());
  });
  await page.goto(`${site}${path}`);
  return { page, wrong };
}

test('each step runs its program in the page, and a button makes each of its mistakes', async () => {
  const { page, wrong } = await open('guide/pan.html');
  const [, pan] = stepsOfGuide();
  const frame = page.locator('.program iframe');
  await frame.scrollIntoViewIfNeeded();
  const program = page.frameLocator('.program iframe');
  await program.locator('canvas').waitFor();
  const buttons = page.locator('.program button');
  expect(await buttons.allInnerTexts()).toEqual(['The program', ...(pan?.mistakes.map(({ title }) => title) ?? [])]);
  await buttons.nth(3).click();
  await page.waitForFunction(() =>
    document.querySelector<HTMLIFrameElement>('.program iframe')?.src.endsWith('/programs/pan-3.html'),
  );
  const inside = page.frames().find((one) => one.url().endsWith('pan-3.html'));
  await inside?.waitForFunction(() => window.camera.settings.edge?.width === 200);
  expect(wrong).toEqual([]);
});

test('the settings have an entry each, with an anchor that links lead to', async () => {
  const { page, wrong } = await open('reference/settings.html#pitchdegrees');
  const text = await page.locator('#pitchdegrees').innerText();
  expect(text).toContain('pitch.degrees');
  expect(await page.locator('h3').count()).toBeGreaterThan(130);
  expect(wrong).toEqual([]);
});

test('the search finds a setting', async () => {
  const { page } = await open('guide/index.html');
  await page.locator('.DocSearch-Button').first().click();
  await page.locator('.VPLocalSearchBox input').fill('stopHalfLife');
  await page.locator('.VPLocalSearchBox .result').first().waitFor();
  expect(await page.locator('.VPLocalSearchBox .results').innerText()).toContain('pan.stopHalfLife');
});

test('every page of docs/ is on the site, and the landing page leads to guide, recipes and reference', async () => {
  const root = new URL('../../docs/', import.meta.url).pathname;
  const pages = readdirSync(root, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.md') && !file.startsWith('interface'))
    .map((file) => file.replace(/\.md$/, '.html'));
  expect(pages.length).toBeGreaterThan(40);
  const answers = await Promise.all(pages.map(async (page) => [page, (await fetch(`${site}${page}`)).status] as const));
  expect(answers.filter(([, status]) => status !== 200)).toEqual([]);
  const { page } = await open('../');
  for (const name of ['Guide', 'Recipes', 'Reference'])
    expect(await page.getByRole('link', { name, exact: true }).count()).toBe(1);
  const pictures = page.locator('.pages img');
  expect(await pictures.count()).toBe(await page.locator('.pages li').count());
});
