/** Tiles twice as wide as high on a 2D canvas: whole steps of zoom, quarter turns with Q and E, and what is under the pointer. */
import { Camera, tiles, visibleTiles, type Settings } from 'zesty-kite';
import { createDrawing } from 'zesty-kite/canvas';
import { listen } from 'zesty-kite/dom';
import file from './camera.json';

const SIDE = 16;
const MAP = { columns: 64, rows: 48 };
const canvas = document.querySelector('canvas')!;
const context = canvas.getContext('2d')!;
const drawing = createDrawing(context);
const settings = [tiles({ width: 64, height: 32, side: SIDE }), file as Settings];
const camera = new Camera(settings);
let pointer: { readonly x: number; readonly y: number } | null = null;

function draw(time: number): void {
  const view = drawing.begin(camera.advance(time));
  // World units from here on.
  const under = pointer && view.toGround(pointer.x, pointer.y);
  for (const { column, row } of visibleTiles(view, SIDE, MAP)) {
    context.fillStyle = (column + row) % 2 === 0 ? '#a9c765' : '#8fb656';
    if (under && Math.floor(under.x / SIDE) === column && Math.floor(under.y / SIDE) === row)
      context.fillStyle = '#f6d743';
    context.fillRect(column * SIDE, row * SIDE, SIDE + drawing.pixel, SIDE + drawing.pixel); // no hairlines between tiles
  }
  // A barge that goes along a row of tiles.
  context.fillStyle = '#f26b3a';
  context.fillRect(((time / 40) % (MAP.columns * SIDE)) - 12, 24.5 * SIDE - 4, 24, 8);
  requestAnimationFrame(draw);
}

listen(canvas, camera);
canvas.addEventListener('pointermove', ({ offsetX, offsetY }) => {
  pointer = { x: offsetX, y: offsetY };
});
requestAnimationFrame(draw);

// The panel tunes the camera and saves camera.json. A build leaves it out.
if (import.meta.env.DEV) {
  const { openPanel } = await import('zesty-kite-panel');
  openPanel(camera, { settings, folded: true });
}
