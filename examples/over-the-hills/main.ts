/** Perspective over the height field, with the three package. */
import settings from '../../data/lemon-strait/settings/over-the-hills.json?url';
import { play } from '../lemon-strait/play.ts';
import { createPainter } from './paint.ts';

await play({ settings, hilly: true, createPainter });
