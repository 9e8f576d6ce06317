/** The panel: a shadow root in a corner of the page. */
import type { CameraLike, FullSettings, Settings, SpanSettings, View } from 'zesty-kite';
import type { Cutscene } from 'zesty-kite/direct';
import { inputLabels } from 'zesty-kite/dom';
import { render } from 'lit-html';
import { Compare } from '../compare/compare.ts';
import { Flight } from '../cutscene/flight.ts';
import { Keeper } from '../keep/keeper.ts';
import { AwaitedInput } from '../rows/awaitedInput.ts';
import { fineAt } from '../rows/here.ts';
import { valueAt } from '../tuning/paths.ts';
import { spansAt } from '../tuning/spansAt.ts';
import { Tuning } from '../tuning/tuning.ts';
import { listenToKeys, shield } from './events.ts';
import { Ground } from './ground.ts';
import { Messages } from './messages.ts';
import { layersOf, type Panel, type PanelOptions } from './options.ts';
import { Review } from './review.ts';
import { sheetOf } from './sheet.ts';
import { STYLE } from './style.ts';
import { withoutLimits } from './withoutLimits.ts';
import { panelTemplate, type Frame, type Tab } from './template.ts';

export class OpenedPanel implements Panel, Frame {
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
  tab: Tab = 'Settings';
  focused = '';
  isFree = false;
  isOpen: boolean;
  readonly opened = new Set<string>();
  #labels: (input: string) => string = (input) => input;
  #frame = 0;
  /** The pose that was drawn last. */
  #drawn = '';
  readonly #window: Window & typeof globalThis;
  readonly #root: ShadowRoot;
  readonly #ends = new AbortController();
  readonly #endPoll: () => void;
  readonly #review: Review;
  readonly #awaited: AwaitedInput;

  /** Draws with the next frame of the page. */
  readonly redraw = (): void => {
    if (this.#frame !== 0 || this.#ends.signal.aborted) return;
    this.#frame = this.#window.requestAnimationFrame(() => {
      this.#frame = 0;
      render(panelTemplate(this), this.#root);
    });
  };

  constructor(camera: CameraLike, options: PanelOptions, window: Window & typeof globalThis) {
    const { document } = window;
    this.camera = camera;
    this.#window = window;
    this.isOpen = options.folded !== true;
    const layers = layersOf(options.settings, camera.settings);
    this.tuning = new Tuning(camera, layers);
    this.keeper = new Keeper(window, this.tuning, options.file, options.settings, this.redraw);
    this.compare = new Compare(camera, this.tuning);
    this.flight = new Flight(camera);
    this.drawsBeside = options.sideBySide === true;
    this.ground = new Ground(camera, options.map ?? document.querySelector('canvas') ?? document.body);
    this.element = document.createElement('zesty-kite-panel');
    this.element.dataset['corner'] = options.corner ?? 'top-right';
    this.#review = new Review(this, window);
    this.#awaited = new AwaitedInput(window, this.redraw);
    this.#root = this.element.attachShadow({ mode: 'open' });
    this.#root.adoptedStyleSheets = [sheetOf(window, STYLE)];
    document.body.append(this.element);
    const { signal } = this.#ends;
    shield(this.element);
    listenToKeys(window, this, options, signal);
    this.ground.listen(window, this.redraw, signal);
    this.tuning.changed = () => {
      options.changed?.(this.settings);
      this.#review.soon();
      this.redraw();
    };
    this.#endPoll = camera.poll((time) => {
      this.#onFrame(time);
    });
    void inputLabels(window.navigator).then((labels) => {
      this.#labels = labels;
      this.redraw();
    });
    this.#review.soon();
    this.redraw();
  }

  get settings(): Settings {
    return this.tuning.settings;
  }

  get full(): FullSettings {
    return this.tuning.full;
  }

  get spans(): SpanSettings {
    return spansAt(this.full, this.camera.view.height);
  }

  get views(): readonly View[] {
    return this.compare.views;
  }

  async open(file: File): Promise<void> {
    const text = await file.text();
    if (file.name.endsWith('.ndjson')) {
      this.compare.open(text);
      this.tab = 'Compare';
      this.compare.play();
    } else {
      const value = JSON.parse(text) as Settings | Cutscene;
      if ('keyframes' in value) {
        this.flight.open(value);
        this.tab = 'Cutscene';
      } else this.tuning.replace(value);
    }
    this.redraw();
  }

  toggle(on = !this.isOpen): void {
    this.isOpen = on;
    this.redraw();
  }

  show(tab: Tab): void {
    this.tab = tab;
    this.redraw();
  }

  focus(path: string): void {
    if (path === this.focused) return;
    this.focused = path;
    this.redraw();
  }

  go(steps: 1 | -1): void {
    this.attempt('', () => {
      this.tuning.go(steps);
    });
  }

  close(): void {
    this.compare.end();
    this.flight.end();
    if (this.isFree) this.free(false);
    this.#ends.abort();
    this.#awaited.end();
    this.#endPoll();
    this.keeper.close();
    this.#window.cancelAnimationFrame(this.#frame);
    this.#review.end();
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

  get listening(): string | null {
    return this.#awaited.path;
  }

  listenFor(path: string): void {
    this.#awaited.begin(path, (input) => {
      const inputs = valueAt(this.full, path) as readonly string[];
      if (!inputs.includes(input)) this.set(path, [...inputs, input]);
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
    if (isKept) this.set('bounds', { polygon: corners.map(({ x, y }) => [fineAt(x, span), fineAt(y, span)]) });
    this.redraw();
  }

  free(isOn: boolean): void {
    this.attempt('', () => {
      this.tuning.cover(isOn ? withoutLimits(this.spans, this.camera.shown.span) : {});
      this.isFree = isOn;
    });
  }

  openSection(section: string, isOpen: boolean): void {
    if (isOpen) this.opened.add(section);
    else this.opened.delete(section);
    this.redraw();
  }

  /** Draws only what has changed: the present zoom, what is drawn on the ground, lines. */
  #onFrame(time: number): void {
    const { x, y, span, heading, pitch } = this.camera.shown;
    this.compare.frame(time);
    this.flight.frame();
    this.ground.other = this.compare.other;
    const pose = [x, y, span, heading, pitch, this.flight.time].join(' ');
    const isLive = this.tab === 'Compare' && (this.compare.isPlaying || this.compare.take === null);
    if (pose === this.#drawn && !isLive) return;
    this.#drawn = pose;
    if (this.isOpen || !this.ground.isEmpty) this.redraw();
  }
}
