export { canonical, nearestCopy, nearestTo } from './copies.ts';
export { frameHeightOf, GUARD, Projection, NO_INSETS, VIEW_LIMIT_SPANS } from './projection.ts';
export {
  createMatrices,
  fillMatrices,
  type ClipDepth,
  type CountedFrom,
  type Matrices,
  type UpAxis,
} from './matrices.ts';
export type {
  Affine,
  Footprint,
  Ground,
  Insets,
  Depth,
  Point,
  Pose,
  PoseInput,
  Ray,
  Screen,
  ScreenPoint,
  Spot,
} from './pose.ts';
export { frustumPlanes, showsBox, showsCircle, type Box, type ScreenRectangle } from './culling.ts';
export { ScreenBox } from './screenBox.ts';
export { visibleTiles, type Tile, type TileMap, type TileRows } from './tiles.ts';
export { wholeWithin } from './depth.ts';
export { FRAME_PLACES } from './framePlaces.ts';
export { aim, aimAt } from './aim.ts';
export type { FrameOutline } from './outline.ts';
export { View } from './view.ts';
export { ScratchDepth, ScratchInsets, ScratchPoint, ScratchScreenPoint, ScratchSpot } from './scratch.ts';
