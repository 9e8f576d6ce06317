/**
 * The cost of each example page: bytes over the wire, the time to its first frame, and the camera's share of script
 * time while it is steered. `npm run bench:pages` prints it, and keeps it for `npm run figures`.
 */
import { writeFileSync } from 'node:fs';
import { chromium } from 'playwright-core';
import prettier from 'prettier';
import { build, preview } from 'vite';
import { browser as findBrowser } from '../scripts/setup/browser.mjs';
import { root } from '../scripts/setup/run.mjs';

const PAGES = [
  'straight-down',
  'two-to-one',
  'over-the-hills',
  'off-the-page',
  'a-chart-of-labels',
  'fingers',
  'two-players',
  'beside-the-game',
  'build-in-pixi',
  'raw-webgl',
  'workbench',
];
const STEERED_MS = 3000;

const serve = (outDir) =>
  preview({
    root: `${root}examples`,
    build: { outDir },
    preview: { host: '127.0.0.1', port: 0 },
    logLevel: 'error',
  });
const executablePath = findBrowser();
const args = ['--no-sandbox', '--disable-background-networking'];
const open = async (browser, width = 1280, height = 800) => {
  const context = await browser.newContext({ viewport: { width, height } });
  const page = await context.newPage();
  await page.addInitScript(() => {
    new globalThis.MutationObserver((_, observer) => {
      const canvas = document.querySelector('canvas');
      if (Number(document.body?.dataset.frames ?? canvas?.dataset.frames) > 0) {
        globalThis.firstFrame = globalThis.performance.now();
        observer.disconnect();
      }
    }).observe(document, { subtree: true, attributes: true, attributeFilter: ['data-frames'] });
  });
  return { context, page, client: await context.newCDPSession(page) };
};
const drawn = (page) => page.waitForFunction(() => globalThis.firstFrame !== undefined);

// Bytes and first frames, of the pages as they are shipped: the median of five visitors who have nothing of them yet.
const VISITS = 5;
const shipped = await serve('dist');
const visited = await chromium.launch({ executablePath, args });
await (await visited.newPage()).goto(shipped.resolvedUrls.local[0]);
const costs = new Map();
for (const name of PAGES) {
  const firsts = [];
  let bytes = 0;
  for (let visit = 0; visit < VISITS; visit++) {
    const { context, page, client } = await open(visited);
    await client.send('Network.enable');
    bytes = 0;
    client.on('Network.loadingFinished', ({ encodedDataLength }) => {
      bytes += encodedDataLength;
    });
    await page.goto(`${shipped.resolvedUrls.local[0]}${name}/`);
    await drawn(page);
    firsts.push(await page.evaluate(() => globalThis.firstFrame));
    // Later requests do not count.
    await page.waitForTimeout(1000);
    await page.waitForLoadState('networkidle');
    await context.close();
  }
  costs.set(name, { bytes, first: firsts.sort((a, b) => a - b)[VISITS >> 1] });
}
await visited.close();
await shipped.close();

// The library in a file of its own, so that a profile shows it apart from the page.
const outDir = `${root}.cache/pages`;
for (const mode of ['production', 'worker'])
  await build({
    root: `${root}examples`,
    mode,
    logLevel: 'error',
    build: {
      outDir,
      rolldownOptions: {
        output: {
          codeSplitting: { groups: [{ name: 'the-library', test: /packages\/zesty-kite\/dist/, priority: 1 }] },
        },
      },
    },
  });
const apart = await serve(outDir);
const browser = await chromium.launch({ executablePath, args });
const rows = [];
console.log('page                 transferred   first frame   the library’s share of script time while steered');
for (const name of PAGES) {
  const { context, page, client } = await open(browser);
  await page.goto(`${apart.resolvedUrls.local[0]}${name}/`);
  await drawn(page);
  await page.waitForTimeout(1500);
  await client.send('Profiler.enable');
  await client.send('Profiler.setSamplingInterval', { interval: 200 });
  await page.mouse.move(640, 400);
  await client.send('Profiler.start');
  await page.keyboard.down('KeyD');
  for (const until = Date.now() + STEERED_MS; Date.now() < until; ) {
    await page.mouse.wheel(0, -60);
    await page.waitForTimeout(200);
    await page.mouse.wheel(0, 60);
    await page.waitForTimeout(200);
  }
  await page.keyboard.up('KeyD');
  const { profile } = await client.send('Profiler.stop');
  const nodes = new Map(profile.nodes.map((node) => [node.id, node.callFrame]));
  let [library, script] = [0, 0];
  profile.samples.forEach((id, i) => {
    const { url, functionName } = nodes.get(id);
    const isEngine = ['(idle)', '(program)', '(root)', '(garbage collector)'].includes(functionName);
    if (isEngine) return;
    script += profile.timeDeltas[i];
    if (url.includes('the-library')) library += profile.timeDeltas[i];
  });
  const { bytes, first } = costs.get(name);
  const cells = [
    `${(bytes / 1000).toFixed(0)} kB`,
    `${first.toFixed(0)} ms`,
    `${((100 * library) / script).toFixed(0)} %`,
  ];
  rows.push([name, ...cells]);
  console.log(`${name.padEnd(20)} ${cells[0].padStart(11)} ${cells[1].padStart(13)} ${cells[2].padStart(10)}`);
  await context.close();
}
await browser.close();
await apart.close();
writeFileSync(
  new URL('pages.json', import.meta.url),
  await prettier.format(JSON.stringify(rows), { parser: 'json', printWidth: 120 }),
);
