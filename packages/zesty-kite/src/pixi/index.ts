export {
  aimPixi,
  standUpright,
  type ContainerLike,
  type Pair,
  type SpriteLike,
  type TileSize,
  type UprightOptions,
} from './pixi.ts';
