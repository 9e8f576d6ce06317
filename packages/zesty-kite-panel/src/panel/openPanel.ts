/** One line puts the panel over a game. */
import type { CameraLike } from 'zesty-kite';
import { checkMade } from './checkMade.ts';
import type { Panel, PanelOptions } from './options.ts';
import { OpenedPanel } from './panel.ts';

/**
 * Opens a panel that tunes a camera over the page of a game, and saves the settings. It is for work: production builds leave it out.
 *
 * ```ts
 * openPanel(camera, { settings: [tilted(), settings], file: 'src/camera.json' });
 * ```
 *
 * @throws TypeError if `camera` is no camera; SettingsError for settings that are not allowed
 */
export function openPanel(camera: CameraLike, options: PanelOptions = {}): Panel {
  checkMade('openPanel.camera', camera, 'change', 'a camera');
  return new OpenedPanel(camera, options, window);
}
