export { checkSettings, FARTHEST_IN_LEAST_SPANS } from './check.ts';
export { descriptions } from './descriptions.ts';
export { mergeSettings } from './merge.ts';
export { settingsSchema, type FullSettings, type Settings } from './schema.ts';
export { SettingsError, sentence, shown, type Problem } from './settingsError.ts';
