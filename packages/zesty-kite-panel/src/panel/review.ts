/** The review of the settings: messages, and the places that nobody can see. */
import type { FullSettings } from 'zesty-kite';
import { unseenPlaces } from 'zesty-kite/review';
import { terrainOf } from './cameraParts.ts';
import type { PanelDesk } from './panelDesk.ts';

/** Settings are reviewed at most once in so long, also while a slider moves; milliseconds. */
const REVIEW_EVERY = 150;

export class Review {
  readonly #desk: PanelDesk;
  readonly #window: Window;
  #timer = 0;
  #unseenOf: FullSettings | null = null;

  constructor(desk: PanelDesk, window: Window) {
    this.#desk = desk;
    this.#window = window;
  }

  /** Reviews the settings in a moment. */
  soon(): void {
    if (this.#timer !== 0) return;
    this.#timer = this.#window.setTimeout(() => {
      this.#timer = 0;
      this.#now();
    }, REVIEW_EVERY);
  }

  end(): void {
    this.#window.clearTimeout(this.#timer);
  }

  #now(): void {
    const { camera, tuning, compare, messages, ground, full } = this.#desk;
    const { width, height } = camera.view;
    if (width < 1 || height < 1) return;
    const layers = [tuning.base, tuning.settings];
    const screen = { width, height };
    const terrain = terrainOf(camera);
    compare.measure();
    messages.review(layers, screen, terrain);
    if (this.#unseenOf !== full) {
      this.#unseenOf = full;
      ground.unseen = unseenPlaces(layers, screen, terrain);
    }
    this.#desk.redraw();
  }
}
