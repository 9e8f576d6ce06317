export { openPanel } from './panel/openPanel.ts';
export type { Panel, PanelOptions } from './panel/options.ts';
