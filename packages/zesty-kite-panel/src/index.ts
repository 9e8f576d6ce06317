export { openPanel } from './panel/openPanel.ts';
export type { Panel } from './panel/panel.ts';
export type { PanelOptions } from './panel/options.ts';
