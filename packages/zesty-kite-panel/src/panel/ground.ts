/** Drawn over the map: an outline that is being clicked, and places that never show. */
import type { CameraLike, Point, View } from 'zesty-kite';
import { svg, type TemplateResult } from 'lit-html';

/** Less movement than this between press and release is a click, CSS pixels. */
const CLICK = 5;
/** A mark around a point, CSS pixels. */
const SQUARE = 'm-3-3h6v6h-6z';

export class Ground {
  /** Corners of the outline that is being drawn, world units; null while none is. */
  outline: Point[] | null = null;
  unseen: readonly Point[] = [];
  /** The view of the other version: its frame is drawn. */
  other: View | null = null;
  readonly #camera: CameraLike;
  readonly #map: HTMLElement;

  constructor(camera: CameraLike, map: HTMLElement) {
    this.#camera = camera;
    this.#map = map;
  }

  /**
   * Adds a corner for each click on the map, until the outline ends. Drags and the wheel go on to the camera.
   *
   * @param changed called after each corner
   */
  listen(window: Window, changed: () => void, signal: AbortSignal): void {
    let from: Point | null = null;
    const options = { capture: true, signal };
    window.addEventListener(
      'pointerdown',
      (event) => {
        from = this.#isOnMap(event) && event.button === 0 ? { x: event.clientX, y: event.clientY } : null;
      },
      options,
    );
    window.addEventListener(
      'pointerup',
      ({ clientX, clientY }) => {
        if (this.outline === null || from === null) return;
        if (Math.hypot(clientX - from.x, clientY - from.y) > CLICK) return;
        const box = this.#map.getBoundingClientRect();
        const spot = this.#camera.view.toGround(clientX - box.left, clientY - box.top);
        if (spot !== null) this.outline = [...this.outline, { x: spot.x, y: spot.y }];
        changed();
      },
      options,
    );
  }

  #isOnMap(event: Event): boolean {
    return this.outline !== null && event.composedPath().includes(this.#map);
  }

  get isEmpty(): boolean {
    return this.outline === null && this.unseen.length === 0 && this.other === null;
  }

  draw(): TemplateResult {
    const { left, top } = this.#map.getBoundingClientRect();
    const { view } = this.#camera;
    const onPage = (points: readonly Point[]): readonly { readonly x: string; readonly y: string }[] =>
      points.flatMap(({ x, y }) => {
        const at = view.toScreen(x, y);
        return at.inFront ? [{ x: (at.x + left).toFixed(1), y: (at.y + top).toFixed(1) }] : [];
      });
    const corners = onPage(this.outline ?? []);
    const frame = this.other === null ? [] : onPage(cornersOf(this.other));
    const marks = onPage(this.unseen).map(({ x, y }) => `M${x} ${y}${SQUARE}`);
    return svg`<path class="unseen" d=${marks.join('')} />
      <polygon class="other" points=${frame.map(({ x, y }) => `${x},${y}`).join(' ')} />
      <polygon class="outline" points=${corners.map(({ x, y }) => `${x},${y}`).join(' ')} />
      ${corners.map(({ x, y }) => svg`<circle class="outline" cx=${x} cy=${y} r="4" />`)}`;
  }
}

/** The outline of a view on the ground. */
function cornersOf(view: View): readonly Point[] {
  const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0, g = 0, h = 0] = view.frameFootprint();
  return [
    { x: a, y: b },
    { x: c, y: d },
    { x: e, y: f },
    { x: g, y: h },
  ];
}
