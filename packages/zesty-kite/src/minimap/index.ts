export { hearMinimap, type HeardMinimap, type HearMinimapOptions } from './hear.ts';
export { Minimap, type Area, type MinimapOptions, type MinimapRegion } from './minimap.ts';
