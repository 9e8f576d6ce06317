/** A small game in a project of its own, served by Vite. */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const WORKSPACE = new URL('../../../', import.meta.url).pathname;

export const SETTINGS = `{
  // How it feels.
  "zoom": { "halfLife": 0.12 }, /* soft */
  "pitch": {
    "degrees": [[60, 40], [600, 70]]
  },
  "start": { "x": 512, "y": 384, "span": 400 }
}
`;

const FILES: Readonly<Record<string, string>> = {
  'index.html': `<!doctype html>
<html lang="en">
  <head><title>A game</title><link rel="icon" href="data:," />
  <style>body { margin: 0 } canvas { display: block; width: 100vw; height: 100vh }</style></head>
  <body><main><h1 hidden>A game</h1><canvas aria-label="The map"></canvas></main><script type="module" src="./src/main.js"></script></body>
</html>
`,
  'vite.config.js': `import { settingsFile } from 'zesty-kite-panel/vite';
export default { cacheDir: '.vite', plugins: [settingsFile({ file: 'src/camera.json' })] };
`,
  'package.json': '{ "private": true, "type": "module" }\n',
  'src/camera.json': SETTINGS,
  'src/main.js': `import { Camera, tilted, visibleTiles } from 'zesty-kite';
import { createDrawing } from 'zesty-kite/canvas';
import { listen } from 'zesty-kite/dom';
import { polygons } from 'zesty-kite/polygons';
import { openPanel } from 'zesty-kite-panel';
import settings from './camera.json';

const canvas = document.querySelector('canvas');
const map = { bounds: { left: 0, top: 0, right: 1024, bottom: 768, keep: 'focus' }, lens: { fieldOfView: null } };
const layers = [tilted(), map, settings];
const camera = new Camera(layers, { shapes: [polygons] });
const context = canvas.getContext('2d');
const drawing = createDrawing(context);
function draw(time) {
  const view = drawing.begin(camera.advance(time));
  for (const { column, row } of visibleTiles(view, 64, { columns: 16, rows: 12 })) {
    context.fillStyle = (column + row) % 2 === 0 ? '#a9c765' : '#8fb656';
    context.fillRect(column * 64, row * 64, 64 + drawing.pixel, 64 + drawing.pixel);
  }
  requestAnimationFrame(draw);
}
listen(canvas, camera);
requestAnimationFrame(draw);
const panel = openPanel(camera, { settings: layers, folded: true });
Object.assign(window, { camera, panel, loadedAt: Math.random() });
`,
};

export class Game {
  readonly folder: string;
  address = '';
  #server: ChildProcess | null = null;

  /** @param files further files, or others in place of those of the game */
  constructor(files: Readonly<Record<string, string>> = {}) {
    this.folder = mkdtempSync(join(tmpdir(), 'zesty-kite-game-'));
    mkdirSync(join(this.folder, 'src'));
    symlinkSync(join(WORKSPACE, 'node_modules'), join(this.folder, 'node_modules'));
    for (const [name, text] of Object.entries({ ...FILES, ...files })) this.write(name, text);
  }

  path(name: string): string {
    return join(this.folder, name);
  }

  read(name: string): string {
    return readFileSync(this.path(name), 'utf8');
  }

  write(name: string, text: string): void {
    writeFileSync(this.path(name), text);
  }

  /** Starts Vite on a free port of this machine. */
  async serve(): Promise<void> {
    const vite = join(WORKSPACE, 'node_modules/vite/bin/vite.js');
    const server = spawn(process.execPath, [vite, '--host', '127.0.0.1', '--port', '0'], {
      cwd: this.folder,
      env: { ...process.env, NODE_ENV: 'development', NO_COLOR: '1' },
    });
    this.#server = server;
    let said = '';
    this.address = await new Promise((resolve, reject) => {
      const hear = (data: Buffer): void => {
        said += data.toString();
        const [address] = /http:\/\/127\.0\.0\.1:\d+\//.exec(said) ?? [];
        if (address !== undefined) resolve(address);
      };
      server.stdout.on('data', hear);
      server.stderr.on('data', hear);
      server.once('exit', () => {
        reject(new Error(`Vite has ended: ${said}`));
      });
    });
  }

  remove(): void {
    this.#server?.kill();
    rmSync(this.folder, { recursive: true });
  }
}
