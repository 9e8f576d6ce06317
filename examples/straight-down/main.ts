/** A flat map on a 2D canvas. */
import settings from '../../data/lemon-strait/settings/straight-down.json?url';
import { play } from '../lemon-strait/play.ts';
import { createMinimap } from './minimap.ts';
import { createPainter } from './paint.ts';

await play({
  settings,
  hilly: false,
  createPainter: (scene, camera) => {
    const paint = createPainter(scene);
    const drawMinimap = createMinimap(camera, scene);
    return (view) => {
      paint(view);
      drawMinimap();
    };
  },
});
