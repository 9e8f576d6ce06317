/** How a page listens to each device, one a line. */
export { pollPads } from './pads.ts';
