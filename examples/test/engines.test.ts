/** Firefox and WebKit: every demo session plays to the digest of Node, and real wheel, keys, drag and edges steer. */
import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { decode } from 'fast-png';
import puppeteer, { type Browser as Firefox } from 'puppeteer-core';
import { terrainOfGrid } from 'zesty-kite';
import { Replay, SessionReader } from 'zesty-kite/session';
import { libraryScript } from './browser.ts';

const DATA = new URL('../../data/lemon-strait/', import.meta.url);
const SESSIONS = ['crossing', 'flung', 'turned', 'hilly', 'handed'];
const SIZE = { id: 'Lemon Strait', columns: 513, rows: 385, step: 2 };

/** A page of the test's own: one map, the camera over it and all that was heard. */
const PAGE = `<!doctype html><meta charset="utf-8"><title>Engines</title>
<style>html, body { margin: 0; height: 100% } #map { width: 600px; height: 400px; background: #0e4a57 }</style>
<div id="map"></div><script src="/zesty.js"></script><script>
  const map = document.querySelector('#map');
  const camera = new zesty.Camera({ start: { x: 0, y: 0, span: 400 }, edge: { dwell: 0 }, drag: { glide: 0 },
    bindings: { drag: ['MouseLeft', 'MouseRight', 'Touch'] } });
  zesty.listen(map, camera);
  let worst = 0;
  const frame = (time) => {
    camera.advance(time);
    for (const grip of camera.grips) if (!grip.limited) worst = Math.max(worst, grip.error);
    requestAnimationFrame(frame);
  };
  requestAnimationFrame(frame);
  const state = () => ({ ...camera.shown, settled: camera.settled, grips: camera.grips.length, worst,
    held: camera.view.toGround(450, 100) });
  const play = async (name, hilly) => {
    const text = await (await fetch('/sessions/' + name)).text();
    const heights = hilly ? await (await fetch('/heights')).json() : null;
    const terrain = heights && zesty.terrainOfGrid({ ...${JSON.stringify(SIZE)}, heights });
    const reader = new zesty.SessionReader();
    const signals = reader.push(text);
    const replay = new zesty.Replay(reader.end().header, { terrain });
    for (const signal of signals) replay.push(signal);
    return replay.end().digest;
  };
</script>`;

const pixels = decode(readFileSync(new URL('height.png', DATA))).data;
const heights = Array.from(pixels, (value) => -6 + (value / 65535) * 66);
const isHilly = (name: string): boolean => name === 'hilly' || name === 'handed';

const digestHere = (name: string): string => {
  const reader = new SessionReader();
  const signals = reader.push(readFileSync(new URL(`sessions/${name}.ndjson`, DATA), 'utf8'));
  const terrain = isHilly(name) ? terrainOfGrid({ ...SIZE, heights }) : null;
  const replay = new Replay(reader.end().header, { terrain });
  for (const signal of signals) replay.push(signal);
  return replay.end().digest;
};

const server = createServer((request, response) => {
  const path = request.url ?? '/';
  const [, session] = /^\/sessions\/(\w+)$/.exec(path) ?? [];
  if (path === '/zesty.js')
    response.setHeader('content-type', 'text/javascript').end(readFileSync(libraryScript().path));
  else if (path === '/heights') response.end(JSON.stringify(heights));
  else if (session !== undefined) response.end(readFileSync(new URL(`sessions/${session}.ndjson`, DATA)));
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
    expect([name, await hand.evaluate(`play(${JSON.stringify(name)}, ${String(isHilly(name))})`)]).toEqual([
      name,
      digestHere(name),
    ]);
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
    firefox = await puppeteer.launch({ browser: 'firefox', executablePath, headless: true });
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
});

/** The W3C WebDriver protocol, as far as it is needed. */
class WebDriver {
  readonly #base: string;
  #session = '';

  constructor(port: number) {
    this.#base = `http://127.0.0.1:${String(port)}`;
  }

  async #ask(method: 'GET' | 'POST' | 'DELETE', path: string, body?: object): Promise<unknown> {
    const init = body === undefined ? { method } : { method, body: JSON.stringify(body) };
    const answer = (await (await fetch(`${this.#base}${path}`, init)).json()) as { value: unknown };
    const { error, message } = (answer.value ?? {}) as { error?: string; message?: string };
    if (error !== undefined) throw new Error(`WebDriver: ${error}: ${message ?? ''}`);
    return answer.value;
  }

  /** @param binary of the small browser that comes with the system's WebKit */
  async begin(binary: string): Promise<void> {
    for (let i = 0; ; i++) {
      try {
        const capabilities = { alwaysMatch: { 'webkitgtk:browserOptions': { binary, args: ['--automation'] } } };
        const { sessionId } = (await this.#ask('POST', '/session', { capabilities })) as { sessionId: string };
        this.#session = `/session/${sessionId}`;
        return;
      } catch (error) {
        // The driver takes a while to listen.
        if (i > 100) throw error;
        await new Promise((done) => setTimeout(done, 200));
      }
    }
  }

  async open(url: string): Promise<void> {
    await this.#ask('POST', `${this.#session}/timeouts`, { script: 110_000 });
    await this.#ask('POST', `${this.#session}/url`, { url });
  }

  evaluate(script: string): Promise<unknown> {
    const asked = `const done = arguments[0]; Promise.resolve(${script}).then(done, (error) => done(String(error)))`;
    return this.#ask('POST', `${this.#session}/execute/async`, { script: asked, args: [] });
  }

  async act(source: object): Promise<void> {
    await this.#ask('POST', `${this.#session}/actions`, { actions: [source] });
  }

  async end(): Promise<void> {
    await this.#ask('DELETE', this.#session);
  }
}

describe('WebKit', () => {
  const children: ChildProcess[] = [];
  let driver: WebDriver;
  let hand: Hand;

  const start = (variable: string, args: readonly string[], display: string): ChildProcess => {
    const child = spawn(process.env[variable] ?? '', args, {
      env: { ...process.env, DISPLAY: display, WEBKIT_DISABLE_COMPOSITING_MODE: '1' },
      stdio: ['ignore', 'pipe', 'ignore'],
    });
    children.push(child);
    return child;
  };

  beforeAll(async () => {
    // The display takes a number that is free, and tells which.
    const server = start(
      'ZESTY_KITE_DISPLAY',
      ['-displayfd', '1', '-screen', '0', '1024x768x24', '-nolisten', 'tcp'],
      '',
    );
    const number = await new Promise<string>((done) =>
      server.stdout?.once('data', (data: Buffer) => done(data.toString().trim())),
    );
    const port = 20_000 + (process.pid % 20_000);
    start('ZESTY_KITE_WEBKIT_DRIVER', [`--port=${String(port)}`], `:${number}`);
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
    for (const child of children.reverse()) child.kill();
  });

  test('G6: all demo sessions play to the digests of Node', () => playsAll(hand), 120_000);
  test('the real wheel, a drag, keys and an edge steer', () => steers(hand), 120_000);
});
