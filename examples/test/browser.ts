/** A real browser for the tests, and the library as one script for pages that are only a test's. */
import { chromium, type Browser, type Page } from 'playwright-core';

export async function launch(): Promise<Browser> {
  const executablePath = process.env['ZESTY_KITE_BROWSER'];
  if (!executablePath)
    throw new Error('ZESTY_KITE_BROWSER: found nothing; wanted the path of a browser, as `npm test` sets it.');
  return chromium.launch({ executablePath, args: ['--no-sandbox', '--disable-background-networking'] });
}

/** The path of a script that defines `zesty`, the library with every entry. */
export function libraryScript(): { path: string } {
  return { path: process.env['EXAMPLES_SCRIPT'] ?? '' };
}

/** The "Straight down" page, its map drawn; the barges are sent to anchor so that frames can stop. */
export async function openStraightDown(browser: Browser): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1000, height: 600 } });
  const page = await context.newPage();
  await page.goto(`${process.env['EXAMPLES_URL'] ?? ''}straight-down/`);
  await page.waitForFunction(() => Number(document.querySelector('canvas')?.dataset['frames']) > 0);
  await page.click('#barges');
  await settled(page);
  return page;
}

export interface Shown {
  readonly x: number;
  readonly y: number;
  readonly span: number;
  readonly scale: number;
  readonly width: number;
  readonly height: number;
  readonly frames: number;
}

/** What the page's camera shows. */
export function shown(page: Page): Promise<Shown> {
  return page.evaluate(() => {
    const { x, y, span, scale, width, height } = lemonStrait.camera.view;
    return { x, y, span, scale, width, height, frames: Number(document.querySelector('canvas')?.dataset['frames']) };
  });
}

/** Waits until the camera is settled and the frame that shows it is drawn. */
export async function settled(page: Page): Promise<void> {
  await page.waitForFunction(() => lemonStrait.camera.settled);
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
}
