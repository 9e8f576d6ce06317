export { partChanged, reshapeGrid, terrainOfGrid, type GridPart, type HeightGrid } from './grid.ts';
export { raise } from './raise.ts';
export { terrainOf, type HeightFunction, type Terrain } from './terrain.ts';
export type { Spot } from './spot.ts';
