/** Draws the map of page.html. */
import { createDrawing } from './zesty-kite/canvas.js';
import { Camera } from './zesty-kite/index.js';
import { receiveSignals } from './zesty-kite/worker.js';

addEventListener(
  'message',
  ({ data: { settings, canvas } }) => {
    const context = canvas.getContext('2d');
    const drawing = createDrawing(context);
    const camera = new Camera(settings, { wake: drawSoon });
    receiveSignals(self, camera);
    function draw(time) {
      drawing.begin(camera.advance(time));
      context.fillStyle = '#8fb656';
      context.fillRect(0, 0, 1024, 768);
      if (!camera.settled) drawSoon();
    }
    function drawSoon() {
      requestAnimationFrame(draw);
    }
    drawSoon();
  },
  { once: true },
);
