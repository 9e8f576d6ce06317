/** A playground for touch: what fingers hold, drawn and measured. */
import { listen } from 'zesty-kite/dom';
import { createOverlay } from 'zesty-kite/overlay';
import { createFrames } from '../lemon-strait/frames.ts';
import { loadGround } from '../lemon-strait/ground.ts';
import { element } from '../lemon-strait/page.ts';
import { loadPlaces } from '../lemon-strait/world.ts';
import { createPainter } from '../straight-down/paint.ts';

const [ground, places] = await Promise.all([loadGround('coarse'), loadPlaces()]);
const canvas = element('map', HTMLCanvasElement);
const readout = element('readout', HTMLOutputElement);
const scene = { canvas, ground, places, afloat: [] };
const paint = createPainter(scene);
let worst = 0;

const { camera, drawSoon, first } = createFrames(
  {
    bounds: { left: 0, top: 0, right: ground.width, bottom: ground.height, elastic: 0.1 },
    start: { span: 300 },
    pitch: { degrees: 70, min: 35, max: 90 },
    zoom: { minSpan: 24, maxSpan: 700 },
    twoFingers: { turn: true, tilt: true },
    bindings: { drag: ['MouseLeft', 'Touch'], orbit: ['MouseRight'] },
  },
  {},
  (view) => {
    paint(view);
    const { grips } = camera;
    if (grips.length === 0) worst = 0;
    for (const { error, limited } of grips) if (!limited) worst = Math.max(worst, error);
    readout.textContent = `held ${String(grips.length)}   farthest off ${worst.toExponential(1)} px   span ${view.span.toFixed(1)}   pitch ${view.pitch.toFixed(0)}°`;
    return false;
  },
);
const listening = listen(canvas, camera, { panels: '.panel', pinchKey: 'Alt' });
createOverlay(camera, listening).toggle(true);

const asked = (id: string): HTMLInputElement => element(id, HTMLInputElement);
for (const id of ['turn', 'tilt', 'glide'])
  asked(id).addEventListener('change', () => {
    camera.change({
      twoFingers: { turn: asked('turn').checked, tilt: asked('tilt').checked },
      drag: { glideHalfLife: asked('glide').checked ? 0.25 : 0 },
    });
  });
drawSoon();
await first;
scene.ground = await loadGround();
drawSoon();
