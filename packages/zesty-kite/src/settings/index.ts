export {
  changeSettings,
  checkSettings,
  completeLayers,
  completeSettings,
  FARTHEST_IN_MIN_SPANS,
  type Checked,
} from './check.ts';
export { descriptions } from './descriptions.ts';
export { isZoomLimited } from './zoomLimited.ts';
export { startsAfterOf } from './startsAfter.ts';
export { BUTTONS, MOUSE_MOTION, WHEELS, type Button } from './inputs.ts';
export { mergeSettings } from './merge.ts';
export { nearest } from './nearest.ts';
export { plainCopy } from './plain.ts';
export { straightDown, tilted, tiles, trueIsometric, type Axes, type TileArt } from './presets.ts';
export type { KnownShapes, ShapeChecks } from './shapes.ts';
export { settingsSchema, type ByZoom } from './schema.ts';
export type { FullBounds, FullSettings, Settings } from './types.ts';
export { SettingsError } from './settingsError.ts';
export { sentence, shown, type Problem } from '../messages/index.ts';
