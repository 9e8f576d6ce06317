/** How a page listens to each device, one a line. */
export { hearPads } from './pads.ts';
