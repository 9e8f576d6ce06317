/** The abilities that every camera has, in the order in which they are asked. */
import { glide } from './glide.ts';
import { home } from './home.ts';
import { pan } from './pan.ts';

export const MOVERS = [glide, home, pan];
