/** The panel: a shadow root in a corner of the page. */
import { inSpans, type CameraLike, type FullSettings, type Settings, type SpanSettings, type View } from 'zesty-kite';
import type { Cutscene } from 'zesty-kite/direct';
import { inputLabels, nextInput } from 'zesty-kite/dom';
import { unseenPlaces } from 'zesty-kite/review';
import { html, nothing, render, type TemplateResult } from 'lit-html';
import { Compare } from '../compare/compare.ts';
import { compareTab } from '../compare/compareTab.ts';
import { cutsceneTab } from '../cutscene/cutsceneTab.ts';
import { Flight } from '../cutscene/flight.ts';
import { Keeper } from '../keep/keeper.ts';
import type { Desk } from '../rows/desk.ts';
import { fineAt } from '../rows/here.ts';
import { BY_PATH } from '../tuning/listed.ts';
import { Tuning } from '../tuning/tuning.ts';
import { terrainOf } from './cameraParts.ts';
import { Ground } from './ground.ts';
import { Messages } from './messages.ts';
import { layersOf, type Panel, type PanelOptions } from './options.ts';
import { settingsTab } from './settingsTab.ts';
import { STYLE } from './style.ts';

const TABS = { Settings: settingsTab, Compare: compareTab, Cutscene: cutsceneTab } as const;
type Tab = keyof typeof TABS;

/** Settings are reviewed at most once in so long, also while a slider moves; milliseconds. */
const REVIEW_EVERY = 150;

/** The parts that the tabs need beside the rows. */
export interface PanelDesk extends Desk {
  readonly ground: Ground;
  readonly messages: Messages;
  readonly keeper: Keeper;
  /** The words that are searched for. */
  search: string;
  /** The sections that are open. */
  readonly opened: ReadonlySet<string>;
  openSection(section: string, isOpen: boolean): void;
  readonly compare: Compare;
  readonly flight: Flight;
  readonly drawsBeside: boolean;
  readonly isFree: boolean;
  /** The limits of the camera are lifted, or in force again. */
  free(isOn: boolean): void;
  /** Runs a function, and shows its error at a path. */
  attempt(path: string, act: () => void): void;
  /** Ends the outline: keeps it, or not. */
  endOutline(isKept: boolean): void;
  redraw(): void;
}

export class OpenedPanel implements Panel, PanelDesk {
  readonly element: HTMLElement;
  readonly camera: CameraLike;
  readonly tuning: Tuning;
  readonly messages = new Messages();
  readonly keeper: Keeper;
  readonly ground: Ground;
  readonly compare: Compare;
  readonly flight: Flight;
  readonly drawsBeside: boolean;
  search = '';
  listening: string | null = null;
  isFree = false;
  readonly opened = new Set<string>();
  #isOpen: boolean;
  #labels: (input: string) => string = (input) => input;
  #tab: Tab = 'Settings';
  #focused = '';
  #frame = 0;
  #reviewing = 0;
  #spans: { readonly full: FullSettings; readonly height: number; readonly spans: SpanSettings } | null = null;
  /** The pose that was drawn last. */
  #drawn = '';
  #unseenOf: FullSettings | null = null;
  readonly #window: Window & typeof globalThis;
  readonly #root: ShadowRoot;
  readonly #ends = new AbortController();
  readonly #endPoll: () => void;
  #waiting = new AbortController();

  constructor(camera: CameraLike, options: PanelOptions, window: Window & typeof globalThis) {
    const { document } = window;
    this.camera = camera;
    this.#window = window;
    this.#isOpen = options.folded !== true;
    const layers = layersOf(options.settings, camera.settings);
    this.tuning = new Tuning(camera, layers);
    this.keeper = new Keeper(window, this.tuning, options.file, options.settings, () => {
      this.redraw();
    });
    this.compare = new Compare(camera, this.tuning);
    this.flight = new Flight(camera);
    this.drawsBeside = options.sideBySide === true;
    this.ground = new Ground(camera, options.map ?? document.querySelector('canvas') ?? document.body);
    this.element = document.createElement('zesty-kite-panel');
    this.element.dataset['corner'] = options.corner ?? 'top-right';
    this.#root = this.element.attachShadow({ mode: 'open' });
    this.#root.adoptedStyleSheets = [sheetOf(window)];
    document.body.append(this.element);
    const { signal } = this.#ends;
    // Events inside the panel do not reach the page below.
    for (const type of ['pointerdown', 'mousedown', 'touchstart', 'wheel', 'dblclick', 'contextmenu'])
      this.element.addEventListener(type, (event) => {
        event.stopPropagation();
      });
    // Outside of the shadow root nobody sees that a key is typed into a field. Keys that are released are heard: they may have been held.
    this.element.addEventListener('keydown', (event) => {
      if (takesText(event)) event.stopPropagation();
    });
    window.addEventListener(
      'keydown',
      (event) => {
        this.#onKey(event, options);
      },
      { signal },
    );
    this.ground.listen(
      window,
      () => {
        this.redraw();
      },
      signal,
    );
    this.tuning.changed = () => {
      options.changed?.(this.settings);
      this.#reviewSoon();
      this.redraw();
    };
    this.#endPoll = camera.poll((time) => {
      this.#onFrame(time);
    });
    void inputLabels(window.navigator).then((labels) => {
      this.#labels = labels;
      this.redraw();
    });
    this.#reviewSoon();
    this.redraw();
  }

  get isOpen(): boolean {
    return this.#isOpen;
  }

  get settings(): Settings {
    return this.tuning.settings;
  }

  get full(): FullSettings {
    return this.tuning.full;
  }

  get spans(): SpanSettings {
    const { full } = this;
    const { height } = this.camera.view;
    if (this.#spans?.full !== full || this.#spans.height !== height)
      this.#spans = { full, height, spans: inSpans(full, height) };
    return this.#spans.spans;
  }

  get views(): readonly View[] {
    return this.compare.views;
  }

  async open(file: File): Promise<void> {
    const text = await file.text();
    if (file.name.endsWith('.ndjson')) {
      this.compare.open(text);
      this.#tab = 'Compare';
      this.compare.play();
    } else {
      const value = JSON.parse(text) as Settings | Cutscene;
      if ('keyframes' in value) {
        this.flight.open(value);
        this.#tab = 'Cutscene';
      } else this.tuning.replace(value);
    }
    this.redraw();
  }

  toggle(on = !this.#isOpen): void {
    this.#isOpen = on;
    this.redraw();
  }

  close(): void {
    this.compare.end();
    this.flight.end();
    if (this.isFree) this.free(false);
    this.#ends.abort();
    this.#waiting.abort();
    this.#endPoll();
    this.keeper.close();
    this.#window.cancelAnimationFrame(this.#frame);
    this.#window.clearTimeout(this.#reviewing);
    this.element.remove();
  }

  set(path: string, value: unknown, isDone = true): void {
    this.attempt(path, () => {
      this.tuning.set(path, value, isDone);
    });
  }

  reset(path: string): void {
    this.attempt(path, () => {
      this.tuning.reset(path);
    });
  }

  attempt(path: string, act: () => void): void {
    this.messages.refused = {};
    try {
      act();
    } catch (error) {
      this.messages.refuse(path, error);
    }
    this.redraw();
  }

  listenFor(path: string): void {
    this.#waiting.abort();
    this.#waiting = new AbortController();
    this.listening = path;
    this.redraw();
    const before = this.#waiting;
    void nextInput(this.#window, before.signal).then((input) => {
      if (this.#waiting !== before) return;
      this.listening = null;
      const inputs = (this.full.bindings as Readonly<Record<string, readonly string[]>>)[
        path.slice('bindings.'.length)
      ];
      if (input !== null && inputs?.includes(input) === false) this.set(path, [...inputs, input]);
      this.redraw();
    });
  }

  inputName(input: string): string {
    return this.#labels(input);
  }

  messagesOf(path: string): readonly string[] {
    return this.messages.of(path);
  }

  drawOutline(): void {
    this.ground.outline = [];
    // Enter closes the outline, wherever the list was opened from.
    if (this.#root.activeElement instanceof HTMLElement) this.#root.activeElement.blur();
    this.redraw();
  }

  endOutline(isKept: boolean): void {
    const corners = this.ground.outline ?? [];
    this.ground.outline = null;
    const { span } = this.camera.shown;
    if (isKept)
      this.set('bounds', {
        polygon: corners.map(({ x, y }) => [fineAt(x, span), fineAt(y, span)]),
      });
    this.redraw();
  }

  free(isOn: boolean): void {
    const { minSpan, maxSpan } = this.spans.zoom;
    const { span } = this.camera.shown;
    const lifted: Settings = {
      bounds: null,
      zoom: { minSpan: (minSpan ?? span) / 50, maxSpan: (maxSpan ?? span) * 50, stops: null },
      pitch: { min: 1, max: 90 },
      turn: { min: null, max: null, stops: null },
    };
    this.attempt('', () => {
      this.tuning.cover(isOn ? lifted : {});
      this.isFree = isOn;
    });
  }

  openSection(section: string, isOpen: boolean): void {
    if (isOpen) this.opened.add(section);
    else this.opened.delete(section);
    this.redraw();
  }

  /** Draws with the next frame of the page. */
  redraw(): void {
    if (this.#frame !== 0 || this.#ends.signal.aborted) return;
    this.#frame = this.#window.requestAnimationFrame(() => {
      this.#frame = 0;
      render(this.#template(), this.#root);
    });
  }

  /** Draws only what has changed: the present zoom, what is drawn on the ground, lines. */
  #onFrame(time: number): void {
    const { x, y, span, heading, pitch } = this.camera.shown;
    this.compare.frame(time);
    this.flight.frame();
    this.ground.other = this.compare.other;
    const pose = [x, y, span, heading, pitch, this.flight.time].join(' ');
    const isLive = this.#tab === 'Compare' && (this.compare.isPlaying || this.compare.take === null);
    if (pose === this.#drawn && !isLive) return;
    this.#drawn = pose;
    if (this.#isOpen || !this.ground.isEmpty) this.redraw();
  }

  #template(): TemplateResult {
    const over = this.ground.isEmpty ? nothing : html`<svg class="over" aria-hidden="true">${this.ground.draw()}</svg>`;
    return html`${over}${this.#isOpen
      ? this.#opened()
      : html`<button
          type="button"
          class="fold"
          aria-expanded="false"
          @click=${() => {
            this.toggle();
          }}
        >
          Camera
        </button>`}`;
  }

  #opened(): TemplateResult {
    return html`<section
      class="panel"
      aria-label="Camera settings"
      @pointerover=${(event: Event) => {
        this.#onFocus(event);
      }}
      @focusin=${(event: Event) => {
        this.#onFocus(event);
      }}
      @keydown=${(event: KeyboardEvent) => {
        this.#onUndo(event);
      }}
    >
      <header>
        <div role="tablist" aria-label="Parts of the panel">
          ${(Object.keys(TABS) as Tab[]).map((name) => this.#tabButton(name))}
        </div>
        ${this.#stepButton(-1, 'Undo', '↶', 'Control Z')}${this.#stepButton(1, 'Redo', '↷', 'Control Shift Z')}
        <button
          type="button"
          aria-expanded="true"
          aria-label="Fold the panel"
          @click=${() => {
            this.toggle();
          }}
        >
          –
        </button>
      </header>
      <div class="tab" role="tabpanel" aria-label=${this.#tab}>${TABS[this.#tab](this)}</div>
      ${this.#tab === 'Settings' ? this.#about() : nothing}
    </section>`;
  }

  /** The description of the setting that was pointed at last. */
  #about(): TemplateResult {
    const text = BY_PATH.get(this.#focused)?.text ?? 'Point at a setting to read about it.';
    return html`<footer tabindex="0" aria-label="About the setting"><b>${this.#focused}</b> ${text}</footer>`;
  }

  #tabButton(name: Tab): TemplateResult {
    return html`<button
      type="button"
      role="tab"
      aria-selected=${name === this.#tab}
      @click=${() => {
        this.#tab = name;
        this.redraw();
      }}
    >
      ${name}
    </button>`;
  }

  #stepButton(steps: 1 | -1, name: string, sign: string, keys: string): TemplateResult {
    return html`<button
      type="button"
      aria-label=${name}
      title=${`${name}: ${keys}`}
      ?disabled=${!this.tuning.canGo(steps)}
      @click=${() => {
        this.#go(steps);
      }}
    >
      ${sign}
    </button>`;
  }

  #go(steps: 1 | -1): void {
    this.attempt('', () => {
      this.tuning.go(steps);
    });
  }

  #onFocus(event: Event): void {
    const row = event.composedPath().find((node) => node instanceof HTMLElement && node.dataset['path'] !== undefined);
    const path = (row as HTMLElement | undefined)?.dataset['path'] ?? '';
    if (path === '' || path === this.#focused) return;
    this.#focused = path;
    this.redraw();
  }

  #onUndo(event: KeyboardEvent): void {
    if (event.code !== 'KeyZ' || !(event.ctrlKey || event.metaKey) || takesText(event)) return;
    event.preventDefault();
    this.#go(event.shiftKey ? 1 : -1);
  }

  #onKey(event: KeyboardEvent, { key = 'Backquote', swapKey = 'Backslash' }: PanelOptions): void {
    if (event.defaultPrevented || event.repeat || takesText(event)) return;
    if (event.ctrlKey || event.altKey || event.metaKey) return;
    // By what the key says: keyboards have two Enter keys.
    if (this.ground.outline !== null && (event.key === 'Enter' || event.key === 'Escape'))
      this.endOutline(event.key === 'Enter');
    if (event.code === key) this.toggle();
    if (event.code === swapKey) {
      this.attempt('', () => {
        this.tuning.swap();
      });
    }
  }

  #reviewSoon(): void {
    if (this.#reviewing !== 0) return;
    this.#reviewing = this.#window.setTimeout(() => {
      this.#reviewing = 0;
      const { width, height } = this.camera.view;
      if (width < 1 || height < 1) return;
      const layers = [this.tuning.base, this.tuning.settings];
      const screen = { width, height };
      this.compare.measure();
      this.messages.review(layers, screen, terrainOf(this.camera));
      if (this.#unseenOf !== this.full) {
        this.#unseenOf = this.full;
        this.ground.unseen = unseenPlaces(layers, screen, terrainOf(this.camera));
      }
      this.redraw();
    }, REVIEW_EVERY);
  }
}

/** Unlike an element, a sheet is allowed by every content security policy. */
function sheetOf({ CSSStyleSheet }: Window & typeof globalThis): CSSStyleSheet {
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(STYLE);
  return sheet;
}

function takesText(event: Event): boolean {
  const [target] = event.composedPath();
  if (!(target instanceof HTMLElement)) return false;
  if (target.isContentEditable || target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement)
    return true;
  return target instanceof HTMLInputElement && !['checkbox', 'range', 'button'].includes(target.type);
}
