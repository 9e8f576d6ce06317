export { aimPixi, standUpright, type ContainerLike, type SpriteLike, type UprightOptions } from './pixi.ts';
