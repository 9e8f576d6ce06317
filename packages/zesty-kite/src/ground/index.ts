export { partChanged, reshapeGrid, terrainOfGrid, type GridPart, type HeightGrid } from './grid.ts';
export { raise } from './raise.ts';
export { terrainOf, type HeightFunction, type SampledAt } from './heightFunction.ts';
export type { Terrain } from './terrain.ts';
export { soundTerrain } from './sound.ts';
export type { Spot } from './spot.ts';
