export { aimThree, type OrthographicLike, type PerspectiveLike } from './apply.ts';
