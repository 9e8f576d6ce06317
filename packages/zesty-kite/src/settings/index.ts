export { changeSettings, checkSettings, completeLayers, completeSettings, type Checked } from './check.ts';
export { farthestCoordinate } from './contradictions.ts';
export { descriptions } from './descriptions.ts';
export { isZoomLimited } from './zoomLimited.ts';
export { startsAfterOf } from './startsAfter.ts';
export { BUTTONS, MOUSE_MOTION, WHEELS, type Button, type InputName } from './inputs.ts';
export type { Input, Listed } from './listed.ts';
export { mergeSettings } from './merge.ts';
export { nearest } from './nearest.ts';
export { plainCopy } from './plain.ts';
export { straightDown, tilted, tiles, trueIsometric, type Axes, type TileArt } from './presets.ts';
export type { KnownShapes, ShapeChecks } from './shapes.ts';
export { settingsSchema } from './schema.ts';
export { isSpan } from './values.ts';
export {
  hasUnit,
  inSpans,
  NEAREST_SPAN,
  SPAN,
  spanOf,
  valueAtSpan,
  type ByZoom,
  type InSpans,
  type SpanSettings,
} from './spans.ts';
export type { Span, ZoomUnit } from './zoomUnit.ts';
export type { FullBounds, FullSettings, Settings } from './types.ts';
export { SettingsError } from './settingsError.ts';
export { sentence, shown, type Problem } from '../messages/index.ts';
