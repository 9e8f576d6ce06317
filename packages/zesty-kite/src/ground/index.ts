export { terrainOfGrid, type HeightGrid } from './grid.ts';
export { terrainOf, type HeightFunction, type Terrain } from './terrain.ts';
export type { Spot } from './spot.ts';
