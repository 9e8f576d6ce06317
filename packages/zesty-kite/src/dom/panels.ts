/** Panels over the map: what the player does there is the page's. */
import { refuse } from '../messages/index.ts';

export interface PanelOptions {
  /**
   * Panels inside the element or over it: a selector, or a function of an element. Wheel, presses, fingers,
   * text selection and edges are the page's own there.
   */
  readonly panels?: string | ((target: Element) => boolean);
}

/** @throws TypeError for a selector that is none */
export function checkPanels({ document }: Window, { panels }: PanelOptions): void {
  if (panels === undefined || typeof panels === 'function') return;
  if (typeof (panels as unknown) !== 'string') refuse('listen.panels', panels, 'a selector, a function, or nothing');
  try {
    document.createDocumentFragment().querySelector(panels);
  } catch {
    refuse('listen.panels', panels, 'a selector, such as ".panel"');
  }
}

/** Whether an element is a panel, or in one. */
export type IsPanel = (target: EventTarget | null | undefined) => boolean;

export function panelsOf(
  window: Window & typeof globalThis,
  { panels }: PanelOptions,
  report: (error: unknown) => void,
): IsPanel {
  return (target) => {
    if (panels === undefined || !(target instanceof window.Element)) return false;
    try {
      return typeof panels === 'string' ? target.closest(panels) !== null : panels(target);
    } catch (error) {
      report(error);
      return false;
    }
  };
}
