export { aimPixi, standUpright, type ContainerLike, type Pair, type SpriteLike, type UprightOptions } from './pixi.ts';
