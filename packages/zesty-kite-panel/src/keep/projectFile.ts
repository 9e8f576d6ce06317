/** Settings files that the Vite plug-in serves: it puts them where the panel finds them. */
import type { Settings } from 'zesty-kite';

/** One file, as the page has loaded it. */
export interface ProjectFile {
  /** From the root of the project, such as `src/camera.json`. */
  readonly path: string;
  readonly settings: Settings;
  /** The settings that the page received, before edits too. */
  readonly versions: WeakSet<object>;
  /** Of the text of the file. A save names it, so that a file that has changed meanwhile is not overwritten. */
  digest: string;
  /** The address to save at, and its token. */
  readonly address: string;
  readonly token: string;
}

export interface ProjectFiles {
  readonly files: Map<string, ProjectFile>;
  /** Called with each file that was edited. */
  readonly followers: Set<(file: ProjectFile) => void>;
}

/** The name under which the plug-in and the panel share the files of a page. */
export const FILES = 'zesty-kite-panel files';

/** Returns what the plug-in has put there; null without the plug-in. */
export function projectFiles(): ProjectFiles | null {
  return (Reflect.get(globalThis, Symbol.for(FILES)) as ProjectFiles | undefined) ?? null;
}
