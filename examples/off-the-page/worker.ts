/** The worker: it has the camera, and draws while there is something to draw. */
import { Camera, type Settings } from 'zesty-kite';
import { receiveSignals, type Port } from 'zesty-kite/worker';
import { loadGround } from '../lemon-strait/ground.ts';
import { loadBarges, loadPlaces } from '../lemon-strait/world.ts';
import { createPainter } from '../straight-down/paint.ts';

interface Start {
  readonly settings: Settings;
  readonly canvas: OffscreenCanvas;
}

const page = self as unknown as Port;
const world = Promise.all([loadGround(), loadPlaces(), loadBarges()]);

async function start({ settings, canvas }: Start): Promise<void> {
  let waiting = false;
  const drawSoon = (): void => {
    if (!waiting) requestAnimationFrame(draw);
    waiting = true;
  };
  const camera = new Camera(settings, { wake: drawSoon });
  receiveSignals(page, camera);
  const [ground, places, barges] = await world;
  const paint = createPainter({ canvas, ground, places, afloat: barges.afloat });

  function draw(time: number): void {
    waiting = false;
    paint(camera.advance(time));
    if (!camera.settled) drawSoon();
  }
  draw(performance.now());
}

page.addEventListener('message', ({ data }) => {
  if (typeof data === 'object' && data !== null && 'canvas' in data) void start(data as Start);
});
