/** A settings dialog for players, made of what the game offers. */
import { inputLabels, nextInput } from 'zesty-kite/dom';
import type { OfferedSetting, PlayerSettings } from 'zesty-kite/players';
import { checkMade } from '../panel/checkMade.ts';
import { html, nothing, render, type TemplateResult } from 'lit-html';
import { live } from 'lit-html/directives/live.js';
import { scaleOf, valueOn, wayOf } from '../tuning/slider.ts';
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

/** Steps of a slider. */
const STEPS = 100;

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

class Dialog implements PlayerDialog {
  readonly element: HTMLDialogElement;
  readonly #own: PlayerSettings;
  readonly #texts: DialogTexts;
  readonly #changed: () => void;
  readonly #root: ShadowRoot;
  /** The setting that waits for a key; empty if none does. */
  #waiting = '';
  #stop = new AbortController();
  #labels: (input: string) => string = (input) => input;

  constructor(own: PlayerSettings, { changed = () => undefined, texts = {} }: PlayerDialogOptions) {
    this.#own = own;
    this.#changed = changed;
    this.#texts = { ...dialogTexts, ...texts };
    this.element = document.createElement('dialog');
    this.element.setAttribute('aria-label', this.#texts.title);
    // A dialog has no shadow root of its own.
    Object.assign(this.element.style, { padding: '0', border: '0', background: 'transparent', maxWidth: '100vw' });
    const inside = document.createElement('div');
    this.#root = inside.attachShadow({ mode: 'open' });
    const sheet = new CSSStyleSheet();
    sheet.replaceSync(DIALOG_STYLE);
    this.#root.adoptedStyleSheets = [sheet];
    this.element.append(inside);
    this.element.addEventListener('close', () => {
      this.#stop.abort();
    });
    document.body.append(this.element);
    void inputLabels(navigator).then((labels) => {
      this.#labels = labels;
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
    this.#stop.abort();
    this.element.remove();
  }

  #set(path: string, value: unknown): void {
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
    const { title, close, resetAll } = this.#texts;
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
    const control = this.#control(item);
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
        aria-label=${filled(this.#texts.reset, { name })}
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
      .map((input) => filled(this.#texts.conflict, { input: this.#labels(input) }));
  }

  #control(item: OfferedSetting): TemplateResult | typeof nothing {
    const { kind, path, value } = item;
    if (kind === 'number') return this.#slider(item);
    if (kind === 'choice') return this.#choice(item);
    if (kind === 'inputs') return this.#inputs(item);
    if (kind !== 'switch') return nothing;
    return html`<input
      type="checkbox"
      aria-labelledby=${`name-${path}`}
      aria-describedby=${`text-${path}`}
      .checked=${live(value === true)}
      @change=${({ currentTarget }: Event) => {
        this.#set(path, (currentTarget as HTMLInputElement).checked);
      }}
    />`;
  }

  #slider({ path, value, min = 0, max = 1, step, unit = '' }: OfferedSetting): TemplateResult {
    const now = Number(value);
    if (!Number.isFinite(max - min))
      return html`<input
        type="number"
        step="any"
        aria-labelledby=${`name-${path}`}
        .value=${live(String(now))}
        @change=${({ currentTarget }: Event) => {
          const { valueAsNumber } = currentTarget as HTMLInputElement;
          if (Number.isFinite(valueAsNumber)) this.#set(path, valueAsNumber);
        }}
      />`;
    const scale = scaleOf([min, max], unit);
    const onStep = (next: number): number =>
      step === undefined ? next : Number((min + Math.round((next - min) / step) * step).toFixed(9));
    return html`<input
        type="range"
        min="0"
        max=${STEPS}
        aria-labelledby=${`name-${path}`}
        aria-describedby=${`text-${path}`}
        aria-valuetext=${`${String(now)} ${unit}`}
        .value=${live(String(wayOf(scale, now) * STEPS))}
        @input=${({ currentTarget }: Event) => {
          this.#set(path, onStep(valueOn(scale, (currentTarget as HTMLInputElement).valueAsNumber / STEPS)));
        }}
      /><output>${Number(now.toPrecision(3))}</output>`;
  }

  #choice({ path, value, among = [] }: OfferedSetting): TemplateResult {
    return html`<select
      aria-labelledby=${`name-${path}`}
      aria-describedby=${`text-${path}`}
      @change=${({ currentTarget }: Event) => {
        this.#set(path, among[(currentTarget as HTMLSelectElement).selectedIndex]);
      }}
    >
      ${among.map(
        (one) =>
          html`<option ?selected=${JSON.stringify(one) === JSON.stringify(value)}>${this.#wordFor(one)}</option>`,
      )}
    </select>`;
  }

  #wordFor(value: unknown): string {
    const word = typeof value === 'string' ? value : JSON.stringify(value);
    return this.#texts.values[word] ?? (typeof value === 'object' ? 'on' : word);
  }

  #inputs({ path, name, value }: OfferedSetting): TemplateResult {
    const inputs = value as readonly string[];
    const isWaiting = this.#waiting === path;
    return html`${inputs.map(
        (input) =>
          html`<button
            type="button"
            aria-label=${filled(this.#texts.removeInput, { input: this.#labels(input), name })}
            @click=${() => {
              this.#set(
                path,
                inputs.filter((one) => one !== input),
              );
            }}
          >
            ${this.#labels(input)} ×
          </button>`,
      )}<button
        type="button"
        aria-pressed=${isWaiting}
        aria-label=${filled(this.#texts.addInput, { name })}
        @click=${() => {
          this.#listen(path, inputs);
        }}
      >
        ${isWaiting ? this.#texts.press : '+'}
      </button>`;
  }

  #listen(path: string, inputs: readonly string[]): void {
    this.#stop.abort();
    this.#stop = new AbortController();
    this.#waiting = path;
    this.#draw();
    void nextInput(window, this.#stop.signal).then((input) => {
      if (this.#waiting !== path) return;
      this.#waiting = '';
      if (input !== null && !inputs.includes(input)) this.#set(path, [...inputs, input]);
      else this.#draw();
    });
  }
}
