/** A real browser for the tests, and the library as one script for pages that are only a test's. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, beforeAll, beforeEach, expect } from '@jest/globals';
import {
  chromium,
  type Browser,
  type BrowserContext,
  type BrowserContextOptions,
  type CDPSession,
  type Download,
  type Page,
} from 'playwright-core';
import type { PlaceSignal, Settings } from 'zesty-kite';
import type { ListenOptions } from 'zesty-kite/dom';
import { chromiumOptions } from './chromium.mjs';

export interface Own {
  readonly browser: Browser;
  /** A blank page. It serves one test of the file after the other that asks for the same: a new one starts a process, which takes longer than most tests. */
  readonly tab: (options: BrowserContextOptions) => Promise<Page>;
}

interface Tab {
  readonly options: string;
  readonly page: Page;
  isFree: boolean;
}

/**
 * The browser of a file of tests: one browser serves all files of a worker, each with pages of its own. A page that a test opens is
 * closed or blank after it: it draws on.
 */
export function ownBrowser(): Own {
  const tabs: Tab[] = [];
  const own = {
    browser: null as unknown as Browser,
    tab: async (options: BrowserContextOptions) => {
      const wanted = JSON.stringify(options);
      let tab = tabs.find((one) => one.isFree && one.options === wanted);
      if (tab === undefined) {
        const context = await own.browser.newContext(options);
        tab = { options: wanted, page: await context.newPage(), isFree: false };
        tabs.push(tab);
      }
      tab.isFree = false;
      return tab.page;
    },
  };
  /** Those that a test finds, and leaves to the next. */
  let contexts: readonly BrowserContext[] = [];
  let lent: readonly Tab[] = [];
  beforeAll(async () => {
    const servers = JSON.parse(process.env['BROWSER_SERVERS'] ?? '[]') as string[];
    const worker = Number(process.env['JEST_WORKER_ID'] ?? 1) - 1;
    own.browser = await chromium.connect(servers[worker % servers.length] ?? '');
  });
  beforeEach(() => {
    contexts = own.browser.contexts();
    lent = tabs.filter(({ isFree }) => !isFree);
  });
  afterEach(async () => {
    const ofTabs = tabs.map(({ page }) => page.context());
    const opened = own.browser.contexts().filter((context) => ![...contexts, ...ofTabs].includes(context));
    const used = tabs.filter((tab) => !tab.isFree && !lent.includes(tab));
    await Promise.all([
      ...opened.map((context) => context.close()),
      ...used.map(async (tab) => {
        await empty(tab.page, tab.options);
        tab.isFree = true;
      }),
    ]);
  });
  afterAll(() => own.browser.close());
  return own;
}

/** Makes a page as it was when it was new. */
async function empty(page: Page, options: string): Promise<void> {
  for (const event of ['console', 'pageerror', 'request', 'response', 'dialog'] as const)
    page.removeAllListeners(event);
  await page.unrouteAll({ behavior: 'ignoreErrors' });
  await page.evaluate(() => {
    if (origin !== 'null') localStorage.clear();
  });
  await page.goto('about:blank');
  const { viewport } = JSON.parse(options) as BrowserContextOptions;
  if (viewport) await page.setViewportSize(viewport);
  for (const key of ['Shift', 'Control', 'Alt', 'Meta']) await page.keyboard.up(key);
  for (const button of ['left', 'middle', 'right'] as const) await page.mouse.up({ button });
  await page.mouse.move((viewport?.width ?? 0) / 2, (viewport?.height ?? 0) / 2);
}

/** A browser with arguments of its own. */
export function launch(args: readonly string[]): Promise<Browser> {
  return chromium.launch(chromiumOptions(args));
}

/** The path of a file that a page has offered. */
export async function downloaded(download: Download): Promise<string> {
  const path = join(mkdtempSync(join(tmpdir(), 'download-')), download.suggestedFilename());
  await download.saveAs(path);
  return path;
}

/** The path of a script that defines `zesty`, the library with every entry. */
export function libraryScript(): { path: string } {
  return { path: process.env['EXAMPLES_SCRIPT'] ?? '' };
}

export interface MapPage {
  readonly width: number;
  readonly height: number;
  readonly settings: Settings;
  /** Whether the page draws frames; else the test does. */
  readonly draws?: boolean;
}

/** A page of 800 × 600 whose corner is a map, with a camera over it and nothing listened to yet. */
export async function mapPage(own: Own, { width, height, settings, draws = false }: MapPage): Promise<Page> {
  const page = await own.tab({ viewport: { width: 800, height: 600 } });
  // With an address: pads and locks of the pointer want one.
  const address = `${process.env['EXAMPLES_URL'] ?? ''}map`;
  const style = `width: ${width}px; height: ${height}px`;
  const body = `<!doctype html><style>body { margin: 0 }</style><div id="map" style="${style}"></div>`;
  await page.route(address, (route) => route.fulfill({ body, contentType: 'text/html' }));
  await page.goto(address);
  await page.addScriptTag(libraryScript());
  await page.evaluate(
    ([some, isDrawn]) => {
      window.map = document.querySelector<HTMLElement>('#map') ?? document.body;
      window.camera = new zesty.Camera(some);
      const frame = (time: number): void => {
        window.camera.advance(time);
        requestAnimationFrame(frame);
      };
      if (isDrawn) requestAnimationFrame(frame);
    },
    [settings, draws] as const,
  );
  // Before a page has been painted, the browser drops input.
  await frames(page);
  return page;
}

/** Draws a frame of such a page now; how many grips there are then. */
export function step(page: Page): Promise<number> {
  return page.evaluate(() => (window.camera.advance(performance.now()), window.camera.grips.length));
}

/** Listens to the map of such a page; with options that are data. */
export function listen(page: Page, options: Pick<ListenOptions, 'pads' | 'pinchKey'> = {}): Promise<void> {
  return page.evaluate((some) => void (window.ears = zesty.listen(window.map, window.camera, some)), options);
}

/** Changes settings live. */
export function change(page: Page, settings: Settings): Promise<void> {
  return page.evaluate((some) => window.camera.change(some), settings);
}

/** Fingers by the DevTools protocol: those that are down, as [x, y]. */
export async function touch(
  client: CDPSession,
  type: 'touchStart' | 'touchMove' | 'touchEnd' | 'touchCancel',
  ...fingers: readonly [number, number][]
): Promise<void> {
  const touchPoints = fingers.map(([x, y], id) => ({ id: id + 1, x, y }));
  await client.send('Input.dispatchTouchEvent', { type, touchPoints });
}

const BARGES = readFileSync(new URL('../../data/lemon-strait/barges.json', import.meta.url), 'utf8');

/** The barges of a page lie where the day begins: the same in every run, however long it takes. */
export async function stillBarges(page: Page): Promise<void> {
  const body = BARGES.replaceAll(/"speed": [\d.]+/g, '"speed": 0');
  await page.route(/\/barges-[\w-]+\.json$/, (route) => route.fulfill({ body, contentType: 'application/json' }));
}

/** What eases comes to rest in a quarter of the time: a test that waits for rest waits for less, and fewer frames are drawn. */
export const BRISK: Settings = {
  zoom: { halfLife: 0.02 },
  pan: { startHalfLife: 0.02, stopHalfLife: 0.02 },
  drag: { glideHalfLife: 0.05 },
  turn: { halfLife: 0.02 },
  pitch: { halfLife: 0.02 },
  lens: { halfLife: 0.02 },
  ground: { followHalfLife: 0.04 },
};

/** As the library eases by default. A law of every frame wants many of them. */
const UNHURRIED: Settings = { zoom: { halfLife: 0.09 }, pitch: { halfLife: 0.1 }, lens: { halfLife: 0.1 } };

/** A page of the examples, its map drawn; the barges are sent to anchor so that frames can stop. */
export async function openPage(own: Own, name: string): Promise<Page> {
  // The 3D page is drawn by software: a few of the pixels will do.
  const deviceScaleFactor = name === 'over-the-hills' ? 0.25 : 1;
  const page = await own.tab({ viewport: { width: 1000, height: 600 }, deviceScaleFactor });
  await stillBarges(page);
  await page.goto(`${process.env['EXAMPLES_URL'] ?? ''}${name}/`);
  await page.waitForFunction(() => document.querySelector('canvas')?.dataset['ground'] === 'fine');
  await page.click('#barges');
  await page.evaluate((settings) => lemonStrait.camera.change(settings), BRISK);
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

/** From now on, in every frame: how far each grip is from its screen point, and those from (x, y). Until it is read, nothing is brisk. */
export async function watchGrips(page: Page, x: number, y: number): Promise<() => Promise<number[]>> {
  await page.evaluate(
    ([atX, atY, settings]) => {
      lemonStrait.camera.change(settings);
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
    [x, y, UNHURRIED] as const,
  );
  return () =>
    page.evaluate((settings) => {
      lemonStrait.camera.change(settings);
      return (window as unknown as { errors: number[] }).errors;
    }, BRISK);
}

/** Puts the camera of a page of the examples somewhere, and waits for rest. */
export async function place(page: Page, where: Omit<PlaceSignal, 'kind'>): Promise<void> {
  await page.evaluate((there) => lemonStrait.camera.place(there), where);
  await settled(page);
}

/** Waits until so many frames have been drawn: by then a page has heard what came before. */
export function frames(page: Page, count = 2): Promise<void> {
  return page.evaluate(
    (many) =>
      new Promise<void>((done) => {
        const frame = (left: number): void => {
          if (left === 0) done();
          else requestAnimationFrame(() => frame(left - 1));
        };
        frame(many);
      }),
    count,
  );
}

/** Time that is a part of what is done: a key or a finger is held for so long, or nobody does anything. By the clock of the page. */
export function lasts(page: Page, milliseconds: number): Promise<void> {
  return page.evaluate(
    (long) =>
      new Promise<void>((done) => {
        const until = performance.now() + long;
        const look = (): void => {
          if (performance.now() >= until) done();
          else requestAnimationFrame(look);
        };
        look();
      }),
    milliseconds,
  );
}

/** Holds keys for a while, then waits for rest. */
export async function hold(page: Page, codes: readonly string[], milliseconds: number): Promise<void> {
  for (const code of codes) await page.keyboard.down(code);
  await lasts(page, milliseconds);
  for (const code of codes) await page.keyboard.up(code);
  await settled(page);
}

/** Waits until the camera is settled and the frame that shows it is drawn. */
export async function settled(page: Page): Promise<void> {
  await page.waitForFunction(() => lemonStrait.camera.settled);
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
}

/** Waits until the picture stands: a camera that follows stays awake for as long as it does. */
export async function still(page: Page): Promise<void> {
  await page.waitForFunction(() => {
    const { x, y, span } = lemonStrait.camera.view;
    const now = [x, y, span].join(' ');
    const seen = (document.body.dataset['seen'] ?? '').split('|');
    const frames = seen[0] === now ? Number(seen[1]) + 1 : 0;
    document.body.dataset['seen'] = `${now}|${String(frames)}`;
    return frames > 5;
  });
}

const CLI = new URL('../../packages/zesty-kite-cli/bin/zesty-kite.js', import.meta.url).pathname;

/** Ends the recording of a page of the examples: what it showed then, and the last row of what the command line makes of it. */
export async function replayed(page: Page, ...options: string[]): Promise<{ last: Shown; row: number[] }> {
  const [download, last] = await Promise.all([page.waitForEvent('download'), shown(page), page.click('#record')]);
  expect(download.suggestedFilename()).toBe('lemon-strait.ndjson');
  const file = await downloaded(download);
  expect(readFileSync(file, 'utf8').trim().split('\n').length).toBeGreaterThan(10);
  const trace = `${file}.csv`;
  const args = [CLI, 'replay', file, ...options, '--trace', trace];
  const { status, stderr } = spawnSync(process.execPath, args, { encoding: 'utf8' });
  expect([status, stderr]).toEqual([0, '']);
  const row = (readFileSync(trace, 'utf8').trim().split('\r\n').at(-1) ?? '').split(',').map(Number);
  return { last, row };
}
