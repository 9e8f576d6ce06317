export { checkSettings, FARTHEST_IN_LEAST_SPANS } from './check.ts';
export { descriptions } from './descriptions.ts';
export { mergeSettings } from './merge.ts';
export { nearest } from './nearest.ts';
export { straightDown, tilted, tiles, trueIsometric, type TileArt } from './presets.ts';
export { ringsOf } from './rings.ts';
export { settingsSchema, type ByZoom, type FullBounds, type FullSettings, type Settings } from './schema.ts';
export { SettingsError, sentence, shown, type Problem } from './settingsError.ts';
