/** The panel over Lemon Strait: steer, look, change a number, again. Files that are dropped replace the map or the settings. */
import { decode } from 'fast-png';
import {
  Camera,
  mergeSettings,
  straightDown,
  terrainOfGrid,
  tilted,
  tiles,
  type Settings,
  type Terrain,
} from 'zesty-kite';
import { listen } from 'zesty-kite/dom';
import { createOverlay } from 'zesty-kite/overlay';
import { polygons } from 'zesty-kite/polygons';
import { openPanel } from 'zesty-kite-panel';
import { loadGround } from '../lemon-strait/ground.ts';
import { meshOf } from '../lemon-strait/mesh.ts';
import { element } from '../lemon-strait/page.ts';
import { createPainter } from '../lemon-strait/painter.ts';

/** One of so many samples of the ground is drawn: quick on any machine. */
const COARSE = 4;
const MAP: Settings = {
  // Drawn hills are never clipped, over flat ground neither.
  ground: { lowest: -6, highest: 60 },
  bounds: { left: 0, top: 0, right: 1024, bottom: 768, keep: 'focus' },
  start: { x: 512, y: 384, span: 300 },
};
const LOOKS: Readonly<Record<string, Settings>> = {
  'over the hills': mergeSettings(tilted(), MAP, { zoom: { minSpan: 40, maxSpan: 700 }, lens: { fieldOfView: 40 } }),
  'straight down': mergeSettings(straightDown(), { zoom: { minSpan: 24, maxSpan: 768 } }, MAP),
  'two to one': mergeSettings(tiles({ width: 64, height: 32, side: 8 }), MAP),
};
const HILLY = 'over the hills';

const ground = await loadGround();
const canvas = element('map', HTMLCanvasElement);
const painter = createPainter(canvas);
painter.setMesh(meshOf(ground, COARSE));

const asked = new URLSearchParams(location.search).get('look') ?? HILLY;
const look = asked in LOOKS ? asked : HILLY;
const layers = [LOOKS[look] ?? {}, settingsOfAddress()];
const terrain = look === HILLY ? ground.terrain : null;
const camera = new Camera(layers, { terrain, shapes: [polygons] });
const listening = listen(canvas, camera, { panels: '.panel, zesty-kite-panel', pinchKey: 'Alt' });
const overlay = createOverlay(camera, listening);
const panel = openPanel(camera, {
  settings: layers,
  file: 'camera.json',
  map: canvas,
  sideBySide: true,
  folded: innerWidth < 700,
  changed: (settings) => {
    history.replaceState(null, '', `${location.search}#${encodeURIComponent(JSON.stringify(settings))}`);
  },
});

const looks = element('look', HTMLSelectElement);
looks.replaceChildren(...Object.keys(LOOKS).map((name) => new Option(name, name, false, name === look)));
looks.addEventListener('change', () => {
  location.assign(`?look=${encodeURIComponent(looks.value)}`);
});
element('overlay', HTMLInputElement).addEventListener('change', () => {
  overlay.toggle();
});

/** The settings in the address. */
function settingsOfAddress(): Settings {
  try {
    const settings = JSON.parse(decodeURIComponent(location.hash.slice(1))) as Settings;
    new Camera([LOOKS[look] ?? {}, settings], { shapes: [polygons] });
    return settings;
  } catch {
    return {};
  }
}

function draw(time: number): void {
  camera.advance(time);
  painter.draw(panel.views);
  document.body.dataset['frames'] = String(Number(document.body.dataset['frames'] ?? 0) + 1);
  requestAnimationFrame(draw);
}

/** Settings, a cutscene, a session, a map image, or a height image with 16 bits. */
async function open(file: File): Promise<void> {
  if (/\.(nd)?json$/.test(file.name)) {
    await panel.open(file);
    return;
  }
  const bytes = new Uint8Array(await file.arrayBuffer());
  const isPng = bytes[0] === 0x89 && bytes[1] === 0x50;
  const picture = isPng ? decode(bytes) : null;
  if (picture?.depth !== 16 || picture.channels !== 1) {
    painter.setImage(await createImageBitmap(file), ground.width, ground.height);
    return;
  }
  const step = ground.width / (picture.width - 1);
  const heights = Float64Array.from(picture.data, (value) => -6 + (value / 65535) * 66);
  const dropped = terrainOfGrid({ id: file.name, columns: picture.width, rows: picture.height, step, heights });
  painter.setMesh(meshOf({ ...ground, sample: sampleOf(dropped), terrain: dropped }, COARSE));
  if (look === HILLY) camera.changeTerrain(dropped);
}

function sampleOf(heights: Terrain): (column: number, row: number) => number {
  return (column, row) => heights.heightAt(column * ground.step, row * ground.step);
}

const message = element('message', HTMLParagraphElement);
addEventListener('dragover', (event) => {
  event.preventDefault();
});
addEventListener('drop', (event) => {
  event.preventDefault();
  message.textContent = '';
  for (const file of event.dataTransfer?.files ?? [])
    open(file).catch((error: unknown) => {
      message.textContent = `${file.name}: ${error instanceof Error ? error.message : String(error)}`;
    });
});
Object.assign(globalThis, { cameras: [camera], panel, openFile: open });
requestAnimationFrame(draw);
