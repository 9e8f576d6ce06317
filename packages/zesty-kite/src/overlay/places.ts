/** Places in a picture that no panel of the page covers. */

/** The time between two looks at the page, milliseconds: panels seldom move. */
const ASKS_EVERY = 500;
/** The steps in which a place is looked for, and in which it is looked through, CSS pixels. */
const STEP = 8;
const SAMPLE = 16;

/** A part of the picture, CSS pixels from its top left. */
export interface Place {
  readonly left: number;
  readonly bottom: number;
  readonly width: number;
  readonly height: number;
}

/** The free place nearest to a wanted one, for one thing that is drawn in every frame. */
export class FreePlace {
  readonly #element: HTMLElement;
  #asked = -Infinity;
  #wanted = '';
  #bottom = NaN;

  constructor(element: HTMLElement) {
    this.#element = element;
  }

  /**
   * Returns the bottom of the lowest free place that is not below the wanted one; the wanted one if none is free.
   *
   * @param origin the top left of the picture in the window, CSS pixels
   * @param time milliseconds
   */
  bottomOf(wanted: Place, origin: { readonly x: number; readonly y: number }, time: number): number {
    const now = [wanted.left, wanted.bottom, wanted.width, wanted.height].map(Math.round).join();
    if (now === this.#wanted && time - this.#asked < ASKS_EVERY) return this.#bottom;
    this.#wanted = now;
    this.#asked = time;
    this.#bottom = wanted.bottom;
    for (let { bottom } = wanted; bottom - wanted.height >= 0; bottom -= STEP) {
      if (!this.#isFree({ ...wanted, bottom }, origin)) continue;
      this.#bottom = bottom;
      break;
    }
    return this.#bottom;
  }

  #isFree({ left, bottom, width, height }: Place, origin: { readonly x: number; readonly y: number }): boolean {
    const element = this.#element;
    for (let right = 0; right <= width; right += Math.min(SAMPLE, width / 2))
      for (let up = 0; up <= height; up += Math.min(SAMPLE, height / 2)) {
        const found = element.ownerDocument.elementFromPoint(origin.x + left + right, origin.y + bottom - up);
        if (found !== null && !element.contains(found) && !found.contains(element)) return false;
      }
    return true;
  }
}
