export { canonical, nearestCopy } from './copies.ts';
export { frameHeightOf, GUARD, Projection, NO_INSETS, GRIP_LIMIT_SPANS, VIEW_LIMIT_SPANS } from './projection.ts';
export {
  createMatrices,
  fillMatrices,
  type ClipDepth,
  type CountedFrom,
  type Matrices,
  type UpAxis,
} from './matrices.ts';
export type { Ground, Insets, Depth, Point, Pose, PoseInput, Screen, ScreenPoint, Spot } from './pose.ts';
export { frustumPlanes, showsBox, showsCircle, type Box, type ScreenRectangle } from './culling.ts';
export { ScreenBox } from './screenBox.ts';
export { visibleTiles, type Tile, type TileMap, type TileRows } from './tiles.ts';
export { wholeWithin } from './depth.ts';
export { FRAME_PLACES } from './framePlaces.ts';
export { aim, aimAt, View, type Affine, type Footprint, type Ray } from './view.ts';
export { ScratchDepth, ScratchInsets, ScratchPoint, ScratchScreenPoint, ScratchSpot } from './scratch.ts';
