export { listenToMinimap, type ListeningMinimap, type ListenToMinimapOptions } from './listenToMinimap.ts';
export { Minimap, type Area, type MinimapOptions, type MinimapRegion } from './minimap.ts';
