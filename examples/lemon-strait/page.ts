/** Small things that every page does. */

/** The element with that id, of that type. */
export function element<T extends HTMLElement>(id: string, type: new () => T): T {
  const found = document.getElementById(id);
  if (found instanceof type) return found;
  throw new Error(`#${id}: expected ${type.name}, got ${found?.tagName ?? 'nothing'}`);
}

/** Of a canvas in a page, or off it. */
export type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** The 2D context of a canvas; what is drawn over others is clear. */
export function canvasContext(canvas: HTMLCanvasElement | OffscreenCanvas, clear = false): Context {
  const context = canvas.getContext('2d', { alpha: clear });
  if (context === null) throw new Error('This page needs a 2D canvas.');
  return context;
}

/** Hands a text to the player as a file. */
export function save(name: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type: 'application/x-ndjson' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => {
    URL.revokeObjectURL(url);
  }, 1000);
}

/** A part of the page, CSS pixels. */
export interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** The boxes of the panels, measured once a frame, so that names can keep clear of them. */
export function createPanels(): { readonly measure: () => void; readonly isCovered: (box: Box) => boolean } {
  let boxes: readonly Box[] = [];
  return {
    measure: () => {
      boxes = [...document.querySelectorAll('.panel')].map((panel) => panel.getBoundingClientRect());
    },
    isCovered: ({ left, top, right, bottom }) =>
      boxes.some((box) => left < box.right && right > box.left && top < box.bottom && bottom > box.top),
  };
}
