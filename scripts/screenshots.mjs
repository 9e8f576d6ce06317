/** Takes the pictures of docs/screenshots/ from the demo data. `npm run screenshots` */
import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync } from 'node:fs';
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
await page.waitForFunction(() => document.querySelector('canvas')?.dataset.ground === 'fine');
await page.mouse.move(700, 260);
await page.waitForTimeout(300);
await take('straight-down');
for (let notch = 0; notch < 9; notch++) await page.mouse.wheel(0, -100);
await page.waitForTimeout(2500);
await take('straight-down-near');

const open = async (name) => {
  await page.goto(`${server.resolvedUrls.local[0]}${name}/`);
  await page.waitForFunction(() => document.querySelector('canvas')?.dataset.ground === 'fine');
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
await page.click('#overlay');
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
// By software the picture is sharp once the camera rests.
await page.waitForFunction(() => globalThis.lemonStrait.camera.settled);
await page.waitForTimeout(600);
await take('overlay');
await page.mouse.up();
await page.keyboard.up('Alt');

await page.setViewportSize({ width: 900, height: 360 });
await page.route('**/library/**', (route) =>
  route.fulfill({
    contentType: 'text/javascript',
    path: `${root}packages/zesty-kite/dist/${route.request().url().split('/library/')[1]}`,
  }),
);
await page.route('**/axes.html', (route) => route.fulfill({ contentType: 'text/html', body: axes() }));
await page.goto(`${server.resolvedUrls.local[0]}axes.html`);
await page.waitForFunction(() => document.title === 'drawn');
await take('tile-axes');

const DATA = 'data/lemon-strait/';
const session = `${DATA}sessions/crossing.ndjson`;
const zestyKite = (...args) =>
  execFileSync(process.execPath, ['packages/zesty-kite-cli/bin/zesty-kite.js', ...args], {
    cwd: root,
    encoding: 'utf8',
  });
for (const [name, height, args] of [
  ['replay', 300, ['replay', session, '--rates', '30,60,144']],
  ['explain', 500, ['explain', `${DATA}settings/over-the-hills.json`, '--tile', '16']],
  ['feel', 510, ['feel', session]],
]) {
  await page.setViewportSize({ width: 900, height });
  await page.setContent(terminal(`$ npx zesty-kite-cli ${args.join(' ')}\n${zestyKite(...args)}`));
  await take(name);
}
zestyKite('chart', session, '--to', 'docs/screenshots/chart.png', '--force');
say('docs/screenshots/chart.png');
const both = ['straight-down', 'over-the-hills'].map((name) => `${DATA}settings/${name}.json`);
zestyKite('compare', ...both, '--picture', 'docs/screenshots/compare.png', '--force');
say('docs/screenshots/compare.png');

/** The small pages count their frames on the body. */
const openSmall = async (name) => {
  await page.goto(`${server.resolvedUrls.local[0]}${name}/`);
  await page.waitForFunction(() => Number(document.body.dataset.frames) > 1);
};
await page.setViewportSize({ width: 1280, height: 800 });
await openSmall('a-chart-of-labels');
await page.waitForFunction(() => document.querySelector('#map').dataset.ground === 'fine');
await take('a-chart-of-labels');
await openSmall('build-in-pixi');
await page.mouse.move(600, 330);
await page.waitForTimeout(500);
await take('build-in-pixi');
await openSmall('workbench');
await page.locator('summary', { hasText: /^\s*pitch/ }).click();
await page.getByLabel('pitch halfLife', { exact: true }).fill('0.2');
await page.keyboard.press('Enter');
await page.locator('[data-path="pitch.degrees"] svg').dblclick({ position: { x: 170, y: 60 } });
await page.mouse.move(640, 420);
for (let notch = 0; notch < 4; notch++) await page.mouse.wheel(0, -100);
await page.waitForTimeout(2500);
await page.locator('.body').evaluate((body) => body.scrollTo(0, 80));
await page.waitForTimeout(300);
await take('workbench');
await openSmall('workbench');
await page.getByRole('button', { name: 'Version 2', exact: true }).click();
await page.getByLabel('Feel').selectOption('floating');
await page.getByRole('tab', { name: 'Compare' }).click();
await page.getByRole('button', { name: 'Record a take' }).click();
await page.mouse.move(500, 300);
for (let notch = 0; notch < 5; notch++) await page.mouse.wheel(0, -100);
await page.waitForTimeout(900);
await page.keyboard.down('KeyD');
await page.waitForTimeout(900);
await page.keyboard.up('KeyD');
await page.waitForTimeout(600);
await page.getByRole('button', { name: 'Stop recording' }).click();
await page.keyboard.press('Backslash');
await page.getByLabel('Time in the take').fill('1300');
await page.waitForTimeout(1500);
await take('two-versions');
await page.goto(`${server.resolvedUrls.local[0]}beside-the-game/`);
await page.waitForFunction(() => globalThis.cameras?.[0].view.width === globalThis.innerWidth);
await page.click('#ask');
await page.getByLabel('Zoom smoothing', { exact: true }).fill('70');
await page.waitForTimeout(400);
await take('player-dialog');

// The pictures of the landing page.
await page.setViewportSize({ width: 960, height: 600 });
for (const name of readdirSync(`${root}examples`).filter(
  (entry) => existsSync(`${root}examples/${entry}/index.html`) && !['dist', 'raw-webgpu'].includes(entry),
)) {
  await page.goto(`${server.resolvedUrls.local[0]}${name}/`);
  await page.waitForTimeout(3000);
  await page.addStyleTag({ content: '.intro, .tools, .readout, .bench { display: none }' });
  const picture = await page.screenshot();
  await page.setContent(
    `<body style="margin: 0"><img width="320" height="200" src="data:image/png;base64,${picture.toString('base64')}">`,
  );
  await page.screenshot({
    path: `${root}examples/pictures/${name}.png`,
    clip: { x: 0, y: 0, width: 320, height: 200 },
  });
  say(`examples/pictures/${name}.png`);
}

await browser.close();
await server.close();

/** Which way the axes of tiles point, by the preset's option. */
function axes() {
  return `<!doctype html><meta charset="utf-8"><style>
    body { display: flex; margin: 0; background: #0b2f38; color: #fbf3e3; font: 15px 'DejaVu Sans', sans-serif }
    figure { margin: 0; width: 450px; text-align: center }
    canvas { width: 450px; height: 310px }
  </style>
  <figure><canvas></canvas>tiles({ …, xToward: 'upper-right' }), the default</figure>
  <figure><canvas></canvas>tiles({ …, xToward: 'lower-right' })</figure>
  <script type="module">
    import { Camera, tiles, visibleTiles } from './library/index.js';
    import { createDrawing } from './library/canvas.js';
    const [left, right] = document.querySelectorAll('canvas');
    for (const [canvas, xToward] of [[left, 'upper-right'], [right, 'lower-right']]) {
      const art = tiles({ width: 88, height: 44, side: 16, scales: [1], xToward });
      const camera = new Camera([art, { start: { x: 32, y: 32 } }], { screen: { width: 450, height: 310, density: 1 } });
      const context = canvas.getContext('2d');
      const drawing = createDrawing(context);
      const view = drawing.begin(camera.advance(0));
      for (const { column, row } of visibleTiles(view, 16, { columns: 4, rows: 4 })) {
        context.fillStyle = (column + row) % 2 === 0 ? '#a9c765' : '#8fb656';
        context.fillRect(16 * column, 16 * row, 16, 16);
      }
      drawing.inPixels();
      context.font = 'bold 16px DejaVu Sans, sans-serif';
      context.lineWidth = 4;
      context.textAlign = 'center';
      context.textBaseline = 'middle';
      const origin = view.toScreen(0, 0);
      for (const [name, x, y, colour] of [['x', 68, 0, '#f6d743'], ['y', 0, 68, '#f26b3a']]) {
        const end = view.toScreen(x, y);
        const tip = view.toScreen(1.13 * x, 1.13 * y);
        context.strokeStyle = context.fillStyle = colour;
        context.beginPath();
        context.moveTo(origin.x, origin.y);
        context.lineTo(end.x, end.y);
        context.stroke();
        context.fillText(name, tip.x, tip.y);
      }
      context.fillStyle = '#fbf3e3';
      for (let column = 0; column < 4; column++)
        for (let row = 0; row < 4; row++) {
          const at = view.toScreen(16 * column + 8, 16 * row + 8);
          context.font = '12px DejaVu Sans, sans-serif';
          context.fillStyle = '#20323a';
          context.fillText(column + ', ' + row, at.x, at.y);
        }
    }
    document.title = 'drawn';
  </script>`;
}

/** Text as a terminal shows it. */
function terminal(text) {
  const escaped = text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');
  return `<!doctype html><meta charset="utf-8"><style>
    body { margin: 0; padding: 20px 24px; background: #0b2f38; color: #fbf3e3 }
    pre { margin: 0; font: 15px/1.6 'DejaVu Sans Mono', monospace }
  </style><pre>${escaped}</pre>`;
}
