/** The part of an element that a camera has, and where events are in it. */
import type { Point } from '../view/index.ts';
import type { Send } from './send.ts';

/** In CSS pixels from the top left of the element. */
export interface Region {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

export interface SurfaceOptions {
  /**
   * The part of the element that is this camera's, of an element so wide and so high: for several
   * cameras side by side. All of it when left out.
   */
  readonly region?: (width: number, height: number) => Region;
}

export class Surface {
  readonly element: HTMLElement;
  readonly window: Window & typeof globalThis;
  readonly #region: NonNullable<SurfaceOptions['region']>;
  /** Copies of the events of a locked pointer, for what lies under its cursor. */
  readonly sentOn = new WeakSet<Event>();
  /** The last position of the mouse over the element; during a lock, the position at which the page draws it. */
  #seen: Point | null = null;
  #cursor: Point | null = null;

  constructor(
    element: HTMLElement,
    window: Window & typeof globalThis,
    { region }: SurfaceOptions,
    report: (error: unknown) => void,
  ) {
    this.element = element;
    this.window = window;
    const whole = (width: number, height: number): Region => ({ left: 0, top: 0, width, height });
    this.#region = (width, height) => {
      try {
        return region?.(width, height) ?? whole(width, height);
      } catch (error) {
        report(error);
        return whole(width, height);
      }
    };
  }

  /** The element is in a document that a window shows. */
  get isThere(): boolean {
    return this.element.isConnected && this.element.ownerDocument.defaultView !== null;
  }

  /** A player can see it and get at it: it is not scrolled away, and no modal dialog is before it. */
  get isReachable(): boolean {
    const { element, window } = this;
    const { left, top, right, bottom, width } = element.getBoundingClientRect();
    const isAway = right <= 0 || bottom <= 0 || left >= window.innerWidth || top >= window.innerHeight;
    // One that is hidden or taken away is nowhere, and not scrolled away.
    if (width > 0 && isAway) return false;
    const modal = element.ownerDocument.querySelector('dialog:modal');
    return modal === null || modal.contains(element);
  }

  get region(): Region {
    return this.#region(this.element.clientWidth, this.element.clientHeight);
  }

  /** The cursor of a locked pointer, CSS pixels from the top left of the region; null while it is free. */
  get cursor(): Point | null {
    return this.#cursor === null ? null : this.#inRegion(this.#cursor);
  }

  /** The position of an event, in CSS pixels from the top left of the region. */
  at(event: MouseEvent): Point {
    return this.#inRegion(this.#cursor ?? this.#inElement(event));
  }

  #inRegion({ x, y }: Point): Point {
    const { left, top } = this.region;
    return { x: x - left, y: y - top };
  }

  has({ x, y }: Point): boolean {
    const { width, height } = this.region;
    return x >= 0 && y >= 0 && x <= width && y <= height;
  }

  /** How far a point is from the nearest side of the region, CSS pixels. */
  rimOf({ x, y }: Point): number {
    const { width, height } = this.region;
    return Math.min(x, y, width - x, height - y);
  }

  /** The cursor of a locked pointer in the window, CSS pixels; its centre while the pointer is free. */
  get cursorOnPage(): Point {
    const { element } = this;
    const { left, top } = element.getBoundingClientRect();
    const { x, y } = this.#cursor ?? { x: element.clientWidth / 2, y: element.clientHeight / 2 };
    return { x: left + element.clientLeft + x, y: top + element.clientTop + y };
  }

  /** The element under the cursor of a locked pointer, inside of shadow trees too. */
  get elementUnderCursor(): Element | null {
    const { x, y } = this.cursorOnPage;
    let found = this.element.ownerDocument.elementFromPoint(x, y);
    let inside = found?.shadowRoot?.elementFromPoint(x, y) ?? null;
    while (inside !== null && inside !== found) {
      found = inside;
      inside = found.shadowRoot?.elementFromPoint(x, y) ?? null;
    }
    return found;
  }

  /** The element under an event: events of a locked pointer do not have it. */
  under(event: MouseEvent): EventTarget | null {
    return this.#cursor === null ? (event.composedPath()[0] ?? null) : this.elementUnderCursor;
  }

  /** In CSS pixels from the top left of the element's padding box. */
  #inElement(event: MouseEvent): Point {
    const { element } = this;
    const box = element.getBoundingClientRect();
    // An element that is seen edge-on, or has no size, has no inverse transform.
    if (box.width < 1 || box.height < 1) return { x: NaN, y: NaN };
    // This accounts for every CSS transform, but not for CSS zoom.
    const zoom = (element as { readonly currentCSSZoom?: number }).currentCSSZoom ?? 1;
    if (event.target === element) return { x: event.offsetX / zoom, y: event.offsetY / zoom };
    return {
      x: ((event.clientX - box.left) * element.offsetWidth) / box.width - element.clientLeft,
      y: ((event.clientY - box.top) * element.offsetHeight) / box.height - element.clientTop,
    };
  }

  /**
   * Follows the mouse, before all other listeners. While it is locked its coordinates stand still:
   * a cursor of our own goes by its movements, and stays inside the region.
   */
  listenTo(send: Send, signal: AbortSignal): void {
    const { element, window } = this;
    const onMove = (event: PointerEvent): void => {
      if (event.pointerType !== 'mouse' || this.sentOn.has(event)) return;
      if (this.#cursor === null) this.#seen = this.#inElement(event);
      else this.#cursor = this.#clamped(this.#cursor.x + event.movementX, this.#cursor.y + event.movementY);
    };
    const onLock = (event: Event): void => {
      const root = element.getRootNode();
      const holder = 'pointerLockElement' in root ? root.pointerLockElement : null;
      if (holder === element) {
        const { left, top, width, height } = this.region;
        this.#cursor ??= this.#clamped(this.#seen?.x ?? left + width / 2, this.#seen?.y ?? top + height / 2);
      } else if (this.#cursor !== null) {
        this.#cursor = null;
        send({ kind: 'release', time: event.timeStamp });
      }
    };
    // The browser scrolls a focused control into sight, also where it cannot be scrolled back. The map is kept from that.
    const onScroll = (): void => {
      const { overflowX, overflowY } = window.getComputedStyle(element);
      if (overflowX === 'hidden') element.scrollLeft = 0;
      if (overflowY === 'hidden') element.scrollTop = 0;
    };
    element.addEventListener('scroll', onScroll, { passive: true, signal });
    window.addEventListener('pointermove', onMove, { capture: true, passive: true, signal });
    element.ownerDocument.addEventListener('pointerlockchange', onLock, { signal });
  }

  #clamped(x: number, y: number): Point {
    const { left, top, width, height } = this.region;
    return {
      x: Math.max(left, Math.min(left + width, x)),
      y: Math.max(top, Math.min(top + height, y)),
    };
  }
}
