export { cssTransform, layOnGround, pinLabel, svgTransform, type Pinned, type Styled } from './css.ts';
