/** Keeps settings: in the file of the project, in a download, in the clipboard, in a file of the player's choice. */
import type { Settings } from 'zesty-kite';
import type { PanelOptions } from '../panel/options.ts';
import type { Tuning } from '../tuning/tuning.ts';
import { download } from './download.ts';
import { projectFiles, type ProjectFile } from './projectFile.ts';

interface Picker {
  readonly showSaveFilePicker?: (options: object) => Promise<{
    createWritable: () => Promise<{ write: (text: string) => Promise<void>; close: () => Promise<void> }>;
  }>;
}

export class Keeper {
  /** How the last save ended. */
  told = '';
  /** The digest of the file after the last save. */
  #saved = '';
  readonly #window: Window & typeof globalThis;
  readonly #tuning: Tuning;
  readonly #file: ProjectFile | null;
  readonly #name: string;
  readonly #changed: () => void;
  readonly #follow: (file: ProjectFile) => void;

  /** @param file of the project, or the name of a download */
  constructor(
    window: Window & typeof globalThis,
    tuning: Tuning,
    file: string | undefined,
    settings: PanelOptions['settings'],
    changed: () => void,
  ) {
    this.#window = window;
    this.#tuning = tuning;
    this.#changed = changed;
    const found = fileOf(file, settings);
    this.#file = found;
    this.#name = (file ?? found?.path ?? 'camera.json').split('/').at(-1) ?? 'camera.json';
    this.#follow = (edited) => {
      if (edited.path === found?.path) this.#onEdited(edited);
    };
    projectFiles()?.followers.add(this.#follow);
  }

  /** The file in the project; null without the plug-in. */
  get path(): string | null {
    return this.#file?.path ?? null;
  }

  get canChoose(): boolean {
    return (this.#window as Picker).showSaveFilePicker !== undefined;
  }

  /** The contents of a settings file. */
  get json(): string {
    return `${JSON.stringify(this.#tuning.settings, null, 2)}\n`;
  }

  close(): void {
    projectFiles()?.followers.delete(this.#follow);
  }

  /** Writes the differences to the file in the project. */
  async save(): Promise<void> {
    if (this.#file === null) {
      this.download();
      return;
    }
    // As it is now: an edit may have replaced it.
    const file = projectFiles()?.files.get(this.#file.path) ?? this.#file;
    // Changes during a write are not saved yet.
    const { settings, unsaved: edits } = this.#tuning;
    const response = await this.#window.fetch(file.address, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-zesty-kite-token': file.token },
      body: JSON.stringify({ file: file.path, digest: file.digest, edits }),
    });
    const answer = (await response.json()) as { readonly digest?: string; readonly message?: string };
    if (answer.digest === undefined) {
      this.#tell(answer.message ?? `The server answered ${String(response.status)}.`);
      return;
    }
    this.#saved = file.digest = answer.digest;
    this.#tuning.saved(settings);
    this.#tell(`Saved to ${file.path}.`);
  }

  download(): void {
    download(this.#window, this.#name, this.json);
    this.#tuning.saved(this.#tuning.settings);
    this.#tell(`Downloaded ${this.#name}.`);
  }

  async copyJson(): Promise<void> {
    await this.#window.navigator.clipboard.writeText(this.json);
    this.#tell('Copied the settings as JSON.');
  }

  async copyCode(): Promise<void> {
    const code = `const settings: Settings = ${asCode(this.#tuning.settings)};\n`;
    await this.#window.navigator.clipboard.writeText(code);
    this.#tell('Copied the settings as code.');
  }

  /** The browser's own dialog for files. */
  async choose(): Promise<void> {
    const { json } = this;
    const { settings } = this.#tuning;
    const chosen = await (this.#window as Picker).showSaveFilePicker?.({ suggestedName: this.#name });
    const written = await chosen?.createWritable();
    await written?.write(json);
    await written?.close();
    this.#tuning.saved(settings);
    this.#tell('Saved.');
  }

  /** Failures are shown, and nothing is lost. */
  fail(error: unknown): void {
    this.#tell(error instanceof Error ? error.message : String(error));
  }

  #onEdited({ settings, path, digest }: ProjectFile): void {
    // It comes back from the save.
    if (digest === this.#saved) return;
    this.#saved = '';
    try {
      this.#tuning.reload(settings);
      this.#tell(`${path} was edited.`);
    } catch (error) {
      this.fail(error);
    }
  }

  #tell(told: string): void {
    this.told = told;
    this.#changed();
  }
}

/** By its settings, which the page has from it; or by its name. */
function fileOf(name: string | undefined, settings: PanelOptions['settings']): ProjectFile | null {
  const last = Array.isArray(settings) ? (settings as readonly Settings[]).at(-1) : settings;
  const files = [...(projectFiles()?.files.values() ?? [])];
  return (
    files.find(({ versions }) => last !== undefined && versions.has(last)) ??
    files.find(({ path }) => name !== undefined && (path === name || path.endsWith(`/${name}`))) ??
    null
  );
}

/** JSON with keys as code has them. */
function asCode(settings: Settings): string {
  return JSON.stringify(settings, null, 2).replaceAll(/^(\s*)"([A-Za-z]\w*)":/gm, '$1$2:');
}
