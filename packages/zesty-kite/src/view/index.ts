export type { Depth } from './depth.ts';
export { Look, NO_INSETS, REACH, SIGHT } from './look.ts';
export {
  createMatrices,
  fillMatrices,
  type ClipDepth,
  type CountedFrom,
  type Matrices,
  type UpAxis,
} from './matrices.ts';
export type { Ground, Insets, Point, Pose, PoseInput, Screen, Spot } from './pose.ts';
export { frustumPlanes, showsBox, showsCircle, type Box } from './culling.ts';
export { visibleTiles, type TileMap, type TileRows } from './tiles.ts';
export { aim, canonical, nearestCopy, View, type Affine, type Footprint, type Ray, type ScreenPoint } from './view.ts';
export { ScratchDepth, ScratchInsets, ScratchPoint, ScratchSpot } from './scratch.ts';
