/** Every device, one a line. */
export { pad } from './pad.ts';
