export { MOVERS } from './movers.ts';
export { TABLE } from './table.ts';
