/** The options of a panel, and its calls. */
import type { Settings, View } from 'zesty-kite';

export interface PanelOptions {
  /**
   * The settings that the camera was made with: an object, or the same list of layers. The last layer is that of the file: the
   * panel changes and saves it. When left out, what the camera has now is the layer below, and the file is empty.
   */
  readonly settings?: Settings | readonly Settings[];
  /** The settings file in the project, such as `src/camera.json`: saved to it if the Vite plug-in names it, else the name of a download. */
  readonly file?: string;
  /** The element that shows the map: its clicks draw an outline. The first canvas of the page when left out. */
  readonly map?: HTMLElement;
  /** Called with the settings of the file, as they would be saved, after each change of them. */
  readonly changed?: (settings: Settings) => void;
  /** The key that folds and unfolds the panel, a UI Events `code`; `Backquote` when left out. */
  readonly key?: string;
  /** The key that swaps the two versions; `Backslash` when left out. */
  readonly swapKey?: string;
  /** It begins as a small button. */
  readonly folded?: boolean;
  /** The game draws all of `panel.views`, side by side: a take can then be seen under both versions at once. */
  readonly sideBySide?: boolean;
  /** The corner of the page in which the panel opens. */
  readonly corner?: 'top-right' | 'top-left';
}

/** An open panel. */
export interface Panel {
  /** The element that holds the panel. */
  readonly element: HTMLElement;
  /** True while the panel is shown. */
  readonly isOpen: boolean;
  /** The settings as they would be saved. */
  readonly settings: Settings;
  /** Views for the game to draw, side by side: one, or two while a take plays under both versions. */
  readonly views: readonly View[];
  /** Opens settings or a cutscene (JSON), or a take (a session of newline-delimited JSON). @throws for a file that is neither */
  open(file: File): Promise<void>;
  /** Unfolds it or folds it; without an argument, the other of the two. */
  toggle(on?: boolean): void;
  /** Takes the panel away. The camera keeps its settings. */
  close(): void;
}

/** The layers below the file, and that of the file. */
export function layersOf(settings: PanelOptions['settings'], now: Settings): readonly Settings[] {
  if (settings === undefined) return [now, {}];
  return isLayers(settings) ? [{}, ...settings] : [{}, settings];
}

function isLayers(settings: Settings | readonly Settings[]): settings is readonly Settings[] {
  return Array.isArray(settings);
}
