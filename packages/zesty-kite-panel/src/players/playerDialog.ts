/** A settings dialog for players, made of what the game offers. */
import { inputLabels } from 'zesty-kite/dom';
import type { OfferedSetting, PlayerSettings } from 'zesty-kite/players';
import { checkMade } from '../panel/checkMade.ts';
import { html, nothing, render, type TemplateResult } from 'lit-html';
import { sheetOf } from '../panel/sheet.ts';
import { AwaitedInput } from '../rows/awaitedInput.ts';
import { controlOf, type ControlDesk } from './controls.ts';
import { dialogTexts, filled, type DialogTexts } from './dialogTexts.ts';
import { DIALOG_STYLE } from './style.ts';

export interface PlayerDialogOptions {
  /** Called after each change: to store `JSON.stringify(own)`. */
  readonly changed?: () => void;
  /** Texts of the dialog in another language. Names of settings come from `PlayerSettings`. */
  readonly texts?: Partial<DialogTexts>;
}

export interface PlayerDialog {
  /** A modal dialog in the page; style it by the variables `--dialog-…`. */
  readonly element: HTMLDialogElement;
  /** Opens the dialog. */
  show(): void;
  /** Closes the dialog. */
  close(): void;
  /** Takes the dialog out of the page. */
  remove(): void;
}

/**
 * Puts a settings dialog for players into the page: hidden until `show`.
 *
 * ```ts
 * const own = new PlayerSettings(camera, schema, offers, saved, playerTexts);
 * const dialog = createPlayerDialog(own, { changed: () => { localStorage.camera = JSON.stringify(own); } });
 * button.addEventListener('click', () => dialog.show());
 * ```
 */
export function createPlayerDialog(own: PlayerSettings, options: PlayerDialogOptions = {}): PlayerDialog {
  checkMade('createPlayerDialog.own', own, 'offered', 'a PlayerSettings');
  return new Dialog(own, options);
}

class Dialog implements PlayerDialog, ControlDesk {
  readonly element: HTMLDialogElement;
  readonly #own: PlayerSettings;
  readonly texts: DialogTexts;
  readonly #changed: () => void;
  readonly #root: ShadowRoot;
  readonly #awaited = new AwaitedInput(window, () => {
    this.#draw();
  });
  inputName = (input: string): string => input;

  constructor(own: PlayerSettings, { changed = () => undefined, texts = {} }: PlayerDialogOptions) {
    this.#own = own;
    this.#changed = changed;
    this.texts = { ...dialogTexts, ...texts };
    this.element = document.createElement('dialog');
    this.element.setAttribute('aria-label', this.texts.title);
    // A dialog has no shadow root of its own.
    Object.assign(this.element.style, { padding: '0', border: '0', background: 'transparent', maxWidth: '100vw' });
    const inside = document.createElement('div');
    this.#root = inside.attachShadow({ mode: 'open' });
    this.#root.adoptedStyleSheets = [sheetOf(window, DIALOG_STYLE)];
    this.element.append(inside);
    this.element.addEventListener('close', () => {
      this.#awaited.end();
    });
    document.body.append(this.element);
    void inputLabels(navigator).then((labels) => {
      this.inputName = labels;
      this.#draw();
    });
  }

  show(): void {
    this.#draw();
    if (!this.element.open) this.element.showModal();
  }

  close(): void {
    this.element.close();
  }

  remove(): void {
    this.#awaited.end();
    this.element.remove();
  }

  set(path: string, value: unknown): void {
    this.#own.set(path, value);
    this.#changed();
    this.#draw();
  }

  #reset(path?: string): void {
    this.#own.reset(path);
    this.#changed();
    this.#draw();
  }

  #draw(): void {
    render(this.#template(), this.#root);
  }

  #template(): TemplateResult {
    const { title, close, resetAll } = this.texts;
    return html`<section>
      <header><h2>${title}</h2></header>
      <div class="rows">${this.#own.offered.map((item) => this.#row(item))}</div>
      <footer>
        <button
          type="button"
          @click=${() => {
            this.#reset();
          }}
        >
          ${resetAll}
        </button>
        <button
          type="button"
          @click=${() => {
            this.close();
          }}
        >
          ${close}
        </button>
      </footer>
    </section>`;
  }

  #row(item: OfferedSetting): TemplateResult | typeof nothing {
    const control = controlOf(this, item);
    if (control === nothing) return nothing;
    const { path, name, text, value, game } = item;
    const isOwn = JSON.stringify(value) !== JSON.stringify(game);
    const conflicts = this.#conflictsOf(item);
    return html`<div class="row" data-path=${path}>
      <div class="name" id=${`name-${path}`}>${name}</div>
      <div class="control">${control}</div>
      <button
        type="button"
        class="reset"
        aria-label=${filled(this.texts.reset, { name })}
        ?disabled=${!isOwn}
        @click=${() => {
          this.#reset(path);
        }}
      >
        ↺
      </button>
      <p id=${`text-${path}`}>${text}</p>
      ${conflicts.map((conflict) => html`<p class="conflict" role="status">${conflict}</p>`)}
    </div>`;
  }

  #conflictsOf({ path, kind, value }: OfferedSetting): readonly string[] {
    if (kind !== 'inputs') return [];
    const inputs = value as readonly string[];
    return inputs
      .filter((input) => this.#own.conflictsWith(path, inputs).some(({ message }) => message.includes(input)))
      .map((input) => filled(this.texts.conflict, { input: this.inputName(input) }));
  }

  get waiting(): string | null {
    return this.#awaited.path;
  }

  addInput(path: string, inputs: readonly string[]): void {
    this.#awaited.begin(path, (input) => {
      if (!inputs.includes(input)) this.set(path, [...inputs, input]);
    });
  }
}
