/** A flat map on a 2D canvas. */
import settings from '../../data/lemon-strait/settings/straight-down.json?url';
import { densityByZoom, type DrawingOptions } from 'zesty-kite/canvas';
import { element } from '../lemon-strait/page.ts';
import { play } from '../lemon-strait/play.ts';
import { createMinimap } from './minimap.ts';
import { createPainter } from './paint.ts';

/** From near by half as many pixels as the screen has, from far a quarter: each as large as its neighbours. */
const density = densityByZoom({
  byZoom: [
    [60, 1 / 2],
    [600, 1 / 4],
  ],
});
const ALL: DrawingOptions = {};
const PIXELS: Readonly<Record<string, DrawingOptions>> = {
  all: ALL,
  nearest: { density, enlarge: 'nearest' },
  smooth: { density, enlarge: 'smooth' },
};

await play({
  settings,
  hilly: false,
  createPainter: (scene, camera, drawSoon) => {
    const pixels = element('pixels', HTMLSelectElement);
    pixels.addEventListener('change', drawSoon);
    const paint = createPainter(scene, () => PIXELS[pixels.value] ?? ALL);
    const drawMinimap = createMinimap(camera, scene);
    return (view) => {
      paint(view);
      drawMinimap();
    };
  },
});
