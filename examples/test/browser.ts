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

/** A page of the examples, its map drawn; the barges are sent to anchor so that frames can stop. */
export async function openPage(browser: Browser, name: string): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 1000, height: 600 } });
  const page = await context.newPage();
  await page.goto(`${process.env['EXAMPLES_URL'] ?? ''}${name}/`);
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

/** From now on, in every frame: how far each grip is from its screen point, and those from (x, y). */
export async function watchGrips(page: Page, x: number, y: number): Promise<() => Promise<number[]>> {
  await page.evaluate(
    ([atX, atY]) => {
      const errors: number[] = [];
      Object.assign(window, { errors });
      const look = (): void => {
        const { grips, view } = lemonStrait.camera;
        for (const grip of grips) {
          if (grip.limited) continue;
          const at = view.toScreen(grip.x, grip.y, grip.height);
          errors.push(
            Math.hypot(at.x - grip.screenX, at.y - grip.screenY),
            Math.hypot(grip.screenX - atX, grip.screenY - atY),
          );
        }
        requestAnimationFrame(look);
      };
      look();
    },
    [x, y] as const,
  );
  return () => page.evaluate(() => (window as unknown as { errors: number[] }).errors);
}

/** Holds keys for a while, then waits for rest. */
export async function hold(page: Page, codes: readonly string[], milliseconds: number): Promise<void> {
  for (const code of codes) await page.keyboard.down(code);
  await page.waitForTimeout(milliseconds);
  for (const code of codes) await page.keyboard.up(code);
  await settled(page);
}

/** Waits until the camera is settled and the frame that shows it is drawn. */
export async function settled(page: Page): Promise<void> {
  await page.waitForFunction(() => lemonStrait.camera.settled);
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
}
