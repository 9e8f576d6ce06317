/** A split screen: two cameras, each with half a keyboard and a pad of its own. */
import type { Settings } from 'zesty-kite';
import { listen } from 'zesty-kite/dom';
import { createFrames } from '../lemon-strait/frames.ts';
import { loadGround } from '../lemon-strait/ground.ts';
import { element } from '../lemon-strait/page.ts';
import { loadBarges, loadPlaces } from '../lemon-strait/world.ts';
import { createPainter } from '../straight-down/paint.ts';

const [ground, places, barges] = await Promise.all([loadGround('coarse'), loadPlaces(), loadBarges()]);

const common: Settings = {
  bounds: { left: 0, top: 0, right: ground.width, bottom: ground.height, whenViewIsLarger: 'centre' },
  zoom: { minSpan: 24, maxSpan: 768, halfLife: 0.09 },
};
const players = [
  {
    id: 'left',
    pad: 0,
    start: { x: 300, y: 400, span: 300 },
    keys: {
      panUp: ['KeyW'],
      panLeft: ['KeyA'],
      panDown: ['KeyS'],
      panRight: ['KeyD'],
      zoomIn: ['KeyE'],
      zoomOut: ['KeyQ'],
    },
  },
  {
    id: 'right',
    pad: 1,
    start: { x: 700, y: 400, span: 300 },
    keys: {
      panUp: ['ArrowUp'],
      panLeft: ['ArrowLeft'],
      panDown: ['ArrowDown'],
      panRight: ['ArrowRight'],
      zoomIn: ['Period'],
      zoomOut: ['Comma'],
    },
  },
];

const shown = players.map(({ id, pad, start, keys }) => {
  const canvas = element(id, HTMLCanvasElement);
  const scene = { canvas, ground, places, afloat: barges.afloat };
  const paint = createPainter(scene);
  const stick = {
    panUp: ['PadLeftStickUp'],
    panLeft: ['PadLeftStickLeft'],
    panDown: ['PadLeftStickDown'],
    panRight: ['PadLeftStickRight'],
    zoomIn: ['PadRightTrigger'],
    zoomOut: ['PadLeftTrigger'],
  };
  const bindings = Object.fromEntries(
    Object.entries(keys).map(([name, inputs]) => [name, [...inputs, ...stick[name as keyof typeof stick]]]),
  );
  const { camera, drawSoon, first } = createFrames([common, { start, bindings }], {}, (view, time) => {
    const sails = barges.sail(time / 1000);
    paint(view);
    return sails;
  });
  // Half of the keyboard each: neither is the one that has all of it.
  listen(canvas, camera, { keys: 'own', pads: [pad] });
  for (const kind of ['keydown', 'keyup'] as const)
    addEventListener(kind, (event) => {
      if (camera.binds(event.code) && !event.repeat)
        camera.signal({ kind: 'key', code: event.code, down: kind === 'keydown', time: event.timeStamp });
    });
  addEventListener('blur', () => camera.signal({ kind: 'release' }));
  drawSoon();
  return { scene, first };
});

await Promise.all(shown.map(({ first }) => first));
const fine = await loadGround();
for (const { scene } of shown) scene.ground = fine;
