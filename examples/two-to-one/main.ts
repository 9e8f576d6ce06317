/** Tiles twice as wide as high on a 2D canvas, with upright sprites. */
import settings from '../../data/lemon-strait/settings/two-to-one.json?url';
import { play } from '../lemon-strait/play.ts';
import { loadTiles } from './tiles.ts';
import { createPainter } from './paint.ts';

await play({
  settings,
  hilly: false,
  createPainter: loadTiles().then((tiles) => (scene) => createPainter(scene, tiles)),
});
