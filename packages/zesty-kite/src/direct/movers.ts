/** The abilities of this folder, for sessions: a replay may need each of them. */
import type { Mover } from '../motion/index.ts';
import { follows } from './follows.ts';
import { plays } from './plays.ts';
import { travels } from './travels.ts';

export const DIRECTED: readonly Mover[] = [travels, follows, plays];
