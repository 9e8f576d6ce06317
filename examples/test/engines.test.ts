/** Firefox and WebKit: every demo session plays to the digest of Node, and real wheel, keys, drag and edges steer. */
import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import puppeteer, { type Browser as Firefox } from 'puppeteer-core';
import { libraryScript } from './browser.ts';
import { GRID, isHilly, playHere, SESSIONS, sessionText } from './strait.ts';
import { WebDriver } from './webDriver.ts';

/** The pages that Firefox draws here. */
const PAGES = [
  'straight-down',
  'two-to-one',
  'over-the-hills',
  'a-chart-of-labels',
  'fingers',
  'two-players',
  'beside-the-game',
  'build-in-pixi',
  'raw-webgl',
  'workbench',
];
const PAGE = readFileSync(new URL('engines.html', import.meta.url));

const children: ChildProcess[] = [];
let display = '';

function start(variable: string, args: readonly string[]): ChildProcess {
  const child = spawn(process.env[variable] ?? '', args, {
    env: { ...process.env, DISPLAY: display, WEBKIT_DISABLE_COMPOSITING_MODE: '1' },
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  children.push(child);
  return child;
}

beforeAll(async () => {
  // The display takes a number that is free, and tells which.
  const server = start('ZESTY_KITE_DISPLAY', ['-displayfd', '1', '-screen', '0', '1280x900x24', '-nolisten', 'tcp']);
  const number = await new Promise<string>((done) =>
    server.stdout?.once('data', (data: Buffer) => {
      done(data.toString().trim());
    }),
  );
  display = `:${number}`;
});
afterAll(() => {
  for (const child of children.reverse()) child.kill();
});

const server = createServer(({ url = '/' }, response) => {
  const [, session] = /^\/sessions\/(\w+)$/.exec(url) ?? [];
  if (url === '/zesty.js')
    response.setHeader('content-type', 'text/javascript').end(readFileSync(libraryScript().path));
  else if (url === '/grid') response.end(JSON.stringify(GRID));
  else if (session !== undefined) response.end(sessionText(session));
  else response.setHeader('content-type', 'text/html').end(PAGE);
});
let address = '';
beforeAll(async () => {
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  address = `http://127.0.0.1:${String((server.address() as AddressInfo).port)}/`;
});
afterAll(() => {
  server.close();
});

interface State {
  readonly x: number;
  readonly y: number;
  readonly span: number;
  readonly settled: boolean;
  readonly grips: number;
  readonly worst: number;
  readonly held: { readonly x: number; readonly y: number };
}

/** What both engines are asked to do, each by its own driver. */
interface Hand {
  evaluate(script: string): Promise<unknown>;
  move(x: number, y: number): Promise<void>;
  wheel(x: number, y: number, down: number): Promise<void>;
  button(down: boolean): Promise<void>;
  key(code: string, down: boolean): Promise<void>;
}

/** Waits for a fact, however slowly frames are drawn. */
async function until(hand: Hand, fact: (state: State) => boolean): Promise<State> {
  for (let i = 0; i < 400; i++) {
    const state = (await hand.evaluate('state()')) as State;
    if (fact(state)) return state;
    await new Promise((done) => setTimeout(done, 50));
  }
  throw new Error(`waited in vain for ${String(fact)}: ${JSON.stringify(await hand.evaluate('state()'))}`);
}

async function playsAll(hand: Hand): Promise<void> {
  for (const name of SESSIONS)
    expect([name, await hand.evaluate(`play('${name}', ${isHilly(name)})`)]).toEqual([name, playHere(name).digest]);
}

async function steers(hand: Hand): Promise<void> {
  const start = await until(hand, ({ settled }) => settled);
  await hand.move(450, 100);
  await hand.wheel(450, 100, 120);
  const zoomed = await until(hand, ({ span, settled }) => settled && span > start.span * 1.05);
  expect(zoomed.held.x).toBeCloseTo(start.held.x, 3);
  expect(zoomed.held.y).toBeCloseTo(start.held.y, 3);
  await hand.move(200, 200);
  await hand.button(true);
  await hand.move(260, 230);
  await until(hand, ({ grips }) => grips === 1);
  await hand.move(320, 260);
  const dragged = await until(hand, ({ x }) => x < zoomed.x - 30);
  expect(dragged.worst).toBeLessThan(1e-3);
  await hand.button(false);
  const lifted = await until(hand, ({ grips, settled }) => grips === 0 && settled);
  await hand.key('KeyD', true);
  await until(hand, ({ x }) => x > lifted.x + 5);
  await hand.key('KeyD', false);
  const still = await until(hand, ({ settled }) => settled);
  await hand.move(2, 200);
  await until(hand, ({ x }) => x < still.x - 5);
  await hand.move(300, 200);
  await until(hand, ({ settled }) => settled);
}

describe('Firefox', () => {
  let firefox: Firefox;
  let hand: Hand;
  beforeAll(async () => {
    const executablePath = process.env['ZESTY_KITE_FIREFOX'] ?? '';
    firefox = await puppeteer.launch({
      browser: 'firefox',
      executablePath,
      // In a window, with software that draws WebGL: without a window it has none.
      headless: false,
      env: { ...process.env, DISPLAY: display, LIBGL_ALWAYS_SOFTWARE: '1' },
    });
    const page = await firefox.newPage();
    await page.setViewport({ width: 800, height: 600 });
    await page.goto(address);
    hand = {
      evaluate: (script) => page.evaluate(script),
      move: (x, y) => page.mouse.move(x, y),
      wheel: (_x, _y, down) => page.mouse.wheel({ deltaY: down }),
      button: (down) => (down ? page.mouse.down({ button: 'right' }) : page.mouse.up({ button: 'right' })),
      key: (code, down) => (down ? page.keyboard.down(code as 'KeyD') : page.keyboard.up(code as 'KeyD')),
    };
  });
  afterAll(() => firefox.close());

  test('G6: all demo sessions play to the digests of Node', () => playsAll(hand), 120_000);
  test('the real wheel, a drag, keys and an edge steer', () => steers(hand), 120_000);

  test.each(PAGES)(
    'the page %s: the real wheel zooms, a key pans, nothing on the console',
    async (name) => {
      const page = await firefox.newPage();
      const said: string[] = [];
      page.on('console', (message) => {
        if (message.type() === 'error') said.push(message.text());
      });
      page.on('pageerror', (error) => said.push(String(error)));
      await page.setViewport({ width: 800, height: 600, deviceScaleFactor: 0.5 });
      await page.goto(`${process.env['EXAMPLES_URL'] ?? ''}${name}/`);
      const shown = (): Promise<{ x: number; span: number }> =>
        page.evaluate(() => cameras[0]?.shown) as Promise<{
          x: number;
          span: number;
        }>;
      await page.waitForFunction(
        () => Number(document.body.dataset['frames'] ?? document.querySelector('canvas')?.dataset['frames']) > 1,
      );
      const before = await shown();
      await page.mouse.move(330, 420);
      await page.mouse.wheel({ deltaY: -200 });
      await page.waitForFunction((span) => (cameras[0]?.shown.span ?? NaN) < span * 0.98, {}, before.span);
      await page.mouse.move(330, 300);
      const zoomed = await shown();
      await page.keyboard.down('KeyD');
      await page.waitForFunction((x) => (cameras[0]?.shown.x ?? NaN) > x + 1, {}, zoomed.x);
      await page.keyboard.up('KeyD');
      await page.close();
      expect(said).toEqual([]);
    },
    120_000,
  );
});

describe('WebKit', () => {
  let driver: WebDriver;
  let hand: Hand;

  beforeAll(async () => {
    const port = 20_000 + (process.pid % 20_000);
    start('ZESTY_KITE_WEBKIT_DRIVER', [`--port=${String(port)}`]);
    driver = new WebDriver(port);
    await driver.begin(process.env['ZESTY_KITE_WEBKIT'] ?? '');
    await driver.open(address);
    const pointer = (...actions: object[]): Promise<void> =>
      driver.act({ type: 'pointer', id: 'mouse', parameters: { pointerType: 'mouse' }, actions });
    hand = {
      evaluate: (script) => driver.evaluate(script),
      move: (x, y) => pointer({ type: 'pointerMove', x, y, duration: 0, origin: 'viewport' }),
      wheel: (x, y, down) =>
        driver.act({
          type: 'wheel',
          id: 'wheel',
          actions: [{ type: 'scroll', x, y, deltaX: 0, deltaY: down, duration: 0, origin: 'viewport' }],
        }),
      // Of a right button its driver never tells that it went up: `docs/browser-input.md`.
      button: (down) => pointer({ type: down ? 'pointerDown' : 'pointerUp', button: 0 }),
      key: (code, down) =>
        driver.act({
          type: 'key',
          id: 'keys',
          actions: [{ type: down ? 'keyDown' : 'keyUp', value: code.slice(-1).toLowerCase() }],
        }),
    };
  }, 120_000);
  afterAll(async () => {
    await driver.end().catch(() => undefined);
  });

  test('G6: all demo sessions play to the digests of Node', () => playsAll(hand), 120_000);
  test('the real wheel, a drag, keys and an edge steer', () => steers(hand), 120_000);
});
