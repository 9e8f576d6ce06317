/** Takes the pictures of docs/screenshots/ from the demo data. `npm run screenshots` */
import { execFileSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { chromium } from 'playwright-core';
import { preview } from 'vite';
import { browser as findBrowser } from './setup/browser.mjs';
import { root, run, say } from './setup/run.mjs';

const FOLDER = `${root}docs/screenshots/`;

run(process.execPath, ['scripts/build.mjs']);
mkdirSync(FOLDER, { recursive: true });
const server = await preview({ root: `${root}examples`, preview: { host: '127.0.0.1', port: 0 }, logLevel: 'error' });
const browser = await chromium.launch({
  executablePath: findBrowser(),
  args: ['--no-sandbox', '--disable-background-networking', '--force-color-profile=srgb', '--font-render-hinting=none'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });

const take = async (name) => {
  await page.screenshot({ path: `${FOLDER}${name}.png` });
  say(`docs/screenshots/${name}.png`);
};

await page.goto(`${server.resolvedUrls.local[0]}straight-down/`);
await page.waitForFunction(() => Number(document.querySelector('canvas')?.dataset.frames) > 2);
await page.mouse.move(700, 260);
await page.waitForTimeout(300);
await take('straight-down');
for (let notch = 0; notch < 9; notch++) await page.mouse.wheel(0, -100);
await page.waitForTimeout(2500);
await take('straight-down-near');

const open = async (name) => {
  await page.goto(`${server.resolvedUrls.local[0]}${name}/`);
  await page.waitForFunction(() => Number(document.querySelector('canvas')?.dataset.frames) > 2);
};

await open('two-to-one');
await page.mouse.move(640, 420);
for (let notch = 0; notch < 2; notch++) await page.mouse.wheel(0, -100);
await page.waitForTimeout(2500);
await take('two-to-one');

await open('over-the-hills');
await page.mouse.move(560, 430);
await page.waitForTimeout(600);
await take('over-the-hills');
await page.click('#barges');
await page.mouse.move(580, 400);
await page.mouse.down();
await page.mouse.move(700, 500, { steps: 4 });
await page.mouse.up();
await page.keyboard.down('Shift');
await page.mouse.move(150, 300);
await page.mouse.down();
await page.mouse.move(460, 610, { steps: 4 });
await page.mouse.up();
await page.mouse.move(120, 320);
await page.mouse.down();
await page.mouse.move(480, 620, { steps: 4 });
await page.waitForTimeout(600);
await take('selection');
await page.mouse.up();
await page.keyboard.up('Shift');
await page.mouse.move(690, 150);
for (let notch = 0; notch < 11; notch++) await page.mouse.wheel(0, -100);
await page.keyboard.press('KeyE');
await page.waitForTimeout(4000);
await take('over-the-hills-near');

await open('over-the-hills');
await page.click('#barges');
await page.click('#workings');
await page.evaluate(() => {
  const { camera } = globalThis.lemonStrait;
  camera.change({ safeFrame: { left: 120, halfLife: 0 }, edge: {} });
  camera.place({ x: 520, y: 420, span: 460, heading: 20 });
});
await page.mouse.move(690, 420);
await page.keyboard.down('Alt');
await page.mouse.move(850, 330);
await page.mouse.down();
await page.mouse.move(930, 380, { steps: 12 });
await page.waitForTimeout(600);
await take('overlay');
await page.mouse.up();
await page.keyboard.up('Alt');

const session = 'data/lemon-strait/sessions/crossing.ndjson';
const printed = execFileSync(process.execPath, ['packages/zesty-kite-cli/bin/zesty-kite.js', 'replay', session], {
  cwd: root,
  encoding: 'utf8',
});
await page.setViewportSize({ width: 760, height: 300 });
await page.setContent(terminal(`$ npx zesty-kite replay ${session}\n${printed}`));
await take('replay');

await browser.close();
await server.close();

/** Text as a terminal shows it. */
function terminal(text) {
  const escaped = text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');
  return `<!doctype html><meta charset="utf-8"><style>
    body { margin: 0; padding: 20px 24px; background: #0b2f38; color: #fbf3e3 }
    pre { margin: 0; font: 15px/1.6 'DejaVu Sans Mono', monospace }
  </style><pre>${escaped}</pre>`;
}
