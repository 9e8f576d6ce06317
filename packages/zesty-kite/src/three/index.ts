export { aimThree, type OrthographicLike, type PerspectiveLike, type RendererLike } from './apply.ts';
