export { createMatrices, fillMatrices, type ClipDepth, type Matrices, type UpAxis } from './matrices.ts';
export type { Heights, Point, Pose, Screen } from './pose.ts';
export { visibleTiles, type TileRange } from './tiles.ts';
export { aim, View, type Affine, type Footprint } from './view.ts';
