/** The panel over other pages: a camera in a worker, React in strict mode, no bundler under a strict policy, a page of its own style. */
import { createServer } from 'node:http';
import { readFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { Game } from './game.ts';
import { chromium, click, fill, until, using, type Hands } from './hands.ts';

const INTO_WORKER = `import { RemoteCamera } from 'zesty-kite/worker';
import { openPanel } from 'zesty-kite-panel';
import settings from './camera.json';
const worker = new Worker(new URL('./worker.js', import.meta.url), { type: 'module' });
worker.addEventListener('message', ({ data }) => { if ('halfLife' in data) window.inWorker = data.halfLife; });
const camera = new RemoteCamera(worker, settings);
const panel = openPanel(camera, { settings });
Object.assign(window, { camera, panel });
`;
const WORKER = `import { Camera } from 'zesty-kite';
import { receiveSignals } from 'zesty-kite/worker';
import settings from './camera.json';
const camera = new Camera(settings, { screen: { width: 800, height: 600 } });
receiveSignals(self, camera);
const draw = (time) => {
  camera.advance(time);
  self.postMessage({ halfLife: camera.settings.zoom.halfLife });
  requestAnimationFrame(draw);
};
requestAnimationFrame(draw);
`;
const REACT = `import { StrictMode, createElement, useEffect, useState } from 'react';
import { createRoot } from 'react-dom/client';
import { Camera } from 'zesty-kite';
import { openPanel } from 'zesty-kite-panel';
import settings from './camera.json';
const camera = new Camera(settings, { screen: { width: 800, height: 600 } });
function App() {
  const [isTuning, tune] = useState(true);
  useEffect(() => {
    if (!isTuning) return undefined;
    const panel = openPanel(camera, { settings });
    Object.assign(window, { panel });
    return () => panel.close();
  }, [isTuning]);
  return createElement('button', { onClick: () => tune(!isTuning) }, 'tune');
}
createRoot(document.querySelector('main')).render(createElement(StrictMode, null, createElement(App)));
Object.assign(window, { camera });
const draw = (time) => { camera.advance(time); requestAnimationFrame(draw); };
requestAnimationFrame(draw);
`;

const games = {
  worker: new Game({ 'src/main.js': INTO_WORKER, 'src/worker.js': WORKER }),
  react: new Game({ 'src/main.js': REACT }),
};
beforeAll(async () => {
  await Promise.all(Object.values(games).map((game) => game.serve()));
}, 60_000);
afterAll(() => {
  for (const game of Object.values(games)) game.remove();
});

async function tuned(hands: Hands): Promise<void> {
  await until(hands, 'window.panel');
  await hands.evaluate(`(window.heard = '', addEventListener('keydown', ({ key }) => (heard += key)))`);
  await fill(hands, 'Search the settings', 'zoom halfLife');
  await fill(hands, 'zoom halfLife', '0.33');
  await until(hands, 'camera.settings.zoom.halfLife === 0.33');
  // What is typed into the panel is not a key of the game.
  await expect(hands.evaluate('heard')).resolves.toBe('');
}

test('a camera in a worker is tuned there', async () => {
  const said: string[] = [];
  await using(chromium(games.worker.address, said), async (hands) => {
    await tuned(hands);
    await until(hands, 'window.inWorker === 0.33');
    expect(said).toEqual([]);
  });
});

test('in React, strict mode and an effect that ends leave one panel, then none', async () => {
  const said: string[] = [];
  await using(chromium(games.react.address, said), async (hands) => {
    await tuned(hands);
    const panels = `document.querySelectorAll('zesty-kite-panel').length`;
    await expect(hands.evaluate(panels)).resolves.toBe(1);
    await hands.evaluate(`document.querySelector('button').click()`);
    await until(hands, `${panels} === 0`);
    await hands.press('Backslash');
    expect(said).toEqual([]);
  });
});

test('without a bundler, under a strict policy, in a page whose own style would break it', async () => {
  const packages = new URL('../../', import.meta.url);
  const page = `<!doctype html><html lang="en"><head><title>A game</title><link rel="icon" href="data:," /><link rel="stylesheet" href="/style.css" /></head>
    <body><canvas width="800" height="600"></canvas><script type="module" src="/main.js"></script></body></html>`;
  const main = `import { Camera } from '/zesty-kite/dist/index.js';
    import { openPanel } from '/zesty-kite-panel/dist/standalone/index.js';
    const settings = { start: { span: 100 } };
    const camera = new Camera(settings, { screen: { width: 800, height: 600 } });
    const draw = (time) => { camera.advance(time); requestAnimationFrame(draw); };
    requestAnimationFrame(draw);
    Object.assign(window, { camera, panel: openPanel(camera, { settings, file: 'camera.json' }) });`;
  const texts: Record<string, [string, string]> = {
    '/': [page, 'text/html'],
    '/main.js': [main, 'text/javascript'],
    '/style.css': [
      '* { font-size: 40px !important; color: red; box-sizing: content-box } button, input { position: absolute; width: 900px }',
      'text/css',
    ],
  };
  const server = createServer(({ url = '/' }, response) => {
    const [text, type] = texts[url] ?? [readFileSync(new URL(`.${url}`, packages), 'utf8'), 'text/javascript'];
    const policy = "default-src 'none'; script-src 'self'; style-src 'self'; img-src data:";
    response.writeHead(200, { 'content-type': type, 'content-security-policy': policy }).end(text);
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const said: string[] = [];
  await using(chromium(`http://127.0.0.1:${String((server.address() as AddressInfo).port)}/`, said), async (hands) => {
    await tuned(hands);
    // Inside of the shadow root the style of the page does not count.
    const style = `getComputedStyle(panel.element.shadowRoot.querySelector('button'))`;
    await expect(hands.evaluate(`[${style}.fontSize, ${style}.position].join()`)).resolves.toBe('12px,static');
    // Without the plug-in it is a download, a text or a file of the browser's dialog.
    await click(hands, 'Copy JSON');
    await expect(hands.evaluate('Object.keys(panel.settings).join()')).resolves.toBe('start,zoom');
    // A take of a camera from another copy of the library.
    await click(hands, 'Compare');
    await click(hands, 'Record a take');
    await hands.evaluate('camera.zoom({ notches: 3 })');
    await until(hands, 'camera.settled');
    await click(hands, 'Stop recording');
    await click(hands, 'Play');
    expect(said).toEqual([]);
  }).finally(() => server.close());
});
