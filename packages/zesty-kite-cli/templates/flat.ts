/** A flat map on a 2D canvas: keys, edges, a drag with the right button, fingers, and the wheel that zooms to the cursor. */
import { Camera, type Settings } from 'zesty-kite';
import { createDrawing } from 'zesty-kite/canvas';
import { listen } from 'zesty-kite/dom';
import file from './camera.json';

const canvas = document.querySelector('canvas')!;
const context = canvas.getContext('2d')!;
const drawing = createDrawing(context);
const settings = file as Settings;
const camera = new Camera(settings);

function draw(time: number): void {
  drawing.begin(camera.advance(time));
  // World units from here on.
  for (let x = 0; x < 1024; x += 64)
    for (let y = 0; y < 768; y += 64) {
      context.fillStyle = (x + y) % 128 === 0 ? '#a9c765' : '#8fb656';
      context.fillRect(x, y, 64 + drawing.pixel, 64 + drawing.pixel); // no hairlines between tiles
    }
  const barge = bargeAt(time);
  context.fillStyle = '#f26b3a';
  context.fillRect(barge.x - 10, barge.y - 5, 20, 10);
  requestAnimationFrame(draw);
}

/** A barge that goes round the map. */
function bargeAt(time: number): { x: number; y: number } {
  const angle = time / 8000;
  return { x: 512 + 300 * Math.cos(angle), y: 384 + 200 * Math.sin(angle) };
}

listen(canvas, camera);
requestAnimationFrame(draw);

// The panel tunes the camera and saves camera.json. A build leaves it out.
if (import.meta.env.DEV) {
  const { openPanel } = await import('zesty-kite-panel');
  openPanel(camera, { settings, folded: true });
}
