export { settingsFile, type SettingsFileOptions, type SettingsFilePlugin } from './settingsFile.ts';
